import { computed } from 'vue'
import { CLEARANCE_TOLERANCE_DEG } from '#core/geometry/hold/jawClearance'
import { strokeMm } from '#core/geometry/contact/contact'
import { bendsDeg } from '#core/geometry/hold/bending'
import {
  clearances,
  handleReach,
  jawFit,
  reachAlong,
  taperInJawsMm,
  tipStop,
  type Clearance,
  type Reached,
  type Verdict,
} from '#core/geometry/hold/holdChecks'
import { edgePointAt } from '#core/math/curve/edgePoints'
import type { Refusal } from '#core/schema/refusal'
import type { SideSet } from '#core/uncertainty/evaluate'
import { useJob } from '~/job/useJob'

/** More than this of taper within the jaws wants the pressure on the thin corner, mm. */
const TAPER_MM = 0.05
/** A handle that reaches further than so many widths of the jaws wants support. */
const SUPPORT_FROM = 5
/** A blade that gives way by less than this is stiff, degrees. */
const BENDS_DEG = 0.1
/** A stone that clears the jaws by less than this is near them, degrees. */
const SPARE_DEG = 1
/** Strokes shorter than this wear a stone at its end, mm. */
const SHORT_STROKE_MM = 30

/** How the stone reaches a place of the edge; why it has no stroke there. */
type Reach = { readonly fromHeelMm: number; readonly verdict: Verdict } & (
  { readonly strokeMm: number; readonly reachMm: number } | { readonly strokeMm: null; readonly refusal: Refusal }
)

/** Will it hold, will it reach, will it clear; null while the side that is up has no angle. */
export function useHoldChecks() {
  const job = useJob()
  const checks = computed(() => {
    const [setup, set] = [job.setup.value, job.up.value]
    if (!set.ok) return null
    const taper = taperInJawsMm(setup)
    const reach = reachAlong(setup, job.edgePoints.value, set.along)
    const over = { ...setup.rig, stoneLengthMm: setup.stone.lengthMm }
    function reached({ fromHeelMm, contact: at }: Reached): Reach {
      if (!at.ok) return { fromHeelMm, strokeMm: null, refusal: at, verdict: 'bad' }
      const stroke = strokeMm(at.reachMm, over)
      const verdict = stroke < Math.min(SHORT_STROKE_MM, setup.stone.lengthMm) ? 'watch' : 'good'
      return { fromHeelMm, reachMm: at.reachMm, strokeMm: stroke, verdict }
    }
    const clears = ({ nearest }: Clearance): Verdict => {
      const spareDeg = nearest ? nearest.setDeg - nearest.lowestDeg : Infinity
      return spareDeg > SPARE_DEG ? 'good' : spareDeg >= -CLEARANCE_TOLERANCE_DEG ? 'watch' : 'bad'
    }
    return {
      fit: jawFit(setup),
      taper: Math.abs(taper) > TAPER_MM ? { mm: Math.abs(taper), towards: taper > 0 ? 'tip' : 'heel' } : null,
      coating: setup.blade.coating,
      noChoil: !setup.blade.choil,
      support: handleReach(setup) > SUPPORT_FROM,
      reaches: {
        heel: reached(reach.heel),
        between: reach.between && reached(reach.between),
        tip: reached(reach.tip),
      },
      limitMm: setup.rig.stroke?.farthestMm ?? setup.rig.rodLengthMm,
      stop: tipStop(setup, job.edgePoints.value),
      clear: clearances(setup, job.side.value, set.along).map((one) => ({ ...one, verdict: clears(one) })),
      bends: bends(reach),
    }
  })
  /** How far it bends where the dial is for and at the ends of what is worked, as far as it is enough to be seen. */
  function bends({ heel, tip }: ReturnType<typeof reachAlong>): { where: 'dial' | 'heel' | 'tip'; deg: number }[] {
    const { edgePoint, sides } = job.dialFor.value
    const { edge } = job.blade.value
    const places = [
      ['heel', edgePointAt(edge, heel.fromHeelMm), heel.contact],
      ['dial', edgePoint, contactOf(sides[job.side.value])],
      ['tip', edgePointAt(edge, tip.fromHeelMm), tip.contact],
    ] as const
    return places.flatMap(([where, place, contact]) => {
      const deg = contact.ok ? bendsDeg(job.setup.value, place, contact.edgeAngleDeg) : null
      return deg !== null && deg > BENDS_DEG ? [{ where, deg }] : []
    })
  }
  const contactOf = (set: SideSet | Refusal) => (set.ok ? set.contact : set)
  return { checks }
}
