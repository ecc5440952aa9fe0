import { computed } from 'vue'
import equal from 'fast-deep-equal'
import { adviseCollar, adviseDial } from '#core/geometry/dial/advised'
import { ofKind } from '#core/log/activeEntries'
import { isOfUse } from '#core/log/stoneDone'
import { strokesMade } from '#core/log/strokesMade'
import { bevelBefore } from '#core/process/decision/bevelBefore'
import { toGrind } from '#core/process/decision/toGrind'
import { SAME_ANGLE_DEG } from '#core/process/steps/grinding'
import {
  finisher,
  FINISH_UM,
  isStrop,
  ordersFor,
  stoneOrder,
  type OrderAsk,
  type OrderKind,
} from '#core/steel/stones/orders'
import type { StoneRecord } from '#core/records/storage/kinds'
import type { Chip } from '#core/records/job/job'
import { useChip } from './useChip'
import { useMicroBevel } from './useMicroBevel'
import { useEarlierOfBlade } from '~/composables/useEarlierOfBlade'
import { useInk } from '~/composables/useInk'
import { useStoneRates } from '~/composables/useStoneRates'
import { useJob } from '~/job/useJob'
import type { StoneOn } from '~/job/state'
import type { JobView } from '~/job/view'

/** A way to the finish: one that is offered, or the one that was chosen. */
export type Way = OrderKind | 'chosen'

/** The stones for what is there and what is wanted: ways to the finish, each in full, and the one that is chosen. */
export function usePlan() {
  return useJob().share(plan)
}

function plan(job: JobView) {
  const ink = useInk()
  const { rateOf, pace } = useStoneRates()
  const { chip, backMm } = useChip()
  const micro = useMicroBevel()
  const finish = computed(() => job.content.value.finish)
  const box = computed(() => job.stones.value.filter(({ archivedAt }) => archivedAt === null))
  const chosen = computed(() =>
    job.content.value.progression.flatMap((id) => job.stones.value.find((stone) => stone.id === id) ?? []),
  )

  const earlier = useEarlierOfBlade()
  const before = computed(() =>
    bevelBefore(
      job.entriesOfBlade.value,
      earlier.value,
      ink.zones.value,
      job.sides.value.map((side) => ({
        side,
        wantedDeg: job.content.value.wanted.deg[side],
        tests: ink.foundOn(side),
      })),
    ),
  )
  /** The steel and the face of each side where its apex goes back so far; or why a side cannot be ground. */
  const groundBack = (lostMm: number) =>
    toGrind({
      setup: job.setup.value,
      edgePoint: job.dialFor.value.edgePoint,
      zones: ink.zones.value,
      sides: before.value.sides,
      lostMm,
    })
  const ground = computed(() => groundBack(backMm()))
  /** What grinding the chips out takes off both sides, mm³: at once, and each of several times; null without a chip. */
  const chipSteelMm3 = computed((): Record<Chip['over'], number> | null => {
    if (!chip.value) return null
    const all = (over: Chip['over']) => {
      const back = groundBack(backMm(over))
      return back.ok ? back.sides.reduce((sum, { removedMm3 }) => sum + removedMm3, 0) : null
    }
    const [once, three] = [all('once'), all('three')]
    return once === null || three === null ? null : { once, three }
  })
  /** How far the nearest setting of a stone is off the wanted angle, on the worse side; null where there is none. */
  const offOf = (stone: StoneRecord): number | null => {
    const offs = job.sides.value.map((side) => {
      const setup = { ...job.setup.value, stone }
      const toSetDeg = job.toSetOn(side, { stone, forMicroBevel: false })
      const dial = adviseDial(setup, side, toSetDeg, job.dialFor.value.edgePoint)
      return dial.ok ? dial.offDeg : null
    })
    return offs.reduce((worst, off) =>
      worst === null || off === null || Math.abs(worst) > Math.abs(off) ? worst : off,
    )
  }
  const dialable = computed(() => box.value.map((stone) => ({ stone, offDeg: offOf(stone) })))
  const isNear = (offDeg: number | null) => offDeg !== null && Math.abs(offDeg) <= SAME_ANGLE_DEG
  /** Stones that are offered: those that this rig can dial near enough, unless that leaves nothing to grind with. */
  const offered = computed(() => {
    const near = dialable.value.filter(({ offDeg }) => isNear(offDeg)).map(({ stone }) => stone)
    return near.some((stone) => !isStrop(stone)) ? near : box.value
  })
  const leftOut = computed(() => dialable.value.filter(({ stone }) => !offered.value.includes(stone)))
  const ask = computed((): OrderAsk<StoneRecord> | null =>
    ground.value.ok
      ? { sides: ground.value.sides, rateOf, pace: pace.value, box: offered.value, microBevel: micro.asked.value }
      : null,
  )

  const ways = computed(() => {
    const asked = ask.value
    if (!asked) return []
    const found: { kind: Way; order: readonly StoneRecord[] }[] = ordersFor(asked, finish.value)
    const ids = (order: readonly StoneRecord[]) => order.map(({ id }) => id)
    const own = chosen.value
    const isOffered = found.some(({ order }) => equal(ids(order), ids(own)))
    const all = own.length > 0 && !isOffered ? [...found, { kind: 'chosen' as const, order: own }] : found
    return all.map(({ kind, order }) => ({
      kind,
      order,
      ...stoneOrder(order, asked),
      isChosen: equal(ids(order), ids(own)),
    }))
  })
  /** What the stones of the job come to, whatever finish is asked for; null where none are chosen. */
  const current = computed(() => (ask.value && chosen.value.length > 0 ? stoneOrder(chosen.value, ask.value) : null))
  /** What was done with a stone so far: full strokes of each side, and the minutes; null where nothing was. */
  function madeWith({ stone, forMicroBevel }: StoneOn) {
    const use = { stoneId: stone.id, forMicroBevel }
    const strokes = ofKind(job.entriesOfBlade.value, 'strokes').filter((one) => isOfUse(one, use))
    const [made] = strokesMade(strokes)
    if (!made) return null
    const timed = ofKind(job.entriesOfBlade.value, 'stone-done').filter((one) => isOfUse(one, use))
    const minutes = timed.reduce((sum, one) => sum + (one.minutes ?? 0), 0)
    return { full: made.full, minutes: minutes > 0 ? minutes : null }
  }
  /** The same stone by stone, with what to dial for each on the side that is up, and what helps where it is far off. */
  const works = computed(() =>
    (current.value?.works ?? []).map((work) => {
      const forMicroBevel = work.task === 'micro-bevel'
      const use = { stone: work.stone, forMicroBevel }
      const toSetDeg = job.toSetOn(job.side.value, use)
      const ask = [
        { ...job.setup.value, stone: work.stone },
        job.side.value,
        toSetDeg,
        job.dialFor.value.edgePoint,
      ] as const
      const dial = adviseDial(...ask)
      const asMicroBevel = forMicroBevel ? (micro.bySide.value?.[job.side.value] ?? null) : null
      const planned = {
        ...work,
        toSetDeg,
        micro: asMicroBevel,
        isOnRod: equal(use, job.onRod.value),
        made: madeWith(use),
      }
      if (!dial.ok) return { ...planned, dial: null, refusal: dial, farOff: null }
      const isFar = Math.abs(dial.offDeg) > SAME_ANGLE_DEG
      return {
        ...planned,
        dial,
        refusal: null,
        farOff: isFar ? { offDeg: dial.offDeg, collar: adviseCollar(...ask) } : null,
      }
    }),
  )
  const last = computed(() => finisher(offered.value, finish.value))
  const fineEnough = computed(() => last.value !== null && last.value.grainUm <= FINISH_UM[finish.value])

  const take = (order: readonly StoneRecord[]) =>
    job.change(`stones: ${order.map(({ name }) => name).join(', ')}`, { progression: order.map(({ id }) => id) })
  return {
    finish,
    box,
    chosen,
    before,
    weighing: ink.weighing,
    ground,
    ask,
    chipSteelMm3,
    ways,
    current,
    works,
    leftOut,
    last,
    fineEnough,
    rateOf,
    take,
  }
}
