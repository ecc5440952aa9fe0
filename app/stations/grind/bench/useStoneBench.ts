import { computed } from 'vue'
import { adviseDial } from '#core/geometry/dial/advised'
import { expectedReadingDeg } from '#core/geometry/gauge/expectedReading'
import { gaugeUseOf } from '#core/records/job/job'
import { SAME_ANGLE_DEG } from '#core/process/steps/grinding'
import { isOpen } from '#core/process/steps/step'
import { otherSide, type Side } from '#core/records/common/side'
import { useHabits } from '../useHabits'
import { useStoneDone } from '../useStoneDone'
import { useStoneOrder } from '../useStoneOrder'
import { useEdgeWorked } from './useEdgeWorked'
import { useTally } from './useTally'
import { useJob } from '~/job/useJob'
import type { StoneOn } from '~/job/state'
import type { JobView } from '~/job/view'
import { useNextStep } from '~/job/useNextStep'

/** Who alternates sides turns over after so many strokes. */
const ALTERNATE_EVERY = 10

/** One stone and one side at a time: what is dialled, what the stone has to do, the count, the burr, the next stone. */
export const useStoneBench = () => useJob().share(stoneBench)

function stoneBench(job: JobView) {
  const { steps, next: nextStep } = useNextStep()
  const { work, workOn, lastDone, recordDone, takeBackDone } = useStoneDone()
  const { swaps } = useStoneOrder()
  const { habits } = useHabits()
  const tally = useTally()
  const { burrIn, burrSide, kinds, noteBurr } = useEdgeWorked()
  const { countOf, commit } = tally
  const { side, sides, stone } = job

  /** The stones of the job in their order, and where in it the one on the rod stands; -1 where it does not. */
  const { uses, onRod } = job
  const at = computed(() =>
    uses.value.findIndex((one) => one.stone.id === stone.value.id && one.forMicroBevel === onRod.value.forMicroBevel),
  )
  const next = computed(() => (at.value < 0 ? uses.value[0] : uses.value[at.value + 1]))
  const forecast = computed(() => workOn(side.value)?.strokes ?? null)

  const advice = computed(() =>
    adviseDial(job.setup.value, side.value, job.toSetDeg.value, job.dialFor.value.edgePoint),
  )
  const set = computed(() => job.dialFor.value.sides[side.value])
  /** A hand has dialled this side, near enough to what is wanted or as near as the rig comes: only then it counts. */
  const dialled = computed(() => {
    if (job.dialled.value[side.value].is !== 'noted' || !set.value.ok || !sides.value.includes(side.value)) return false
    const offDeg = Math.abs(set.value.contact.edgeAngleDeg - job.toSetDeg.value)
    return offDeg <= Math.max(SAME_ANGLE_DEG, advice.value.ok ? Math.abs(advice.value.offDeg) : 0)
  })
  const hasBevel = computed(() => sides.value.includes(side.value))
  /** Counts strokes; before the side is dialled, none. */
  function press(strokes: number) {
    if (dialled.value) tally.add(strokes)
  }
  /** What is dialled, or is to be. */
  const setting = computed(() =>
    dialled.value ? job.actions.dialledNow() : advice.value.ok ? advice.value.setting : null,
  )
  /** What a level gauge on the stone must read at the place that the dial is for, degrees. */
  const mustReadDeg = computed(() =>
    set.value.ok
      ? expectedReadingDeg(job.setup.value, side.value, set.value.contact, gaugeUseOf(job.content.value))
      : null,
  )
  /** How far the pivot rises from the stone before, mm; null for the first. */
  const riseMm = computed(() => (at.value > 0 ? (swaps.value[at.value]?.riseFromBeforeMm ?? null) : null))
  /** Notes the advised setting as dialled. Answers what is wrong with it. */
  const dialIt = () => (advice.value.ok ? job.actions.noteDialled(advice.value.setting) : null)

  /** The steps of a stone for one of its uses, side by side, in the position that the blade is held in. */
  const grindSteps = (use: StoneOn) =>
    steps.value.filter(
      (one) =>
        one.id === 'grind' &&
        one.stoneId === use.stone.id &&
        one.forMicroBevel === use.forMicroBevel &&
        (one.position === null || one.position === job.setNow.value.position),
    )
  /** Whether a person said of a side that this stone has done its work on it. */
  const isDone = (one: Side) => grindSteps(onRod.value).some(({ side: of, state }) => of === one && state.is === 'done')
  /** A stone that comes before this one in the order, and has work to do yet. */
  const comesFirst = computed(() =>
    uses.value.slice(0, Math.max(0, at.value)).find((use) => grindSteps(use).some(({ state }) => isOpen(state))),
  )
  /** The other side, where this stone has work to do on it. */
  const openSide = computed(() => sides.value.find((one) => one !== side.value && !isDone(one)) ?? null)
  const fullCount = computed(() => countOf(side.value))
  const burrIsNext = computed(() => nextStep.value?.id === 'burr')
  const mayTurn = computed(
    () =>
      habits.value.burr === 'alternate' &&
      sides.value.length > 1 &&
      fullCount.value - countOf(otherSide(side.value)) >= ALTERNATE_EVERY,
  )
  /** Its sign is there, a burr all along; or so many strokes that it may be: nine of ten such jobs take more. */
  const mayBeDone = computed(
    () =>
      (work.value?.task === 'shape' && burrIn.value.length === kinds.value.length) ||
      fullCount.value >= (forecast.value?.least ?? 1),
  )

  /** More strokes than nine of ten such jobs take, and no burr. */
  const longPast = computed(
    () =>
      work.value?.task === 'shape' &&
      forecast.value !== null &&
      fullCount.value > forecast.value.most &&
      burrIn.value.length === 0,
  )

  function turnOver() {
    commit()
    job.turnOver()
  }
  /** This stone has done its work on this side: the other one comes up, or the next stone is put on. */
  function finish() {
    commit()
    const other = openSide.value
    recordDone([side.value])
    if (other) turnOver()
    else putOnNext()
  }
  /** Where somebody said it of this side: it is not done after all. */
  const mayTakeBackDone = computed(() => lastDone(side.value) !== undefined && isDone(side.value))
  const notDone = () => takeBackDone(side.value)
  function putOn({ stone: { id }, forMicroBevel }: StoneOn) {
    commit()
    job.actions.chooseStone(id, forMicroBevel)
  }
  const putOnNext = () => void (next.value && putOn(next.value))

  return {
    ...{ uses, at, next, work, forecast },
    ...{ hasBevel, press, fullCount },
    ...{ advice, set, dialled, setting, mustReadDeg, riseMm, dialIt },
    ...{ isDone, comesFirst, openSide, mayTurn, mayBeDone, finish, mayTakeBackDone, notDone, putOn, putOnNext },
    ...{ burrSide, noteBurr, burrIsNext, kinds, longPast, turnOver },
    ...tally,
  }
}
