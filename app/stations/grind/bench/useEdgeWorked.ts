import { computed } from 'vue'
import { contactsAlong } from '#core/geometry/contact/contact'
import { scratchLeanDeg } from '#core/geometry/contact/scratchLean'
import { rodStops } from '#core/geometry/hold/rodStops'
import { rodPoseAt } from '#core/geometry/setup/setup'
import { burrFeltIn, burrMap } from '#core/log/burrMap'
import { ofKind } from '#core/log/activeEntries'
import { isOfUse } from '#core/log/stoneDone'
import { edgePointAt } from '#core/math/curve/edgePoints'
import type { ZoneKind } from '#core/records/blade/zones'
import { otherSide } from '#core/records/common/side'
import { heightOfSetting } from '#core/records/rig/dial'
import { starvedZones, steelAlong, strokesOwed } from '#core/steel/alongEdge/steelAlong'
import { useTally } from './useTally'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'

/** The edge is looked at in so many places. */
const PLACES = 60
/** After fewer full strokes than these nothing is said of starved zones. */
const LEAST_TO_TELL = 10

/** What the stone on the rod did along the edge of the side that is up (steel, scratches, burr), and its stops. */
export const useEdgeWorked = () => useJob().share(edgeWorked)

function edgeWorked(job: JobView) {
  const { strokesOn, commit } = useTally()
  const { side, stone, setup } = job

  const stretch = computed(() => setup.value.worked ?? { fromMm: 0, toMm: job.edgeMm.value })
  const worked = computed(() => ({
    stretch: stretch.value,
    zones: job.zones.value,
    stoneWidthMm: stone.value.widthMm,
  }))
  const strokes = computed(() => strokesOn(side.value))
  const fullStrokes = computed(() => strokes.value.reduce((sum, one) => sum + (one.zone === null ? one.count : 0), 0))
  /** None before a first round of strokes: each zone may still get its own. */
  const starved = computed(() => (fullStrokes.value < LEAST_TO_TELL ? [] : starvedZones(strokes.value, worked.value)))
  const owed = computed(() => strokesOwed(strokes.value))
  /** Places of the stretch that is worked, mm from the heel. */
  const places = computed(() => {
    const { fromMm, toMm } = stretch.value
    return Array.from({ length: PLACES }, (_, i) => fromMm + ((i + 0.5) / PLACES) * (toMm - fromMm))
  })
  /** At each place, what was taken off there against the middle; all alike before anything was. */
  const shares = computed(() => {
    const along = steelAlong(strokes.value, worked.value)
    const middle = along((stretch.value.fromMm + stretch.value.toMm) / 2)
    return places.value.map((place) => (middle > 0 ? along(place) / middle : 0))
  })

  const height = computed(() => heightOfSetting(setup.value.rig, job.content.value.dialled[side.value]))
  /** How the scratches lean at each place, degrees; null where the stone does not get there. */
  const leans = computed(() => {
    if (!height.value.ok) return places.value.map(() => null)
    const points = places.value.map((place) => edgePointAt(setup.value.blade.edge, place))
    const over = rodPoseAt(setup.value, side.value, height.value.heightMm)
    return contactsAlong(points, setup.value.hold, over).map((one) => (one.ok ? scratchLeanDeg(one) : null))
  })
  const stops = computed(() =>
    height.value.ok ? rodStops(setup.value, side.value, height.value.heightMm, job.edgePoints.value) : height.value,
  )

  /** A burr rises on the side that is not ground. */
  const burrSide = computed(() => otherSide(side.value))
  const kinds = computed(() => [...new Set(job.zones.value.map(({ kind }) => kind))])
  const burrs = computed(() => burrMap(job.entriesOfBlade.value, kinds.value))
  const burrIn = computed(() => burrFeltIn(burrs.value, burrSide.value))
  const lastBurr = computed(() => ofKind(job.entriesOfBlade.value, 'sharpness').findLast((one) => one.burr !== null))
  /**
   * Records where a burr can be felt on the other side: in these zones, in place of what was last felt there; or that
   * none is left anywhere. No zones: nothing was found after all.
   */
  function noteBurr(found: readonly ZoneKind[] | 'none') {
    commit()
    const last = lastBurr.value
    const before = found !== 'none' && last?.test === 'burr' && last.burr === burrSide.value ? [last.id] : []
    const isAll = found !== 'none' && kinds.value.every((kind) => found.includes(kind))
    const about = {
      ...job.session.newEntry(),
      kind: 'sharpness' as const,
      test: 'burr' as const,
      zones: [],
      forcesG: [],
    }
    const burr = found === 'none' ? ('none' as const) : burrSide.value
    const burrZones = found === 'none' || isAll ? [] : [...found]
    job.session.record('burr', found.length > 0 ? [{ ...about, burr, burrZones }] : [], before)
  }

  /** What was last read in a close-up of this side, for what the stone on the rod is on for. */
  const shown = computed(() => {
    const { stone: onRod, forMicroBevel } = job.onRod.value
    return ofKind(job.entriesOfBlade.value, 'scratches').findLast(
      (one) => one.side === side.value && isOfUse(one, { stoneId: onRod.id, forMicroBevel }),
    )
  })

  return {
    shown,
    stretch,
    places,
    shares,
    leans,
    starved,
    owed,
    stops,
    kinds,
    burrSide,
    burrs,
    burrIn,
    noteBurr,
    lastBurr,
  }
}
