import { randomLcg, randomLogNormal, randomNormal, randomUniform } from 'd3-random'
import { SIDES, type Side } from '../../records/common/side'
import type { InkPattern, Level } from '../../log/choices'
import { exposedSpans, seenAs, type Span } from '../../observe/marker/exposed'
import type { BevelFace } from '../../observe/marker/face'
import { DEPTH_SPREAD, LIGHT_PASS_UM, FRACTION_SIGMA, FRACTION_STEP } from '../../observe/marker/look'
import { Z95 } from '../../math/statistics/normal'

export interface HiddenBladeAsk {
  /** From 0 to 1: the same seed makes the same blade. */
  readonly seed: number
  readonly level: Level
  /** What its zones are called. */
  readonly zones: readonly string[]
  /** The angle that its bevels are spread around, degrees per side. */
  readonly aroundDeg: number
  /** Width of its bevels, mm. */
  readonly widthMm: number
  /** Half-width of the rig's uncertainty, degrees: its hidden error is drawn from it. */
  readonly setUncertaintyDeg: number
  /** The hand that tests: what its passes reach, micrometres, and how that varies (of its logarithm); else drawn. */
  readonly hand?: { readonly depthUm: number; readonly spread: number }
}

/** A blade, a rig and a hand whose true figures nobody sees. */
export interface HiddenBlade {
  face(side: Side, zone: string): BevelFace
  /** What the rig sets more than it says, degrees. */
  readonly rigErrorDeg: number
  /** What the hand's passes reach, micrometres. */
  readonly depthUm: number
  /** What one light pass at a set angle bares; the same for the same number of the look. */
  pass(side: Side, zone: string, setDeg: number, look: number): readonly Span[]
  /** What an eye makes of it, the fraction to a twentieth. */
  look(side: Side, zone: string, setDeg: number, look: number): { seen: InkPattern; fraction: number }
}

interface LevelOf {
  /** Standard deviations, degrees: of the two sides around the blade's angle, and of the zones around their side. */
  readonly sidesDeg: number
  readonly zonesDeg: number
  readonly convexShare: number
  readonly dullFraction: number
}
const OF: Record<Level, LevelOf> = {
  easy: { sidesDeg: 0.7, zonesDeg: 0, convexShare: 0, dullFraction: 0 },
  usual: { sidesDeg: 1.2, zonesDeg: 0.6, convexShare: 0, dullFraction: 0.1 },
  mean: { sidesDeg: 1.8, zonesDeg: 1.2, convexShare: 0.15, dullFraction: 0.3 },
}
/** Makes a hidden blade. Source: docs/ink.md, "The simulated bench". */
export function hiddenBlade({
  seed,
  level,
  zones,
  aroundDeg,
  widthMm,
  setUncertaintyDeg,
  hand,
}: HiddenBladeAsk): HiddenBlade {
  const source = randomLcg(seed)
  const normal = randomNormal.source(source)(0, 1)
  const uniform = randomUniform.source(source)(0, 1)
  const { sidesDeg, zonesDeg, convexShare, dullFraction } = OF[level]
  const faces = new Map<string, BevelFace>()
  for (const side of SIDES) {
    const ofSide = aroundDeg + sidesDeg * normal()
    for (const zone of zones) {
      const deg = ofSide + zonesDeg * normal()
      const half = uniform() < convexShare ? 1 + uniform() : 0
      const apexRadiusUm = uniform() < dullFraction ? 2 + 6 * uniform() : 0
      const width = widthMm * Math.exp(0.1 * normal())
      faces.set(`${side}:${zone}`, { shoulderDeg: deg - half, apexDeg: deg + half, widthMm: width, apexRadiusUm })
    }
  }
  const rigErrorDeg = (setUncertaintyDeg / Z95) * normal()
  const [least, most] = LIGHT_PASS_UM
  const drawnUm = least * (most / least) ** uniform()
  const { depthUm, spread } = hand ?? { depthUm: drawnUm, spread: DEPTH_SPREAD }
  const face = (side: Side, zone: string): BevelFace => {
    const there = faces.get(`${side}:${zone}`)
    if (!there) throw new RangeError(`This blade has no zone ${zone} on ${side}.`)
    return there
  }
  /** Random numbers of one look at one face: the same whenever it is asked for. */
  const ofLook = (side: Side, zone: string, look: number) =>
    randomLcg((seed + look * 0.754877666 + (zones.indexOf(zone) * 2 + SIDES.indexOf(side) + 1) * 0.569840291) % 1)
  const pass = (side: Side, zone: string, setDeg: number, look: number) => {
    const depth = depthUm * randomLogNormal.source(ofLook(side, zone, look))(0, spread)()
    return exposedSpans(face(side, zone), setDeg + rigErrorDeg, depth)
  }
  return {
    face,
    rigErrorDeg,
    depthUm,
    pass,
    look(side, zone, setDeg, look) {
      const { pattern, fraction } = seenAs(pass(side, zone, setDeg, look))
      if (pattern === 'nothing') return { seen: 'nothing', fraction: 0 }
      const off = FRACTION_SIGMA * randomNormal.source(ofLook(side, zone, look + 0.5))(0, 1)()
      const observed = Math.round((fraction + off) / FRACTION_STEP) * FRACTION_STEP
      if (observed >= 1 - FRACTION_STEP / 2) return { seen: 'all', fraction: 1 }
      if (pattern === 'all') {
        const { shoulderDeg, apexDeg } = face(side, zone)
        const steeper = (shoulderDeg + apexDeg) / 2 > setDeg + rigErrorDeg
        return { seen: steeper ? 'shoulder' : 'apex', fraction: Number(Math.max(FRACTION_STEP, observed).toFixed(2)) }
      }
      return { seen: pattern, fraction: Number(Math.max(FRACTION_STEP, observed).toFixed(2)) }
    },
  }
}
