import { computed } from 'vue'
import { tipStop } from '#core/hold/holdChecks'
import type { Side } from '#core/clamping/centring'
import { markUnderLandmark } from '#core/hold/landmark'
import type { Setup } from '#core/setup/setup'
import { whatToDial } from '#core/dial/whatToDial'
import { cardPage, type CardContent } from '~/card/cardPage'
import { useCollections } from '~/stores/collections'
import { useJob } from '~/stores/job'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { dialText } from '~/words/dialText'
import { lengthText } from '~/words/lengthText'
import { middleMark, stopAt } from '~/words/placementText'
import { useBench } from './useBench'
import { useBenchActions } from './useBenchActions'

/**
 * The mark that the blade's landmark lies on; else where the mark nearest to the jaws' middle stands on the blade.
 * Nothing on a rig without marks.
 */
function markFact(
  { rig, blade, hold }: Setup,
  heelToMiddleMm: number,
  text: (mm: number) => string,
): [string, string][] {
  const mark = markUnderLandmark(rig, blade, hold)
  if (mark)
    return [[`${blade.landmark!.what[0]!.toUpperCase()}${blade.landmark!.what.slice(1)} on`, `mark ${mark.name}`]]
  const nearest = middleMark(rig)
  return nearest ? [[`Mark ${nearest.name} at, from the heel`, text(heelToMiddleMm + nearest.alongMm)]] : []
}

/** The clamp card of the job: all that has to be set to have it the same again. */
export function useCard() {
  const bench = useBench()
  const job = useJob()
  const actions = useBenchActions()
  const collections = useCollections()
  const preferences = usePreferences()

  const content = computed<CardContent | null>(() => {
    const [things, evaluation, kept] = [bench.setup.value, bench.evaluation.value, job.content]
    if (!things || !evaluation || !kept) return null
    const { rig, blade, hold } = things
    const text = (mm: number) => lengthText(mm, preferences.unit)
    const dial = (stone: typeof things.stone, side: Side) => {
      if (blade.bevels === 'A' && side === 'B') return 'flat'
      const advice = whatToDial(
        { ...things, stone },
        side,
        side === 'A' ? kept.wanted.aDeg : kept.wanted.bDeg,
        evaluation.station,
      )
      return advice.ok ? dialText(rig, advice.setting, preferences.unit) : 'not possible'
    }
    const chosen = collections.stones.filter((stone) => kept.progression.includes(stone.id))
    const stones = chosen.length > 0 ? chosen : [things.stone]
    const stop = tipStop(things, bench.stations.value)
    const names = preferences.current.sideNames
    return {
      title: kept.name,
      subtitle: [blade.name, rig.name, kept.jawsName ?? rig.jaws?.name, new Date().toLocaleDateString('sv')]
        .filter(Boolean)
        .join(' · '),
      facts: [
        ['Heel to the jaws’ middle', text(actions.heelToMiddle(hold))],
        [
          stopAt(rig, hold.bladeYMm) ? 'Spine rests on' : 'Depth in the jaws',
          stopAt(rig, hold.bladeYMm) ?? text(hold.bladeYMm),
        ],
        ...markFact(things, actions.heelToMiddle(hold), text),
        [
          'Turn',
          Math.abs(hold.turnDeg) < 0.05
            ? 'none'
            : `${angleText(Math.abs(hold.turnDeg))} tip ${hold.turnDeg > 0 ? 'out' : 'in'}`,
        ],
        ['Blade height', text(evaluation.bladeHeightMm)],
        ['Wanted, per side', `${angleText(kept.wanted.aDeg)} ${names.A}`],
        ['', blade.bevels === 'A' ? '' : `${angleText(kept.wanted.bDeg)} ${names.B}`],
        ['Stone’s middle stops at', text(stop.alongMm)],
        ['Its free edge then at', text(stop.freeEdgeMm)],
      ],
      stones: stones.map((stone) => [stone.name, dial(stone, 'A'), dial(stone, 'B')] as const),
      sideNames: [names.A, names.B],
      notes: [
        kept.wanted.why,
        'Lay the blade on the drawing: heel and spine on the lines, the dashed cross on the middle of the jaws’ front.',
        'Gloves on while clamping and wiping; hands behind the edge; no stroke past the tip.',
      ].filter(Boolean),
      checkText: 'This line must measure 100 mm on paper.',
    }
  })
  const page = computed(() => (content.value && bench.setup.value ? cardPage(bench.setup.value, content.value) : null))

  return { page }
}
