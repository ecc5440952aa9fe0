import { useEventListener } from '@vueuse/core'
import { useFileImport } from '~/composables/useFileImport'
import { kindOfFile } from '~/workers/kindOfFile'

/**
 * Files that are dropped on a page, and on nothing there that asks for one, are imported for what they are. A backup
 * changes much at once: that is asked first.
 */
export function useDroppedFiles() {
  const toast = useToast()
  const { importFile, done, problems, job } = useFileImport()
  const isUnasked = (event: DragEvent) => !event.defaultPrevented && !!event.dataTransfer?.types.includes('Files')
  useEventListener('dragover', (event: DragEvent) => {
    // Otherwise the browser would open it in the place of this page.
    if (isUnasked(event)) event.preventDefault()
  })
  useEventListener('drop', async (event: DragEvent) => {
    if (!isUnasked(event)) return
    event.preventDefault()
    for (const file of [...(event.dataTransfer?.files ?? [])])
      if ((await kindOfFile(file)) === 'backup') askFirst(file)
      else await importAndSay(file)
  })

  function askFirst(file: File) {
    toast.add({
      title: `${file.name} is a backup of all data.`,
      description: 'Importing it adds what is missing and what is newer.',
      actions: [{ label: 'Import', onClick: () => void importAndSay(file) }],
      duration: 30_000,
    })
  }
  async function importAndSay(file: File) {
    await importFile(file)
    const [title, ...more] = [done.value, ...problems.value].filter(Boolean)
    const imported = job.value
    toast.add({
      title,
      description: more.join(' '),
      actions: imported ? [{ label: `Open “${imported.name}”`, onClick: () => void navigateTo(imported.path) }] : [],
      duration: 15_000,
    })
  }
}
