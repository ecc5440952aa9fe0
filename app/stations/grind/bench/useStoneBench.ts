import { computed } from 'vue'
import { ofKind } from '#core/log/activeEntries'
import { adviseDial } from '#core/geometry/dial/advised'
import { SAME_ANGLE_DEG } from '#core/process/steps/grinding'
import { otherSide, type Side } from '#core/records/common/side'
import { useStoneDone } from '../useStoneDone'
import { useStoneOrder } from '../useStoneOrder'
import { useTally } from './useTally'
import { useJob } from '~/job/useJob'
import { useNextStep } from '~/job/useNextStep'

/** One stone and one side at a time: what is dialled, what the stone has to do, the count, the burr, the next stone. */
export function useStoneBench() {
  const job = useJob()
  const { steps } = useNextStep()
  const { work, workOn, recordDone } = useStoneDone()
  const { swaps } = useStoneOrder()
  const tally = useTally()
  const { countOf, commit } = tally
  const { side, sides, stone } = job

  /** The stones of the job in their order, and where in it the one on the rod stands; -1 where it does not. */
  const stones = computed(() => (swaps.value.length > 0 ? swaps.value.map((swap) => swap.stone) : [stone.value]))
  const at = computed(() => stones.value.findIndex(({ id }) => id === stone.value.id))
  const next = computed(() => (at.value < 0 ? stones.value[0] : stones.value[at.value + 1]))
  const forecast = computed(() => workOn(side.value)?.strokes ?? null)

  const advice = computed(() =>
    adviseDial(job.setup.value, side.value, job.wantedDeg.value, job.dialFor.value.edgePoint),
  )
  const set = computed(() => job.dialFor.value.sides[side.value])
  /** A hand has dialled this side, near enough to what is wanted or as near as the rig comes: only then it counts. */
  const dialled = computed(() => {
    if (job.dialled.value[side.value].is !== 'noted' || !set.value.ok || !sides.value.includes(side.value)) return false
    const offDeg = Math.abs(set.value.contact.edgeAngleDeg - job.wantedDeg.value)
    return offDeg <= Math.max(SAME_ANGLE_DEG, advice.value.ok ? Math.abs(advice.value.offDeg) : 0)
  })
  /** What is dialled, or is to be. */
  const setting = computed(() =>
    dialled.value ? job.actions.dialledNow() : advice.value.ok ? advice.value.setting : null,
  )
  /** How far the pivot rises from the stone before, mm; null for the first. */
  const riseMm = computed(() => (at.value > 0 ? (swaps.value[at.value]?.riseFromBeforeMm ?? null) : null))
  /** Notes the advised setting as dialled. Answers what is wrong with it. */
  const dialIt = () => (advice.value.ok ? job.actions.noteDialled(advice.value.setting) : null)

  /** The sides on which a person said that this stone has done its work, in the position that the blade is held in. */
  const doneOn = computed(() =>
    sides.value.filter((one) =>
      steps.value.some(
        ({ id, side: of, stoneId, position, state }) =>
          id === 'grind' &&
          of === one &&
          stoneId === stone.value.id &&
          (position === null || position === job.setNow.value.position) &&
          state.is === 'done',
      ),
    ),
  )
  const isDone = (one: Side) => doneOn.value.includes(one)
  /** The other side, where this stone has work to do on it. */
  const openSide = computed(() => sides.value.find((one) => one !== side.value && !isDone(one)) ?? null)
  const ground = computed(() => countOf(side.value, stone.value.id) > 0)
  /** Nine of ten such jobs take more strokes than these: it is hardly done before. */
  const mayBeDone = computed(() => countOf(side.value, stone.value.id) >= (forecast.value?.least ?? 1))

  /** A burr rises on the side that is not ground. */
  const burrSide = computed(() => otherSide(side.value))
  const burr = computed(
    () => ofKind(job.entriesOfBlade.value, 'sharpness').findLast((one) => one.burr !== null) ?? null,
  )
  function noteBurr(found: 'felt' | 'none') {
    commit()
    const entry = { ...job.session.newEntry(), test: 'burr' as const, zones: [], forcesG: [], burrZones: [] }
    job.session.record('burr', [{ ...entry, kind: 'sharpness', burr: found === 'none' ? 'none' : burrSide.value }])
  }
  /** More strokes than nine of ten such jobs take, and no burr. */
  const longPast = computed(
    () =>
      work.value?.task === 'shape' &&
      forecast.value !== null &&
      countOf(side.value, stone.value.id) > forecast.value.most &&
      (burr.value === null || burr.value.burr === 'none'),
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
  function putOnNext() {
    commit()
    if (next.value) job.actions.chooseStone(next.value.id)
  }

  return {
    ...{ stones, at, next, work, forecast },
    ...{ advice, set, dialled, setting, riseMm, dialIt },
    ...{ isDone, openSide, ground, mayBeDone, finish, putOnNext },
    ...{ burr, burrSide, noteBurr, longPast, turnOver },
    ...tally,
  }
}
