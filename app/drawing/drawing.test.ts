import { describe, expect, it } from 'vitest'
import { evenEdgePoints } from '#core/math/curve/edgePoints'
import type { Position } from '#core/placement/longBlade'
import { settingOfHeight } from '#core/records/rig/dial'
import { evaluate, type SideSet } from '#core/uncertainty/evaluate'
import type { Setup } from '#core/geometry/setup/setup'
import { armsRig, bellyBlade, sampleSetup, tableRig } from '#core/geometry/setup/sampleSetup.fixture'
import { dot, length, subtract, unit, type Vec2 } from '#core/math/vector/vec2'
import { dimension } from './dimension'
import { jawMarks } from './jawMarks'
import { nearestEdgePoint, planBounds, planView } from '~/stations/clamp/bench/planView'
import { positionsView } from '~/stations/clamp/even/positionsView'
import { sectionBounds, sectionView } from '~/stations/clamp/bench/sectionView'
import { fit, toDrawing, toPixels } from './viewport'

const edgePoints = evenEdgePoints(bellyBlade.edge, 400)
const margin = { x: 40, top: 40, bottom: 40 }

function setOf(setup: Setup, side: 'A' | 'B' = 'A', placeMm: number | null = null): SideSet {
  const setting = settingOfHeight(setup.rig, 58)
  const found = evaluate(
    setup,
    {
      dialled: { A: setting, B: setting, linked: true },
      dialForMm: null,
      bladeHeightToleranceMm: 0.5,
      holdTolerance: { alongMm: 1, turnDeg: 0.5, centreOffsetMm: 0.1, tiltDeg: 0.2 },
    },
    edgePoints,
    placeMm,
  ).sides[side]
  if (!found.ok) throw new Error(found.code)
  return found
}

/** Degrees between two lines of the sheet, 0 to 90. */
const between = (a: readonly [Vec2, Vec2], b: readonly [Vec2, Vec2]) =>
  (Math.acos(Math.min(1, Math.abs(dot(unit(subtract(a[1], a[0])), unit(subtract(b[1], b[0])))))) * 180) / Math.PI

describe('the section, as drawn', () => {
  for (const [name, rig] of Object.entries({ jaws: sampleSetup.rig, table: tableRig, upright: armsRig })) {
    for (const side of ['A', 'B'] as const) {
      it(`shows the computed angle between face and centre plane, and the rod its offset away (${name}, ${side})`, () => {
        const setup = {
          ...sampleSetup,
          rig,
          hold: { ...sampleSetup.hold, centreOffsetMm: rig.jaws ? 0.4 : 0, tiltDeg: rig.jaws ? 0.6 : 0 },
        }
        const set = setOf(setup, side)
        const viewport = fit(sectionBounds(setup, set, side), 600, 500, margin)
        const view = sectionView(setup, set, side, 20, viewport)
        expect(between(view.face, view.centrePlane)).toBeCloseTo(set.contact.edgeAngleDeg, 6)
        expect(between(view.face, view.rod)).toBeCloseTo(0, 4)
        const off = subtract(view.pivot, view.apex)
        const way = unit(subtract(view.face[1], view.face[0]))
        expect(Math.abs(off[0] * way[1] - off[1] * way[0]) / viewport.scale).toBeCloseTo(setup.stone.faceOffsetMm, 6)
        expect(length(subtract(view.pivotHeight.to, view.pivotHeight.from)) / viewport.scale).toBeCloseTo(
          set.pivotHeightMm,
          6,
        )
      })
    }
  }

  it('stands an upright rig with the edge up and each side to its own hand', () => {
    const setup = { ...sampleSetup, rig: armsRig }
    const pivotOf = (side: 'A' | 'B') => {
      const set = setOf(setup, side)
      const view = sectionView(setup, set, side, 20, fit(sectionBounds(setup, set, side), 600, 500, margin))
      return subtract(view.pivot, view.apex)
    }
    expect(pivotOf('A')[0]).toBeGreaterThan(0)
    expect(pivotOf('B')[0]).toBeLessThan(0)
    expect(pivotOf('A')[1]).toBeGreaterThan(0)
  })

  it('a table lies level under the tilted blade', () => {
    const setup = { ...sampleSetup, rig: tableRig }
    const set = setOf(setup)
    const view = sectionView(setup, set, 'A', 20, fit(sectionBounds(setup, set, 'A'), 600, 500, margin))
    expect(view.table![0]![1]).toBeCloseTo(view.table![1]![1], 9)
    expect(between(view.centrePlane, [view.table![0]!, view.table![1]!])).toBeGreaterThan(1)
  })
})

describe('the plan, as drawn', () => {
  const setup = { ...sampleSetup, hold: { ...sampleSetup.hold, turnDeg: 6 } }
  const set = setOf(setup, 'A', 80)
  const viewport = fit(planBounds(setup, edgePoints), 500, 500, margin)
  const view = planView(setup, set, 'A', edgePoints, viewport)

  it('the tangent stands square to the line from the pivot, as far away as computed', () => {
    expect(between(view.tangent, [view.pivot, view.squareFoot])).toBeCloseTo(90, 6)
    expect(length(subtract(view.squareFoot, view.pivot)) / viewport.scale).toBeCloseTo(set.contact.distanceMm, 6)
  })

  it('finds the place of the edge that a finger points at', () => {
    expect(nearestEdgePoint(toDrawing(view.contact, viewport), setup, edgePoints).fromHeelMm).toBeCloseTo(80, 0)
  })
})

describe('the sheet', () => {
  it('pixels and millimetres are each other’s inverse, and all of the bounds is in the frame', () => {
    const bounds = { minX: -30, maxX: 90, minY: -95, maxY: 28 }
    const viewport = fit(bounds, 400, 300, margin)
    expect(toDrawing(toPixels([12, -7], viewport), viewport).map((n) => Math.round(n * 1e9) / 1e9)).toEqual([12, -7])
    const [left, top] = toPixels([bounds.minX, bounds.maxY], viewport)
    const [right, bottom] = toPixels([bounds.maxX, bounds.minY], viewport)
    expect(Math.min(left, top - 39, 401 - right, 301 - bottom)).toBeGreaterThan(0)
  })

  it('a dimension line runs beside what it measures, as long', () => {
    const line = dimension([10, 10], [110, 10], 30)
    expect([line.lineFrom, line.lineTo, line.label]).toEqual([
      [10, 40],
      [110, 40],
      [60, 40],
    ])
  })
})

describe('the marks of the jaws', () => {
  const marked = {
    ...sampleSetup,
    rig: { ...sampleSetup.rig, positionMarks: [5, -5, 0].map((alongMm) => ({ name: `n${alongMm}`, alongMm })) },
  }
  it('stand where they are, in order, all named where there is room', () => {
    expect(jawMarks(marked, { scale: 4, originX: 100, originY: 50 }).marks).toEqual(
      [
        { at: [80, 50], name: 'n-5' },
        { at: [100, 50], name: 'n0' },
        { at: [120, 50], name: 'n5' },
      ].map((mark, i) => (i % 2 ? { ...mark, name: '' } : mark)),
    )
    expect(jawMarks(marked, { scale: 8, originX: 100, originY: 50 }).marks.map((mark) => mark.name)).toEqual([
      'n-5',
      'n0',
      'n5',
    ])
  })

  it('a landmark without marks to lie on is not drawn', () => {
    const blade = { ...sampleSetup.blade, landmark: { what: 'stud', alongMm: 30 } }
    expect(jawMarks({ ...marked, blade }, { scale: 4, originX: 0, originY: 0 }).landmark).toEqual([
      [30, 0],
      [30, expect.closeTo(16.8, 9)],
    ])
    expect(jawMarks({ ...sampleSetup, blade }, { scale: 4, originX: 0, originY: 0 }).landmark).toBeNull()
  })
})

describe('a strip of positions', () => {
  it('lies over the edge end to end, each stretch within what it can be blended over, the seam where two overlap', () => {
    const position = (fromMm: number, toMm: number, coversFromMm: number, coversToMm: number): Position => ({
      hold: sampleSetup.hold,
      pivotHeightMm: 50,
      cost: 0.1,
      atMark: null,
      fromMm,
      toMm,
      coversFromMm,
      coversToMm,
    })
    const { rows, seams } = positionsView(
      [position(0, 120, 0, 130), position(120, 200, 110, 200)],
      [{ atMm: 124, apartDeg: 0 }],
    )
    expect(rows.map(({ own }) => own)).toEqual([
      { from: 0, width: 60 },
      { from: 60, width: 40 },
    ])
    expect(rows.map(({ covers }) => covers)).toEqual([
      { from: 0, width: 65 },
      { from: 55, width: 45 },
    ])
    expect(seams).toEqual([62])
  })
})
