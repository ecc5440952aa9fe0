import { computed } from 'vue'
import { MM_PER_INCH } from '#core/units/length'
import { tipStop } from '#core/hold/holdChecks'
import type { Side } from '#core/clamping/centring'
import { markUnderLandmark } from '#core/hold/landmark'
import type { Setup } from '#core/setup/setup'
import type { Stone } from '#core/stone/stone'
import { adviseDial } from '#core/dial/advised'
import { cardPage, type CardContent } from '~/card/cardPage'
import { useJob } from '~/job/useJob'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { dialText } from '~/words/dialText'
import { lengthText } from '~/words/lengthText'
import { middleMark, stopAt } from '~/words/placementText'

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

/** The line to lay a rule on: a round length in the user's unit. */
const CHECK = {
  mm: { checkText: 'This line must measure 100 mm on paper.', checkMm: 100 },
  in: { checkText: 'This line must measure 4 in on paper.', checkMm: 4 * MM_PER_INCH },
} as const
const NOTES = [
  'Lay the blade on the drawing: heel and spine on the lines, the dashed cross on the middle of the jaws’ front.',
  'Gloves on while clamping and wiping; hands behind the edge; no stroke past the tip.',
]

/** The clamp card of the job: all that has to be set to have it the same again. */
export function useCard() {
  const job = useJob()
  const { actions } = job
  const collections = useCollections()
  const preferences = usePreferences()

  const content = computed<CardContent>(() => {
    const [setup, evaluation, kept] = [job.setup.value, job.dialFor.value, job.content.value]
    const { rig, blade, hold } = setup
    const text = (mm: number) => lengthText(mm, preferences.unit)
    const dial = (stone: Stone, side: Side) => {
      if (blade.bevels === 'A' && side === 'B') return 'flat'
      const advice = adviseDial({ ...setup, stone }, side, kept.wanted.deg[side], evaluation.station)
      return advice.ok ? dialText(rig, advice.setting, preferences.unit) : 'not possible'
    }
    const chosen = collections.stones.filter((stone) => kept.progression.includes(stone.id))
    const stones = chosen.length > 0 ? chosen : [setup.stone]
    const stop = tipStop(setup, job.stations.value)
    const names = preferences.current.sideNames
    const today = new Date().toLocaleDateString('sv')
    const restsOn = stopAt(rig, hold.bladeYMm)
    const turn = `${angleText(Math.abs(hold.turnDeg))} tip ${hold.turnDeg > 0 ? 'out' : 'in'}`
    return {
      title: kept.name,
      subtitle: [blade.name, rig.name, kept.jawsName ?? rig.jaws?.name, today].filter(Boolean).join(' · '),
      facts: [
        ['Heel to the jaws’ middle', text(actions.heelToMiddle(hold))],
        [restsOn ? 'Spine rests on' : 'Depth in the jaws', restsOn ?? text(hold.bladeYMm)],
        ...markFact(setup, actions.heelToMiddle(hold), text),
        ['Turn', Math.abs(hold.turnDeg) < 0.05 ? 'none' : turn],
        ['Blade height', text(evaluation.bladeHeightMm)],
        ['Wanted, per side', `${angleText(kept.wanted.deg.A)} ${names.A}`],
        ['', blade.bevels === 'A' ? '' : `${angleText(kept.wanted.deg.B)} ${names.B}`],
        ['Stone’s middle stops at', text(stop.alongMm)],
        ['Its free edge then at', text(stop.freeEdgeMm)],
      ],
      stones: stones.map((stone) => [stone.name, dial(stone, 'A'), dial(stone, 'B')] as const),
      sideNames: [names.A, names.B],
      notes: [kept.wanted.why, ...NOTES].filter(Boolean),
      ...CHECK[preferences.unit],
    }
  })
  const page = computed(() => cardPage(job.setup.value, content.value))

  return { page }
}
