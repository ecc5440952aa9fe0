import { computed } from 'vue'
import { nth } from '#core/math/list'
import { useShownJob } from '~/job/shownJob'
import { useCollections } from '~/stores/collections'
import { useOpenPanel } from '~/stores/openPanel'
import { usePreferences } from '~/stores/preferences'
import { benchCommands } from './benchCommands'
import type { Command, CommandEntry } from './command'
import { jobCommands } from './jobCommands'
import { lookCommands } from './lookCommands'
import { navigationCommands } from './navigationCommands'

/** Everything that can be done by key or palette: the tables of commands, in the order in which they are listed. */
export function useCommands() {
  const shown = useShownJob()
  const [collections, preferences, open] = [useCollections(), usePreferences(), useOpenPanel()]
  const colorMode = useColorMode()
  const router = useRouter()
  const toast = useToast()
  const say = (title: string) => void toast.add({ id: 'step', title, duration: 4000 })

  const table = computed((): CommandEntry[] => {
    const session = shown.value?.session
    const [undo, redo] = [session?.canUndo.value ?? null, session?.canRedo.value ?? null]
    return [
      ...navigationCommands(router),
      ...benchCommands(router, collections),
      ...jobCommands({ router, open, undo, redo, say }),
      ...lookCommands({ preferences, open, colorMode }),
    ]
  })

  /** All there are; those for a job do nothing while none is shown. */
  const commands = computed(() =>
    table.value.map((entry): Command => {
      if ('run' in entry) return entry
      const { onJob, ...rest } = entry
      return { ...rest, run: () => shown.value && onJob(shown.value) }
    }),
  )
  /** Those that make sense now. */
  const available = computed(() =>
    commands.value.filter((_, i) => shown.value !== null || 'run' in nth(table.value, i)),
  )
  return { commands, available }
}
