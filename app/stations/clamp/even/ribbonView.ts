import { lastOf, nth } from '#core/math/list'
import type { Contact } from '#core/geometry/contact/contact'
import type { Refusal } from '#core/schema/refusal'
import { outlinePath } from '#core/records/blade/outline'
import { clampFrame, toClampFrame } from '#core/geometry/clamping/clampFrame'
import type { EdgePoint } from '#core/math/curve/edgePoints'
import type { Setup } from '#core/geometry/setup/setup'
import { add, leftOf, scale, type Vec2 } from '#core/math/vector/vec2'
import { jawMarks, type JawMarks } from '~/drawing/jawMarks'
import { boundsOf, pointList, toPixels, type Bounds, type Viewport } from '~/drawing/viewport'

/** A stretch of the edge that runs steeper or flatter than wanted, as a band along the edge. */
export interface Band {
  readonly steeper: boolean
  readonly points: string
}

export interface RibbonView {
  readonly bladeTransform: string
  readonly bladePath: string
  readonly jaws: { x: number; y: number; width: number; height: number } | null
  readonly marks: JawMarks
  readonly edge: string
  /** Steeper stands out of the blade, flatter lies within it: told apart without colour. */
  readonly bands: readonly Band[]
  /** Where the deviation is greatest. */
  readonly worst: { readonly at: Vec2; readonly tag: Vec2; readonly deg: number } | null
}

/** Pixels of band for a degree, and the most a band may take. */
const BAND = { perDeg: 16, most: 34, least: 1.5 } as const
/** Less than this is on the angle. */
const ON_IT_DEG = 0.05

/** What the ribbon must show, clamp frame, mm. */
export function ribbonBounds(setup: Setup, edgePoints: readonly EdgePoint[]): Bounds {
  const frame = clampFrame(setup.hold)
  const jaws = setup.rig.jaws
  return boundsOf([
    ...edgePoints
      .filter((_, i) => i % 20 === 0 || i === edgePoints.length - 1)
      .map((edgePoint) => toClampFrame(edgePoint.point, frame)),
    toClampFrame([0, 0], frame),
    toClampFrame([lastOf(edgePoints).point[0], 0], frame),
    ...(jaws ? jawCorners(jaws) : []),
  ])
}

/** The blade as it is held with the deviation from the wanted angle as a band along its edge, in pixels. */
export function ribbonView(
  setup: Setup,
  along: readonly (Contact | Refusal)[],
  edgePoints: readonly EdgePoint[],
  wantedDeg: number,
  viewport: Viewport,
): RibbonView {
  const frame = clampFrame(setup.hold)
  const k = viewport.scale
  const [e, f] = toPixels(toClampFrame([0, 0], frame), viewport)
  const edge = edgePoints.map((edgePoint) => toPixels(toClampFrame(edgePoint.point, frame), viewport))
  const outward = (i: number): Vec2 => {
    const [x, y] = leftOf(nth(edgePoints, i).heading)
    const [u, v] = [x * frame.cos - y * frame.sin, x * frame.sin + y * frame.cos]
    return [u, -v]
  }
  const off = along.map((contact) => (contact.ok ? contact.edgeAngleDeg - wantedDeg : null))
  const bands: Band[] = []
  let run: { i: number; deg: number }[] = []
  const close = () => {
    if (run.length > 1) {
      const band = run.map(({ i, deg }) => add(nth(edge, i), scale(outward(i), width(deg))))
      bands.push({
        steeper: nth(run, 0).deg > 0,
        points: pointList([...run.map(({ i }) => nth(edge, i)), ...band.reverse()]),
      })
    }
    run = []
  }
  off.forEach((deg, i) => {
    const last = run.at(-1)
    if (deg === null || Math.abs(deg) < ON_IT_DEG || (last !== undefined && last.deg > 0 !== deg > 0)) close()
    if (deg !== null && Math.abs(deg) >= ON_IT_DEG) run.push({ i, deg })
  })
  close()
  const worst = off.reduce<{ i: number; deg: number } | null>(
    (best, deg, i) => (deg !== null && (best === null || Math.abs(deg) > Math.abs(best.deg)) ? { i, deg } : best),
    null,
  )
  const jaws = setup.rig.jaws
  const [jx, jy] = toPixels([-(jaws?.widthMm ?? 0) / 2, 0], viewport)
  return {
    bladeTransform: `matrix(${k * frame.cos} ${-k * frame.sin} ${-k * frame.sin} ${-k * frame.cos} ${e} ${f})`,
    bladePath: outlinePath(setup.blade),
    jaws: jaws && { x: jx, y: jy, width: jaws.widthMm * k, height: jaws.depthMm * k },
    marks: jawMarks(setup, viewport),
    edge: pointList(edge),
    bands,
    worst: worst && {
      at: nth(edge, worst.i),
      tag: add(nth(edge, worst.i), scale(outward(worst.i), BAND.most + 22)),
      deg: worst.deg,
    },
  }
}

/** Two corners that span a pair of jaws, in the clamp's frame. */
const jawCorners = ({ widthMm, depthMm }: { widthMm: number; depthMm: number }): Vec2[] => [
  [-widthMm / 2, -depthMm],
  [widthMm / 2, 0],
]

const width = (deg: number): number =>
  Math.sign(deg) * Math.min(BAND.most, Math.max(BAND.least, Math.abs(deg) * BAND.perDeg))
