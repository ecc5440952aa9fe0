import { computed, ref } from 'vue'
import { createSharedComposable } from '@vueuse/core'
import { ANGLES, stationAt, STATIONS, stationPath, type AngleId } from '~/stations'
import { useCollections } from '~/stores/collections'
import { useJob } from '~/stores/job'
import { usePreferences } from '~/stores/preferences'
import { useBench } from './useBench'
import { useBenchActions } from './useBenchActions'

export interface Command {
  id: string
  /** What it does, as the palette and the list of keys say it. */
  label: string
  group: 'Go' | 'Angles' | 'Bench' | 'Setup' | 'Look'
  icon: string
  /** A key or a chord as the interface kit writes it (meta_k, shift_d). */
  keys?: string
  /** Only while a job is open. */
  needsJob?: boolean
  /** Its keys work while a field is being typed in, too. */
  fromFields?: boolean
  run: () => void
}

/** Which panel stands open over the bench. */
export const useOpenPanel = createSharedComposable(() => ({
  panel: ref<'palette' | 'keys' | 'preferences' | null>(null),
  angle: ref<AngleId | null>(null),
}))

/** Puts the keyboard on a control that carries this data-focus name. */
const focusOn = (name: string) => document.querySelector<HTMLElement>(`[data-focus="${name}"]`)?.focus()

/** Everything that can be done by key or palette, in one table. */
export function useCommands() {
  const job = useJob()
  const collections = useCollections()
  const preferences = usePreferences()
  const bench = useBench()
  const actions = useBenchActions()
  const open = useOpenPanel()
  const colorMode = useColorMode()
  const router = useRouter()

  const onClamp = async (name: string) => {
    if (!job.id) return
    await router.push(stationPath(job.id, 'clamp'))
    setTimeout(() => focusOn(name), 50)
  }

  /** To the sheet beside the one that is open, round and round. */
  function turnSheet(by: number) {
    const at = stationAt(router.currentRoute.value.path)
    const sheets = at?.station.sheets ?? []
    if (!at || !job.id || sheets.length === 0) return
    const next = sheets[(sheets.findIndex((sheet) => sheet.id === at.sheetId) + by + sheets.length) % sheets.length]!
    void router.push(stationPath(job.id, at.station.id, next.id))
  }

  async function startJob() {
    const started = await collections.startJob()
    if (started) await router.push(stationPath(started.id, 'rig'))
  }

  const commands = computed<Command[]>(() => {
    const needsJob = true
    return [
      ...STATIONS.map((s): Command => ({
        id: `go-${s.id}`,
        label: `${s.word} station`,
        group: 'Go',
        icon: 'i-lucide-milestone',
        keys: s.key,
        needsJob,
        run: () => void (job.id && router.push(stationPath(job.id, s.id))),
      })),
      ...STATIONS.flatMap((s) =>
        s.sheets
          .filter((sheet) => sheet.id !== '')
          .map((sheet): Command => ({
            id: `sheet-${sheet.id}`,
            label: sheet.word,
            group: 'Go',
            icon: 'i-lucide-file',
            needsJob,
            run: () => void (job.id && router.push(stationPath(job.id, s.id, sheet.id))),
          })),
      ),
      {
        id: 'sheet-before',
        label: 'The sheet before',
        group: 'Go',
        icon: 'i-lucide-chevron-left',
        keys: '[',
        needsJob,
        run: () => turnSheet(-1),
      },
      {
        id: 'sheet-next',
        label: 'The next sheet',
        group: 'Go',
        icon: 'i-lucide-chevron-right',
        keys: ']',
        needsJob,
        run: () => turnSheet(1),
      },
      {
        id: 'go-home',
        label: 'All jobs',
        group: 'Go',
        icon: 'i-lucide-list',
        keys: '0',
        run: () => void router.push('/'),
      },
      {
        id: 'new-job',
        label: 'Start a job',
        group: 'Setup',
        icon: 'i-lucide-plus',
        keys: 'n',
        run: () => void startJob(),
      },
      ...ANGLES.map((a): Command => ({
        id: `angle-${a.id}`,
        label: a.id === 'set' ? 'How sure is the set angle?' : `Enter the ${a.word.toLowerCase()} angle`,
        group: 'Angles',
        icon: a.id === 'set' ? 'i-lucide-scale' : 'i-lucide-pencil-line',
        keys: a.key,
        needsJob,
        run: () => (open.angle.value = a.id),
      })),
      {
        id: 'turn-over',
        label: 'Turn to the other side',
        group: 'Bench',
        icon: 'i-lucide-flip-vertical-2',
        keys: 's',
        needsJob,
        run: () => bench.turnOver(),
      },
      {
        id: 'dial-up',
        label: 'Dial one mark up',
        group: 'Bench',
        icon: 'i-lucide-chevron-up',
        keys: 'u',
        needsJob,
        run: () => void actions.stepDial(1),
      },
      {
        id: 'dial-down',
        label: 'Dial one mark down',
        group: 'Bench',
        icon: 'i-lucide-chevron-down',
        keys: 'j',
        needsJob,
        run: () => void actions.stepDial(-1),
      },
      {
        id: 'dial-it',
        label: 'Dial what is advised',
        group: 'Bench',
        icon: 'i-lucide-check',
        keys: 'd',
        needsJob,
        run: () => void onClamp('dial-it'),
      },
      {
        id: 'pivot-height',
        label: 'Pivot height',
        group: 'Bench',
        icon: 'i-lucide-ruler',
        keys: 'h',
        needsJob,
        run: () => void onClamp('pivot-height'),
      },
      {
        id: 'blade-height',
        label: 'Blade height',
        group: 'Bench',
        icon: 'i-lucide-ruler',
        keys: 'b',
        needsJob,
        run: () => void onClamp('blade-height'),
      },
      {
        id: 'clamp-position',
        label: 'Clamp position',
        group: 'Bench',
        icon: 'i-lucide-ruler',
        keys: 'c',
        needsJob,
        run: () => void onClamp('clamp-position'),
      },
      {
        id: 'turn',
        label: 'Turn in the jaws',
        group: 'Bench',
        icon: 'i-lucide-rotate-ccw',
        keys: 't',
        needsJob,
        run: () => void onClamp('turn'),
      },
      {
        id: 'look-at',
        label: 'Place along the edge',
        group: 'Bench',
        icon: 'i-lucide-map-pin',
        keys: 'l',
        needsJob,
        run: () => void onClamp('look-at'),
      },
      {
        id: 'undo',
        label: job.canUndo ? `Undo: ${job.canUndo}` : 'Undo',
        group: 'Setup',
        icon: 'i-lucide-undo-2',
        keys: 'meta_z',
        needsJob,
        run: () => job.goBack(),
      },
      {
        id: 'redo',
        label: job.canRedo ? `Do again: ${job.canRedo}` : 'Do again',
        group: 'Setup',
        icon: 'i-lucide-redo-2',
        keys: 'meta_shift_z',
        needsJob,
        run: () => job.goForward(),
      },
      {
        id: 'unit',
        label: preferences.unit === 'mm' ? 'Show inches' : 'Show millimetres',
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
        label: colorMode.value === 'dark' ? 'Day theme' : 'Night theme',
        group: 'Look',
        icon: 'i-lucide-sun-moon',
        run: () => (colorMode.preference = colorMode.value === 'dark' ? 'light' : 'dark'),
      },
      {
        id: 'preferences',
        label: 'Preferences',
        group: 'Look',
        icon: 'i-lucide-sliders-horizontal',
        keys: 'meta_,',
        fromFields: true,
        run: () => (open.panel.value = 'preferences'),
      },
      {
        id: 'keys',
        label: 'Keys',
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

  /** Those that make sense now. */
  const available = computed(() => commands.value.filter((c) => !c.needsJob || job.id !== null))
  return { commands, available, startJob }
}

/** A chord as keys to show: "meta_shift_z" is Ctrl, Shift, Z. */
export const keysShown = (chord: string): string[] =>
  chord === '?' ? ['?'] : chord.split('_').map((key) => (key.length === 1 ? key.toUpperCase() : key))
