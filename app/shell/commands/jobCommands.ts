import type { Router } from 'vue-router'
import type { JobView } from '~/job/view'
import { ANGLES, placeAt, type AngleId } from '~/navigation/stations'
import type { useOpenPanel } from '~/stores/openPanel'
import type { CommandEntry } from './command'

interface JobCommandsAsk {
  readonly router: Router
  readonly open: ReturnType<typeof useOpenPanel>
  /** The titles of the steps that can be undone and done again; null where there is none. */
  readonly undo: string | null
  readonly redo: string | null
  /** Says what was undone. */
  readonly say: (title: string) => void
}

/** The four angles of a job, and its undo. */
export function jobCommands({ router, open, undo, redo, say }: JobCommandsAsk): CommandEntry[] {
  const ANGLE_LABEL = (id: AngleId, word: string) =>
    id === 'set' ? 'How sure is the set angle?' : `Enter the ${word.toLowerCase()} angle`
  /** What goes back or forth is said; where a record is described there is nothing of the job to be seen. */
  const step = (way: 'goBack' | 'goForward') => (job: JobView) => {
    if (placeAt(router.currentRoute.value.path)?.sheet.aside) return
    const title = job.session[way]()
    if (title) say(title)
  }
  return [
    ...ANGLES.map(({ id, word, key }): CommandEntry => ({
      id: `angle-${id}`,
      label: ANGLE_LABEL(id, word),
      group: 'Angles',
      icon: id === 'set' ? 'i-lucide-scale' : 'i-lucide-pencil-line',
      keys: key,
      onJob: () => (open.angle.value = id),
    })),
    {
      id: 'undo',
      label: undo ? `Undo: ${undo}` : 'Undo',
      group: 'Job',
      icon: 'i-lucide-undo-2',
      keys: 'meta_z',
      onJob: step('goBack'),
    },
    {
      id: 'redo',
      label: redo ? `Do again: ${redo}` : 'Do again',
      group: 'Job',
      icon: 'i-lucide-redo-2',
      keys: 'meta_shift_z',
      onJob: step('goForward'),
    },
  ]
}
