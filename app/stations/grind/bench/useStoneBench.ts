import { computed } from 'vue'
import { ofKind } from '#core/log/activeEntries'
import { adviseDial } from '#core/geometry/dial/advised'
import { SAME_ANGLE_DEG } from '#core/process/steps/grinding'
import { otherSide } from '#core/records/common/side'
import { usePlan } from '../plan/usePlan'
import { useStoneOrder } from '../useStoneOrder'
import { useTally } from './useTally'
import { useJob } from '~/job/useJob'

/** One stone and one side at a time: what is dialled, what the stone has to do, the count, the burr, the next stone. */
export function useStoneBench() {
  const job = useJob()
  const { current, before } = usePlan()
  const { swaps } = useStoneOrder()
  const tally = useTally()
  const { countOf, commit } = tally
  const { side, sides, stone } = job

  /** The stones of the job in their order, and where in it the one on the rod stands; -1 where it does not. */
  const stones = computed(() => swaps.value.map((swap) => swap.stone))
  const at = computed(() => stones.value.findIndex(({ id }) => id === stone.value.id))
  const next = computed(() => (at.value < 0 ? stones.value[0] : stones.value[at.value + 1]))
  const work = computed(() => current.value?.works.find((one) => one.stone.id === stone.value.id) ?? null)
  const forecast = computed(() => work.value?.sides.find((one) => one.side === side.value)?.strokes ?? null)

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

  /** The last time that this stone was said to have done its work; null where it was ground with since. */
  const lastDone = computed(() =>
    ofKind(job.entriesOfBlade.value, 'stone-done').findLast((one) => one.stoneId === stone.value.id),
  )
  const strokesSince = computed(() => sides.value.map((one) => countOf(one, stone.value.id, lastDone.value?.at)))
  const done = computed(() => lastDone.value !== undefined && strokesSince.value.every((strokes) => strokes === 0))
  const ground = computed(() => sides.value.every((one) => countOf(one, stone.value.id) > 0))
  /** Nine of ten such jobs take more strokes than these: it is hardly done before. */
  const mayBeDone = computed(() =>
    sides.value.every((one) => {
      const least = work.value?.sides.find((its) => its.side === one)?.strokes.least ?? 1
      return countOf(one, stone.value.id) >= least
    }),
  )

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
  /** This stone has done its work: it goes to its record, and the next one is put on. */
  function finish() {
    commit()
    const steelMm3 = work.value?.sides.reduce((sum, { removedMm3 }) => sum + removedMm3, 0) ?? 0
    // What was taken off a bevel that nobody knew says nothing of the stone.
    const isKnown = steelMm3 > 0 && (work.value?.task !== 'shape' || before.value.from !== 'assumed')
    const strokes = strokesSince.value.reduce((sum, one) => sum + one, 0)
    const removedMm3 = isKnown ? steelMm3 : null
    job.session.record('stone finished', [{ ...job.newEntry(), kind: 'stone-done', removedMm3, strokes }])
    putOnNext()
  }
  function putOnNext() {
    commit()
    if (next.value) job.actions.chooseStone(next.value.id)
  }

  return {
    ...{ stones, at, next, work, forecast },
    ...{ advice, set, dialled, setting, riseMm, dialIt },
    ...{ done, ground, mayBeDone, finish, putOnNext },
    ...{ burr, burrSide, noteBurr, longPast, turnOver },
    ...tally,
  }
}
