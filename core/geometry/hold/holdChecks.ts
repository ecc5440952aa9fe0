import { lastOf, nth } from '../../math/list'
import type { Contact } from '../contact/contact'
import { lowestOverJaws, topsOf, type LowestOver } from './jawClearance'
import type { Refusal } from '../../schema/refusal'
import { bladeThere, thinsPerMm } from '../../records/blade/taper'
import { curveLength } from '../../math/curve/arcLength'
import type { EdgePoint } from '../../math/curve/edgePoints'
import type { JawSet } from '../../records/rig/jawSet'
import { jawSetsOf } from '../../records/rig/jaws'
import { isWorked, type Setup } from '../setup/setup'
import type { Side } from '../../records/common/side'
import { clampFrame, toClampFrame } from '../clamping/clampFrame'

export type Verdict = 'good' | 'watch' | 'bad'

/** What practitioners found where nothing was tried: thicker spines slip out of ordinary jaws, mm. */
const USUAL_MOST = { flat: 5, sabre: 10 } as const
/** From the flats on: a grind lower than this share of the width leaves parallel flats to hold. */
const FLATS_FROM = 0.85

export interface JawFit {
  readonly verdict: Verdict
  readonly spineMm: number
  readonly mostMm: number
  /** Whether these jaws were tried so, or the figure is what is usual. */
  readonly tried: boolean
  readonly flats: boolean
  readonly falseEdge: boolean
}

/** Whether jaws hold a spine of this grind and thickness; null on a table. Source: docs/geometry.md, "Will it hold". */
export function jawFit({ rig, blade, hold }: Setup): JawFit | null {
  if (!rig.jaws) return null
  const flats = blade.primaryGrindHeightMm < FLATS_FROM * blade.widthMm
  const { spineThicknessMm: spineMm } = bladeThere(blade, hold.bladeXMm / Math.max(1, curveLength(blade.edge)))
  const tried = flats ? rig.jaws.mostSpineSabreMm : rig.jaws.mostSpineFlatMm
  const mostMm = tried ?? (flats ? USUAL_MOST.sabre : USUAL_MOST.flat)
  const verdict: Verdict = blade.falseEdge || spineMm > mostMm ? 'bad' : spineMm > 0.9 * mostMm ? 'watch' : 'good'
  return { verdict, spineMm, mostMm, tried: tried !== null, flats, falseEdge: blade.falseEdge }
}

/**
 * How much the blade thins from one end of the jaws to the other, mm, towards the tip; 0 where that was not measured.
 */
export const taperInJawsMm = ({ rig, blade }: Setup): number => thinsPerMm(blade) * (rig.jaws?.widthMm ?? 0)

/** How far the handle's end stands from the middle of the jaws, in widths of the jaws; 0 without a handle or jaws. */
export function handleReach({ rig, blade, hold }: Setup): number {
  if (!rig.jaws || blade.handleLengthMm === 0) return 0
  return (hold.bladeXMm + blade.handleLengthMm) / rig.jaws.widthMm
}

export interface TipStop {
  /** Along the jaws from their middle: where the stone's middle stands over the tip, mm. */
  readonly alongMm: number
  /** Where the stone's free edge then stands, on the same rule. */
  readonly freeEdgeMm: number
}

/**
 * Where to stop the stone so that the tip stays sharp: its middle over the tip and no farther. Measured along the jaws,
 * on the side being worked. Source: docs/geometry.md, "Will it hold".
 */
export function tipStop({ hold, stone }: Setup, edgePoints: readonly EdgePoint[]): TipStop {
  const [alongMm] = toClampFrame(lastOf(edgePoints).point, clampFrame(hold))
  return { alongMm, freeEdgeMm: alongMm + stone.widthMm / 2 }
}

/**
 * Where the stone reaches, of the edge that is worked: at its two ends, and, where it does not reach some place between
 * them or that one is farther than both, there. Contacts: along the edge, and their places.
 */
export function reachAlong(
  setup: Setup,
  edgePoints: readonly EdgePoint[],
  along: readonly (Contact | Refusal)[],
): { readonly heel: Reached; readonly tip: Reached; readonly between: Reached | null } {
  const worked = edgePoints.flatMap(({ fromHeelMm }, i): Reached[] =>
    isWorked(setup, { fromHeelMm }) ? [{ fromHeelMm, contact: nth(along, i) }] : [],
  )
  const far = ({ contact }: Reached) => (contact.ok ? contact.reachMm : Infinity)
  const [heel, tip] = [nth(worked, 0), lastOf(worked)]
  const farthest = worked.reduce((most, one) => (far(one) > far(most) ? one : most))
  return { heel, tip, between: far(farthest) > Math.max(far(heel), far(tip)) + FARTHER_MM ? farthest : null }
}
/** Reaches nearer to each other than this are one, mm. */
const FARTHER_MM = 1

export interface Reached {
  readonly fromHeelMm: number
  readonly contact: Contact | Refusal
}

export interface Clearance {
  readonly jaws: JawSet
  /**
   * Where the stone comes nearest to these jaws: the lowest edge angle at which it passes over them there, and what is
   * set there, degrees; null where they are never in its way.
   */
  readonly nearest: { readonly lowestDeg: number; readonly setDeg: number } | null
  /** Whether that is for what stands higher behind their front. */
  readonly byKnob: boolean
}

/**
 * How each set of the rig's jaws lets the stone pass on a side, judged at each place that is worked by the angle
 * there. Contacts: along the edge. Source: docs/geometry.md, "Limits".
 */
export function clearances(setup: Setup, side: Side, along: readonly (Contact | Refusal)[]): Clearance[] {
  return jawSetsOf(setup.rig).map((jaws) => {
    const tops = topsOf(setup, side, jaws)
    let nearest: (LowestOver & { readonly setDeg: number }) | null = null
    for (const contact of along) {
      const here =
        contact.ok && isWorked(setup, contact) ? lowestOverJaws(contact, tops, setup.stone, setup.rig.stroke) : null
      if (!contact.ok || !here) continue
      const short = here.deg - contact.edgeAngleDeg
      if (!nearest || short > nearest.deg - nearest.setDeg) nearest = { ...here, setDeg: contact.edgeAngleDeg }
    }
    return {
      jaws,
      nearest: nearest && { lowestDeg: nearest.deg, setDeg: nearest.setDeg },
      byKnob: nearest?.over === 'knob',
    }
  })
}
