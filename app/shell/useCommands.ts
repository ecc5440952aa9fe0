import { computed } from 'vue'
import { useShownJob } from '~/job/shownJob'
import type { JobView } from '~/job/view'
import type { StationId } from '#core/process/nextStep/nextStep'
import { ANGLES, placeAt, ROOMS, sheetPath, tabsOf, type AngleId } from '~/navigation/stations'
import { useCollections } from '~/stores/collections'
import { useOpenPanel } from '~/stores/openPanel'
import { usePreferences } from '~/stores/preferences'
import { controlOn } from '~/navigation/controlOn'

export interface Command {
  id: string
  /** What it does, as the palette and the list of keys say it. */
  label: string
  group: 'Go' | 'Angles' | 'Bench' | 'Job' | 'Look'
  icon: string
  /** Other words by which a person would look for it. */
  finds?: string
  /** A key or a chord as the interface kit writes it (meta_k, shift_d). */
  keys?: string
  /** Its keys work while a field is being typed in, too. */
  fromFields?: boolean
  run: () => void
}

/** A command as the table has it: one for a job is run with the job that is shown, and is not there without one. */
type Entry = Omit<Command, 'run'> & ({ run: () => void } | { onJob: (job: JobView) => void })

/** Other words by which a person would look for a sheet. */
const SHEET_FINDS: Readonly<Record<string, string>> = {
  'clamp/card': 'print pdf paper',
  'clamp/even': 'best hold belly',
  'uncertainty/sides': 'centring flip',
  'uncertainty/what-if': 'try',
}

/** Everything that can be done by key or palette, in one table. */
export function useCommands() {
  const shown = useShownJob()
  const collections = useCollections()
  const preferences = usePreferences()
  const open = useOpenPanel()
  const colorMode = useColorMode()
  const router = useRouter()
  const toast = useToast()

  const go = (path: string) => void router.push(path)
  const onBench = (name: string) => async (job: JobView) =>
    (await controlOn(router, sheetPath(job.id, 'clamp'), name))?.focus()
  /** Goes to a sheet and presses a button of it. */
  const pressOn = (room: StationId, sheet: string, name: string) => async (job: JobView) => {
    const button = await controlOn(router, sheetPath(job.id, room, sheet), name)
    button?.focus()
    button?.click()
  }
  /** Stones stand from coarse to fine. */
  function nextStone(job: JobView, by: number) {
    const there = collections.stones.filter((one) => one.archivedAt === null || one.id === job.content.value.stoneId)
    const next = there[there.findIndex((one) => one.id === job.content.value.stoneId) + by]
    if (next) job.actions.chooseStone(next.id)
  }
  /** What goes back or forth is said; where a thing is described there is nothing of the job to be seen. */
  const step = (way: 'goBack' | 'goForward') => (job: JobView) => {
    if (placeAt(router.currentRoute.value.path)?.sheet.aside) return
    const title = job.session[way]()
    if (title) toast.add({ id: 'step', title, duration: 4000 })
  }
  /** To the sheet beside the one that is open, round and round. */
  const turnSheet = (by: number) => (job: JobView) => {
    const place = placeAt(router.currentRoute.value.path)
    const tabs = place ? tabsOf(place.room) : []
    if (!place || tabs.length < 2) return
    const next = tabs[(tabs.indexOf(place.sheet) + by + tabs.length) % tabs.length]!
    go(sheetPath(job.id, place.room.id, next.id))
  }

  const rooms = ROOMS.filter((room) => room.sheets.length > 0)
  const ANGLE_LABEL = (id: AngleId, word: string) =>
    id === 'set' ? 'How sure is the set angle?' : `Enter the ${word.toLowerCase()} angle`

  const table = computed<Entry[]>(() => {
    const session = shown.value?.session
    const [undo, redo] = [session?.canUndo.value, session?.canRedo.value]
    const dark = colorMode.value === 'dark'
    return [
      ...rooms.map((room): Entry => ({
        id: `go-${room.id}`,
        label: room.id === 'uncertainty' ? 'How sure it all is' : `${room.word} station`,
        group: 'Go',
        icon: 'i-lucide-milestone',
        keys: room.key,
        onJob: (job) => go(sheetPath(job.id, room.id)),
      })),
      ...rooms.flatMap((room) =>
        tabsOf(room)
          .filter((sheet) => sheet.id !== '')
          .map((sheet): Entry => ({
            id: `sheet-${sheet.id}`,
            label: sheet.word,
            group: 'Go',
            icon: 'i-lucide-file',
            finds: SHEET_FINDS[`${room.id}/${sheet.id}`],
            onJob: (job) => go(sheetPath(job.id, room.id, sheet.id)),
          })),
      ),
      {
        id: 'sheet-before',
        label: 'The sheet before',
        group: 'Go',
        icon: 'i-lucide-chevron-left',
        keys: '[',
        onJob: turnSheet(-1),
      },
      {
        id: 'sheet-next',
        label: 'The next sheet',
        group: 'Go',
        icon: 'i-lucide-chevron-right',
        keys: ']',
        onJob: turnSheet(1),
      },
      {
        id: 'go-shelf',
        label: 'The shelf: rigs, blades, stones, instruments',
        finds: 'describe library tools box',
        group: 'Go',
        icon: 'i-lucide-library',
        run: () => go('/shelf'),
      },
      ...(['rig', 'blade'] as const).map((thing): Entry => ({
        id: `new-${thing}`,
        label: `Describe a new ${thing}`,
        finds: `add measure ${thing}`,
        group: 'Go',
        icon: 'i-lucide-plus',
        run: () => go(`/shelf/${thing}`),
      })),
      ...(['stone', 'instrument'] as const).map((thing): Entry => ({
        id: `new-${thing}`,
        label: `Describe a new ${thing}`,
        finds: `add measure ${{ stone: 'grit', instrument: 'gauge goniometer zero' }[thing]}`,
        group: 'Go',
        icon: 'i-lucide-plus',
        run: () => go(`/shelf?new=${thing}`),
      })),
      { id: 'go-home', label: 'All jobs', group: 'Go', icon: 'i-lucide-list', keys: '0', run: () => go('/') },
      {
        id: 'new-job',
        label: 'Start a job',
        finds: 'new begin',
        group: 'Job',
        icon: 'i-lucide-plus',
        keys: 'n',
        run: () => go('/start'),
      },
      ...ANGLES.map(({ id, word, key }): Entry => ({
        id: `angle-${id}`,
        label: ANGLE_LABEL(id, word),
        group: 'Angles',
        icon: id === 'set' ? 'i-lucide-scale' : 'i-lucide-pencil-line',
        keys: key,
        onJob: () => (open.angle.value = id),
      })),
      {
        id: 'turn-over',
        label: 'Turn to the other side',
        finds: 'flip turn over side b',
        group: 'Bench',
        icon: 'i-lucide-flip-vertical-2',
        keys: 's',
        onJob: (job) => void job.turnOver(),
      },
      {
        id: 'dial-up',
        label: 'Dial one mark up',
        group: 'Bench',
        icon: 'i-lucide-chevron-up',
        keys: 'u',
        onJob: (job) => void job.actions.stepDial(1),
      },
      {
        id: 'dial-down',
        label: 'Dial one mark down',
        group: 'Bench',
        icon: 'i-lucide-chevron-down',
        keys: 'j',
        onJob: (job) => void job.actions.stepDial(-1),
      },
      {
        id: 'dial-it',
        label: 'Note what is advised as dialled',
        group: 'Bench',
        icon: 'i-lucide-check',
        keys: 'd',
        onJob: onBench('dial-it'),
      },
      {
        id: 'pivot-height',
        label: 'Pivot height',
        group: 'Bench',
        icon: 'i-lucide-ruler',
        keys: 'h',
        onJob: onBench('pivot-height'),
      },
      {
        id: 'blade-height',
        label: 'Blade height',
        group: 'Bench',
        icon: 'i-lucide-ruler',
        keys: 'b',
        onJob: onBench('blade-height'),
      },
      {
        id: 'clamp-position',
        label: 'Clamp position',
        group: 'Bench',
        icon: 'i-lucide-ruler',
        keys: 'c',
        onJob: onBench('clamp-position'),
      },
      {
        id: 'turn',
        label: 'Turn in the jaws',
        group: 'Bench',
        icon: 'i-lucide-rotate-ccw',
        keys: 't',
        onJob: onBench('turn'),
      },
      {
        id: 'look-at',
        label: 'Place along the edge',
        group: 'Bench',
        icon: 'i-lucide-map-pin',
        keys: 'l',
        onJob: onBench('look-place'),
      },
      {
        id: 'centring',
        label: 'Centring error',
        finds: 'off centre tilt offset flip',
        group: 'Bench',
        icon: 'i-lucide-align-center-vertical',
        keys: 'o',
        onJob: pressOn('clamp', '', 'centring'),
      },
      {
        id: 'best-hold',
        label: 'Find the best hold',
        finds: 'even placement search where to hold',
        group: 'Bench',
        icon: 'i-lucide-crosshair',
        keys: 'f',
        onJob: pressOn('clamp', 'even', 'best-hold'),
      },
      {
        id: 'print',
        label: 'Print the clamp card',
        finds: 'paper card pdf',
        group: 'Bench',
        icon: 'i-lucide-printer',
        keys: 'k',
        onJob: pressOn('clamp', 'card', 'print'),
      },
      ...([-1, 1] as const).map((by): Entry => ({
        id: by < 0 ? 'coarser' : 'finer',
        label: by < 0 ? 'The next coarser stone' : 'The next finer stone',
        finds: 'stone swap change grit',
        group: 'Bench',
        icon: 'i-lucide-layers',
        keys: by < 0 ? ',' : '.',
        onJob: (job) => nextStone(job, by),
      })),
      ...collections.stones
        .filter((stone) => stone.archivedAt === null)
        .map((stone): Entry => ({
          id: `stone-${stone.id}`,
          label: `Put ${stone.name} on the rod`,
          finds: `stone swap change grit ${stone.grit?.number ?? ''}`,
          group: 'Bench',
          icon: 'i-lucide-layers',
          onJob: (job) => void job.actions.chooseStone(stone.id),
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
      {
        id: 'unit',
        label: preferences.unit === 'mm' ? 'Show inches' : 'Show millimetres',
        finds: 'unit metric imperial mm in',
        group: 'Look',
        icon: 'i-lucide-ruler',
        run: () => void preferences.change({ unit: preferences.unit === 'mm' ? 'in' : 'mm' }),
      },
      {
        id: 'included',
        label: preferences.included ? 'Show angles per side' : 'Show included angles',
        group: 'Look',
        icon: 'i-lucide-triangle',
        run: () => void preferences.change({ angles: preferences.included ? 'per-side' : 'included' }),
      },
      {
        id: 'theme',
        label: dark ? 'Day theme' : 'Night theme',
        finds: 'dark light mode',
        group: 'Look',
        icon: 'i-lucide-sun-moon',
        run: () => (colorMode.preference = dark ? 'light' : 'dark'),
      },
      {
        id: 'preferences',
        label: 'Preferences',
        finds: 'settings backup take out bring back export import side names',
        group: 'Look',
        icon: 'i-lucide-sliders-horizontal',
        keys: 'meta_,',
        fromFields: true,
        run: () => (open.panel.value = 'preferences'),
      },
      {
        id: 'keys',
        label: 'Keys',
        finds: 'help shortcuts keyboard',
        group: 'Look',
        icon: 'i-lucide-keyboard',
        keys: '?',
        run: () => (open.panel.value = 'keys'),
      },
      {
        id: 'palette',
        label: 'All commands',
        group: 'Look',
        icon: 'i-lucide-command',
        keys: 'meta_k',
        fromFields: true,
        run: () => (open.panel.value = 'palette'),
      },
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
  const available = computed(() => commands.value.filter((_, i) => shown.value !== null || 'run' in table.value[i]!))
  return { commands, available }
}

/** A chord as keys to show: "meta_shift_z" is Ctrl, Shift, Z. */
export const keysShown = (chord: string): string[] =>
  chord === '?' ? ['?'] : chord.split('_').map((key) => (key.length === 1 ? key.toUpperCase() : key))
