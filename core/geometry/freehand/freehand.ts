import { degrees, radians } from '../../math/units/angle'
import { curveLength } from '../../math/curve/arcLength'
import { edgePointAt, evenEdgePoints } from '../../math/curve/edgePoints'
import { length, subtract } from '../../math/vector/vec2'
import type { Blade } from '../../records/blade/blade'
import { bladeThere } from '../../records/blade/taper'
import { zoneMiddleMm, zonesOfBlade, type Zone } from '../../records/blade/zones'

/** How a blade is held free over a flat stone at an angle. */
export interface SpineRise {
  /** From the stone up to the spine's near face, mm; 0: the spine would have to lie lower, it rests on the stone. */
  readonly riseMm: number
  /** How much steeper 1 mm more makes it, degrees. */
  readonly degPerMm: number
}

/**
 * How high the spine stands over a flat stone where the blade's centre plane stands at an angle, `widthMm` from the
 * edge to the spine's middle. Source: docs/geometry.md, "By hand".
 */
export function spineRise(deg: number, widthMm: number, spineThicknessMm: number): SpineRise {
  const [sin, cos, half] = [Math.sin(radians(deg)), Math.cos(radians(deg)), spineThicknessMm / 2]
  return {
    riseMm: Math.max(0, widthMm * sin - half * cos),
    degPerMm: degrees(1 / (widthMm * cos + half * sin)),
  }
}

/** The angle of an edge on a ramp, degrees: with the blade’s flat laid on it, and with its centre plane along it. */
export const onRamp = (rampDeg: number, primaryHalfAngleDeg: number) => ({
  laidDeg: rampDeg + primaryHalfAngleDeg,
  heldDeg: rampDeg,
})

/** How high a blade is to stand over the edge of a plate, so far behind the apex, mm. */
export const riseOverPlate = (deg: number, behindApexMm: number): number => behindApexMm * Math.tan(radians(deg))

/** How wide a blade is at one of its zones, from the edge to the spine, and how thick its spine is there, mm. */
export interface WidthThere {
  readonly zone: Zone
  readonly widthMm: number
  readonly spineThicknessMm: number
}

const SPINE_PLACES = 200
/** A blade's width, zone by zone: to the nearest place of its spine, which is straight where it is not known. */
export function widthsOf(blade: Blade): WidthThere[] {
  const spine = blade.spine ? evenEdgePoints(blade.spine, SPINE_PLACES).map(({ point }) => point) : null
  const lengthMm = curveLength(blade.edge)
  return zonesOfBlade(blade).map((zone) => {
    const middleMm = zoneMiddleMm(zone)
    const { point } = edgePointAt(blade.edge, middleMm)
    return {
      zone,
      widthMm: spine ? Math.min(...spine.map((at) => length(subtract(at, point)))) : Math.abs(point[1]),
      spineThicknessMm: bladeThere(blade, middleMm / lengthMm).spineThicknessMm,
    }
  })
}
