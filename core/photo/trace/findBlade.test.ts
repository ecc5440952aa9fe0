import { describe, expect, it } from 'vitest'
import type { ShapeId } from '../../records/blade/shapeMeasures'
import { curveLength } from '../../math/curve/arcLength'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import type { Vec2 } from '../../math/vector/vec2'
import { burntOutBeside } from './burntOut'
import { findBlade, type OtherWay } from './findBlade'
import { findSheet, lensOfSheet } from './findSheet'
import { bowed, lensOf, straightened, type Lens } from './lens'
import { A4, photographedSheet, SEEN, SIZE, type Scene } from './photographedSheet.fixture'
import { scaleOfSheet } from './pictureScale'
import { snapToOutline } from './snap'
import { tracedEdge } from './toBlade'

const LENS: Lens = { middle: [750, 550], toCornerPx: Math.hypot(750, 550), bow: 0.06 }
const apart = (a: Vec2, b: Vec2) => Math.hypot(a[0] - b[0], a[1] - b[1])

/** A picture traced without a single mark by hand. */
function tracedAlone(id: ShapeId, scene: Scene, otherWay: OtherWay = {}) {
  const { picture, edge, toSheet } = photographedSheet(id, scene)
  const sheet = findSheet(picture)!
  const scale = scaleOfSheet(sheet.corners, A4, sheet.lens)!
  const found = findBlade(picture, scale, A4, otherWay)!
  const truth = evenEdgePoints(edge, 600).map(({ point }) => toSheet(point))
  const [heel, ...marks] = found.edge.map(scale.toMm)
  const inside: Vec2 = [(found.spine[0][0] + found.spine[1][0]) / 2, (found.spine[0][1] + found.spine[1][1]) / 2]
  const snapped = snapToOutline(picture, found.edge, 18, { inside, line: scene.bevel === undefined ? null : 'outer' })
  const traced = tracedEdge(snapped, found.spine, scale)
  if (!traced.ok) throw new Error(traced.code)
  return {
    bow: sheet.lens?.bow ?? 0,
    heelOff: apart(heel!, truth[0]!),
    tipOff: apart(marks.at(-1)!, truth.at(-1)!),
    marksOff: Math.max(...marks.map((mark) => Math.min(...truth.map((at) => apart(at, mark))))),
    lengthOff: curveLength(traced.segments) - truth.slice(1).reduce((sum, at, i) => sum + apart(at, truth[i]!), 0),
    unsure: traced.unsure.reduce((sum, { fromMm, toMm }) => sum + toMm - fromMm, 0),
  }
}

describe('a clean picture of a blade on a sheet needs no mark', () => {
  it.each<[string, ShapeId, Scene]>([
    ['alone on it', 'drop-point', { blade: 90, noise: 4 }],
    ['its spine sloping to the edge, with a darker handle', 'sheepfoot', { blade: 130, noise: 6, handle: 60 }],
    ['blunt, with its tip in a corner', 'chisel-tip', { blade: 130, noise: 6, handle: 60 }],
    ['with corners in its edge', 'angular-tip', { blade: 90, noise: 4 }],
    [
      'the other way round, its other flat up',
      'broad-kitchen',
      { blade: 90, noise: 4, turnDeg: 190, flipped: true, handle: 90 },
    ],
    ['its handle over the border', 'long-kitchen', { blade: 90, noise: 4, handle: 70 }],
    ['told by its bevel alone', 'hooked', { blade: 110, noise: 6, bevel: 150 }],
    ['through a lens that bows it', 'recurved', { blade: 90, noise: 4, lens: LENS }],
  ])('%s: heel, tip and edge are found, and it is traced', (_, id, scene) => {
    const { heelOff, tipOff, marksOff, lengthOff, bow, unsure } = tracedAlone(id, scene)
    expect(heelOff).toBeLessThan(0.8)
    expect(tipOff).toBeLessThan(1.1)
    expect(marksOff).toBeLessThan(1.1)
    expect(Math.abs(lengthOff)).toBeLessThan(1.5)
    expect(bow).toBeCloseTo(scene.lens?.bow ?? 0, 2)
    expect(unsure).toBeLessThan(3)
  })

  const plain: Scene = { blade: 90, noise: 4 }
  // A sheepfoot without a handle or a bevel looks like a straight-backed blade that lies on its other flat.
  it('what it takes for the edge is the other side of a plain sheepfoot', () => {
    expect(tracedAlone('sheepfoot', plain).heelOff).toBeGreaterThan(10)
  })
  it('what it takes for the edge can be said to be the other side', () => {
    expect(tracedAlone('sheepfoot', plain, { otherSide: true }).heelOff).toBeLessThan(0.8)
  })
  it('what it takes for the tip can be said to be the other end', () => {
    expect(tracedAlone('drop-point', plain, { otherEnd: true }).heelOff).toBeGreaterThan(50)
  })

  it('there is none on an empty sheet, or where nothing stands out from the paper', () => {
    const { picture, scale } = photographedSheet('drop-point', { blade: 213, noise: 4 })
    expect(findBlade(picture, scale, A4)).toBeNull()
  })
})

describe('a lens', () => {
  it('that bows straight lines is undone and done again', () => {
    for (const bow of [0.06, -0.04])
      for (const at of [
        [20, 30],
        [1400, 500],
        [750, 550],
      ] as const) {
        const lens = { ...LENS, bow }
        expect(apart(bowed(lens, straightened(lens, at)), at)).toBeLessThan(1e-9)
      }
  })

  it('is told by a sheet’s four sides, and by nothing else: not where they are straight, nor where one alone curls', () => {
    const through = (lens: Lens | null) => {
      const { picture, scale } = photographedSheet('drop-point', { blade: 90, noise: 4, lens })
      const corners = (
        [
          [0, 0],
          [A4[0], 0],
          [A4[0], A4[1]],
          [0, A4[1]],
        ] as const
      ).map(scale.toPicture)
      return lensOfSheet(picture, corners)
    }
    expect(through(null)).toBeNull()
    expect(through({ ...LENS, bow: -0.03 })!.bow).toBeCloseTo(-0.03, 2)
    const sides = SEEN.map((from, i) => {
      const to = SEEN[(i + 1) % 4]!
      return Array.from({ length: 60 }, (_, k): Vec2 => {
        const share = k / 59
        const curl = i === 2 ? 40 * share * (1 - share) : 0
        return [from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1]) + curl]
      })
    })
    expect(lensOf(SIZE, sides)).toBeNull()
  })
})

it('paper that is burnt out beside an edge is told', () => {
  const edge = Array.from({ length: 30 }, (_, i): Vec2 => [100 + 10 * i, 400])
  const lit = (paper: number) => {
    const pixels = new Uint8Array(SIZE.width * SIZE.height).map((_, i) => (i >= 400 * SIZE.width ? paper : 80))
    return burntOutBeside({ ...SIZE, pixels }, edge, SEEN[0]!)
  }
  expect([lit(255), lit(235)]).toEqual([true, false])
})
