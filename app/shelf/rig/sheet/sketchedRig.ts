import { knobEndsMm } from '#core/records/rig/knobEnds'
import type { DialLanguage } from '#core/records/rig/dials/readings'
import { RIGS, type RigKind } from '#core/records/rig/kinds'
import { heightForAngleMm } from '#core/math/edgeAngle/edgeAngle'
import { add, scale, subtract, unit, type Vec2 } from '#core/math/vector/vec2'

/**
 * What a rig that is still being measured is drawn from, mm: its figures as far as they are known, usual ones for the
 * rest.
 */
export interface SketchedRig {
  readonly kind: RigKind
  readonly figure: (path: string) => number | null
  readonly slots: readonly { readonly label: string; readonly heightMm: number | null }[]
  readonly by: DialLanguage
}

/** Where nothing has been measured yet. */
export const USUAL = {
  setback: 110,
  along: 0,
  low: 35,
  high: 85,
  half: 4,
  depth: 22,
  width: 30,
  rod: 300,
  blade: 24,
  face: 8,
  stone: 150,
} as const

/** The lowest and highest pivot height to draw. */
function heights({ figure, slots, by }: SketchedRig, setback: number): { low: number; high: number } {
  const usual = { low: USUAL.low, high: USUAL.high }
  if (by === 'slot') {
    const set = slots.flatMap((slot) => (slot.heightMm === null ? [] : [slot.heightMm]))
    return set.length > 0 ? { low: Math.min(...set), high: Math.max(...set, Math.min(...set) + 1) } : usual
  }
  if (by === 'degree-scale') {
    const r = setback + (figure('height.drawnForBladeHeightMm') ?? USUAL.blade)
    const d = figure('height.drawnForFaceOffsetMm') ?? USUAL.face
    const [least, most] = [figure('height.lowestMarkDeg') ?? 15, figure('height.highestMarkDeg') ?? 30]
    return most > least && most < 75
      ? { low: heightForAngleMm(least, r, d), high: heightForAngleMm(most, r, d) }
      : usual
  }
  const low = figure('height.lowestMm') ?? usual.low
  const high = figure('height.highestMm') ?? Math.max(usual.high, low + 10)
  return high > low ? { low, high } : { low, high: low + 1 }
}

/** An arm of the rig as it is drawn from the side: its pivot, its rod and the stone on it. */
export interface SketchedArm {
  /** A place of the arm (outward, up) as it lies in the drawing: upright rigs stand. */
  readonly at: (p: Vec2) => Vec2
  readonly pivot: Vec2
  readonly onRod: (mm: number) => Vec2
  readonly down: Vec2
  readonly back: number
  readonly rod: readonly [Vec2, Vec2]
  readonly stone: readonly Vec2[]
}

/** The figures that the drawing is made from, mm: measured ones, and usual ones for the rest. */
export function sketchFigures(rig: SketchedRig) {
  const known = (path: string, usual: number): number => rig.figure(path) ?? usual
  const upright = RIGS[rig.kind].twoArms
  const table = RIGS[rig.kind].onTable
  const setback = Math.max(known('pivot.setbackMm', USUAL.setback), 5)
  const setbackB = upright ? Math.max(known('pivotB.setbackMm', setback), 5) : setback
  const along = known('pivot.alongMm', USUAL.along)
  const { low, high } = heights(rig, setback)
  const middle = (low + high) / 2
  const half = known('jaws.halfThicknessMm', USUAL.half)
  const depth = table ? 0 : known('jaws.depthMm', USUAL.depth)
  const width = known('jaws.widthMm', USUAL.width)
  const rodLength = Math.max(known('rodLengthMm', USUAL.rod), 20)
  const slide = rig.by === 'slot' ? known('height.slideMm', 0) : 0
  const [knobHeight, knobBehind] = [known('jaws.knobHeightMm', 0), known('jaws.knobBehindMm', 0)]
  const knobEnds = knobEndsMm(knobBehind, { depthMm: depth, knobDepthMm: known('jaws.knobDepthMm', 0) || null })
  const edge: Vec2 = [USUAL.blade, 0]
  // An upright rig's picture lies on its side: outward is up, and its height runs sideways.
  const stand =
    (sign: 1 | -1) =>
    (p: Vec2): Vec2 =>
      upright ? [sign * p[1], p[0]] : p
  const signs: (1 | -1)[] = upright ? [1, -1] : [1]
  const arm = (sign: 1 | -1): SketchedArm => {
    const at = stand(sign)
    const back = sign === 1 ? setback : setbackB
    const pivot: Vec2 = [-back, middle]
    const direction = unit(subtract(add(edge, [USUAL.face * 0.35, USUAL.face * 0.94]), pivot))
    const down: Vec2 = [direction[1], -direction[0]]
    const onRod = (mm: number): Vec2 => add(pivot, scale(direction, mm))
    const contact = Math.hypot(USUAL.blade + back, middle)
    const stoneAt = (mm: number) => [
      onRod(mm - USUAL.stone / 2),
      onRod(mm + USUAL.stone / 2),
      add(onRod(mm + USUAL.stone / 2), scale(down, USUAL.face)),
      add(onRod(mm - USUAL.stone / 2), scale(down, USUAL.face)),
    ]
    return {
      at,
      pivot,
      onRod,
      down,
      back,
      rod: [onRod(0), onRod(rodLength)] as const,
      stone: stoneAt(Math.min(contact, rodLength - 20)),
    }
  }
  const arms = signs.map(arm)
  const first = arm(1)
  return {
    known,
    upright,
    table,
    setback,
    setbackB,
    along,
    low,
    high,
    middle,
    half,
    depth,
    width,
    rodLength,
    slide,
    knobHeight,
    knobBehind,
    knobEnds,
    edge,
    arms,
    first,
    at: first.at,
  }
}
export type SketchFigures = ReturnType<typeof sketchFigures>
