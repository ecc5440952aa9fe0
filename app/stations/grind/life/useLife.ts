import { computed } from 'vue'
import { bladeLife, thinningOf, type AfterSharpenings } from '#core/steel/removal/life'
import { withMicroBevel } from '#core/steel/removal/microBevel'
import { thickEnoughMm } from '#core/steel/removal/plan'
import { isStrop } from '#core/steel/stones/orders'
import { strokesToRemove } from '#core/steel/stones/rate'
import { pastWidths } from '#core/log/pastWidths'
import { steelStrokes } from '#core/log/steelStrokes'
import { lastOf } from '#core/math/list'
import { zoneAt } from '#core/records/blade/zones'
import { useMicroBevel } from '../plan/useMicroBevel'
import { usePlan } from '../plan/usePlan'
import { useEarlierOfBlade } from '~/composables/useEarlierOfBlade'
import { useJob } from '~/job/useJob'
import type { LifeDue } from '~/words/lifeText'

/** Sharpenings after this job that are drawn, and places of the chart's lines. */
export const MORE = 10
const CHARTED = 40
/** The chart ends at a round number. */
const ROUND = 60
const MOST_CHARTED = 960

/** One state of the blade: as it is, after this job, or after some more. */
export interface LifeStage extends AfterSharpenings {
  readonly look: 'now' | 'then' | 'later'
}

/** What sharpening does to the side that is up, at the place of the edge that is too thick first. */
export function useLife() {
  const job = useJob()
  const { ground, before, box, rateOf } = usePlan()
  const { bySide } = useMicroBevel()
  const oneSided = computed(() => job.blade.value.bevels === 'A')
  /** Null where the side gets no bevel, or cannot be ground. */
  const side = computed(() =>
    ground.value.ok ? (ground.value.sides.find((one) => one.side === job.side.value) ?? null) : null,
  )
  /** Thickness behind the edge in all: of a blade with two bevels both halves, mm. */
  const whole = (mm: number) => (oneSided.value ? mm : 2 * mm)
  /** Thicker than this, in all, it is too thick for its angle. */
  const mostMm = computed(() => thickEnoughMm(job.wantedDeg.value))
  const mostOfSideMm = computed(() => (oneSided.value ? mostMm.value : mostMm.value / 2))

  const due = computed((): LifeDue | null => {
    if (!side.value) return null
    const { thinningMm3, left: sharpenings, firstDue } = side.value
    if (thinningMm3 > 0) return { is: 'thin-now' }
    const next = bladeLife(firstDue.place, [sharpenings + 1])[0]
    const tooThick = next !== undefined && next.thicknessMm > mostOfSideMm.value
    return { is: tooThick ? 'thin-later' : 'used-up', sharpenings }
  })
  /** The micro-bevel of the side that is up, ground anew at each sharpening; null where none is wanted. */
  const micro = computed(() => bySide.value?.[job.side.value] ?? null)
  const stages = computed((): LifeStage[] => {
    if (!side.value) return []
    const looks = ['now', 'then', 'later'] as const
    return bladeLife(side.value.firstDue.place, [0, 1, 1 + MORE]).map((after, i) => ({
      ...after,
      section: micro.value && i > 0 ? withMicroBevel(after.section, micro.value.deg) : after.section,
      look: looks[i]!,
    }))
  })
  const charted = computed(() => {
    if (!side.value) return []
    const most = Math.min(MOST_CHARTED, Math.max(ROUND, Math.ceil((1.3 * side.value.left) / ROUND) * ROUND))
    const counts = Array.from({ length: CHARTED + 1 }, (_, i) => Math.round((i * most) / CHARTED))
    return bladeLife(side.value.firstDue.place, counts)
  })
  const earlier = useEarlierOfBlade()
  /** Bevels that were measured about the same place, by how many sharpenings from now on; before it: below 0. */
  const measured = computed(() => {
    if (!side.value) return []
    const zoneOf = (placeMm: number) => zoneAt(job.zones.value, placeMm)
    const here = zoneOf(side.value.firstDue.fromHeelMm)
    // What was tested or proved since it was ground is the bevel of now; else this job's sharpening is still to come.
    const isAhead = before.value.from !== 'tests' && before.value.from !== 'proof'
    const isGround = steelStrokes(job.entriesOfBlade.value).some((one) => one.side === job.side.value)
    const made = isAhead && isGround ? 1 : 0
    return pastWidths([...earlier.value, ...job.entriesOfBlade.value], job.side.value)
      .filter(({ placeMm }) => zoneOf(placeMm) === here)
      .map((one) => ({ ...one, sharpenings: made - one.sharpeningsSince }))
  })
  /** How it is thinned, where that is due, with the coarsest stone of the box; null where it is not. */
  const thinning = computed(() => {
    if (!side.value || due.value?.is !== 'thin-now') return null
    const stones = box.value.filter((stone) => !isStrop(stone)).toSorted((a, b) => a.grainUm - b.grainUm)
    const stone = stones.length > 0 ? lastOf(stones) : null
    return {
      ...thinningOf(side.value.firstDue.place, mostOfSideMm.value),
      removedMm3: side.value.thinningMm3,
      stone,
      strokes: stone && strokesToRemove(side.value.thinningMm3, rateOf(stone)),
    }
  })
  return { ground, oneSided, side, whole, mostMm, due, micro, stages, charted, measured, thinning }
}
