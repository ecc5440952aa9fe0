import type { Router } from 'vue-router'
import type { StationId } from '#core/process/steps/step'
import type { JobView } from '~/job/view'
import { controlOn } from '~/navigation/controlOn'
import { sheetPath } from '~/navigation/stations'
import type { useCollections } from '~/stores/collections'
import type { CommandEntry } from './command'

/** What hands do at the bench: turn over, dial, move the blade, change the stone. */
export function benchCommands(router: Router, collections: ReturnType<typeof useCollections>): CommandEntry[] {
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
  return [
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
      label: 'Record the advised setting as dialled',
      finds: 'note dialed',
      group: 'Bench',
      icon: 'i-lucide-check',
      keys: 'd',
      onJob: pressOn('clamp', '', 'dial-it'),
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
    ...([-1, 1] as const).map((by): CommandEntry => ({
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
      .map((stone): CommandEntry => ({
        id: `stone-${stone.id}`,
        label: `Put ${stone.name} on the rod`,
        finds: `stone swap change grit ${stone.grit?.number ?? ''}`,
        group: 'Bench',
        icon: 'i-lucide-layers',
        onJob: (job) => void job.actions.chooseStone(stone.id),
      })),
  ]
}
