import { describe, expect, it } from 'vitest'
import { contactsAlong } from '../geometry/contact/contact'
import { SHAPES } from '../records/blade/shapes'
import { curveLength } from '../math/curve/arcLength'
import type { Curve } from '../math/curve/curve'
import { evenEdgePoints, type EdgePoint } from '../math/curve/edgePoints'
import { rodPoseAt, type Setup } from '../geometry/setup/setup'
import { armsRig, sampleSetup, slotRig } from '../geometry/setup/sampleSetup.fixture'
import reference from './fixtures/placement.json'
import { edgeTangents, evenness } from './evenness'
import type { PlacementAsk } from './holdSpace'
import { searchPlacement, type PlacementFound } from './searchPlacement'

function segmentsOf(edge: (string | number | number[])[][]): Curve {
  return edge.map(([type, ...p]) => {
    const point = (i: number) => p[i] as [number, number]
    if (type === 'line') return { type, from: point(0), to: point(1) }
    if (type === 'arc')
      return { type, centre: point(0), radiusMm: p[1] as number, startDeg: p[2] as number, endDeg: p[3] as number }
    return { type: 'bezier' as const, points: [point(0), point(1), point(2), point(3)] }
  })
}

function found(ask: PlacementAsk): PlacementFound {
  const search = searchPlacement(ask)
  for (;;) {
    const step = search.next()
    if (step.done) return step.value
  }
}

const evenJudge = (setup: Setup, edgePoints: readonly EdgePoint[], wantedDeg: number): PlacementAsk['judge'] => {
  const tangents = edgeTangents(edgePoints)
  return (hold) => evenness(setup, ['A'], hold, tangents, edgePoints, wantedDeg)
}

const jobOf = (c: (typeof reference.cases)[number]): Setup => ({
  ...sampleSetup,
  rig: {
    ...sampleSetup.rig,
    pivot: { setbackMm: -c.pivot[1]!, alongMm: c.pivot[0]!, overScaleMm: 0 },
    rodLengthMm: 1000,
  },
  // A stone without width: the tangents alone.
  stone: { ...sampleSetup.stone, faceOffsetMm: c.faceOffset, widthMm: 0 },
  blade: { ...sampleSetup.blade, edge: segmentsOf(c.edge) as Setup['blade']['edge'] },
})

describe('the global optimiser’s reference', () => {
  for (const c of reference.cases) {
    it(c.name, () => {
      const setup = jobOf(c)
      const edgePoints = evenEdgePoints(setup.blade.edge, 401)
      expect(curveLength(setup.blade.edge)).toBeCloseTo(c.edgeLength, 5)
      const range = {
        bladeXMm: c.bladeXRange as [number, number],
        turnDeg: c.turnRangeDeg as [number, number],
        depthsMm: [c.bladeY],
        freeDepthMm: null,
        onMarks: null,
      }
      const { best } = found({ hold: setup.hold, judge: evenJudge(setup, edgePoints, c.targetDeg), range })
      expect(best!.cost - c.worstDeviationDeg).toBeLessThan(0.01)
      expect(best!.cost - c.worstDeviationDeg).toBeGreaterThan(-0.001)
      // And it is what the exact angles along the edge say.
      const along = contactsAlong(
        edgePoints,
        best!.hold,
        rodPoseAt({ ...setup, hold: best!.hold }, 'A', best!.pivotHeightMm),
      )
      const worst = Math.max(
        ...along.map((contact) => (contact.ok ? Math.abs(contact.edgeAngleDeg - c.targetDeg) : Infinity)),
      )
      expect(worst).toBeCloseTo(best!.cost, 5)
    })
  }
})

describe('the search', () => {
  it.each(['clip', 'leaf', 'recurved', 'hooked'] as const)(
    '%s: a grid far finer than its map finds nothing better by a hundredth of a degree',
    (id) => {
      const { edge } = SHAPES[id].build(SHAPES[id].usual)
      const setup = {
        ...sampleSetup,
        rig: { ...sampleSetup.rig, pivot: { setbackMm: 110, alongMm: 8, overScaleMm: 0 } },
        blade: { ...sampleSetup.blade, edge: [...edge] },
      }
      const judge = evenJudge(setup, evenEdgePoints(edge, 101), 18)
      const { best } = found({
        hold: setup.hold,
        judge,
        range: {
          bladeXMm: [0, SHAPES[id].usual.lengthMm],
          turnDeg: [-10, 10],
          depthsMm: [5],
          freeDepthMm: null,
          onMarks: null,
        },
      })
      let least = Infinity
      for (let x = 0; x <= 100; x++)
        for (let turn = 0; turn <= 200; turn++)
          least = Math.min(
            least,
            judge({
              ...setup.hold,
              bladeYMm: 5,
              bladeXMm: (SHAPES[id].usual.lengthMm * x) / 100,
              turnDeg: turn / 10 - 10,
            })?.cost ?? Infinity,
          )
      expect(best!.cost).toBeLessThan(least + 0.01)
    },
  )

  it('does not turn a blade where that gains next to nothing', () => {
    const range = {
      bladeXMm: [10, 80] as const,
      turnDeg: [-10, 10] as const,
      depthsMm: [5],
      freeDepthMm: null,
      onMarks: null,
    }
    const hold = (edge: Curve) =>
      found({
        hold: sampleSetup.hold,
        judge: evenJudge(
          { ...sampleSetup, blade: { ...sampleSetup.blade, edge: [...edge] } },
          evenEdgePoints(edge, 101),
          18,
        ),
        range,
      }).best!.hold
    expect(hold([{ type: 'line', from: [0, 24], to: [90, 24] }]).turnDeg).toBe(0)
    expect(
      hold([
        { type: 'line', from: [0, 24], to: [60, 24] },
        { type: 'line', from: [60, 24], to: [90, 10] },
      ]).turnDeg,
    ).not.toBe(0)
  })
})

describe('an even angle', () => {
  const edgePoints = evenEdgePoints(sampleSetup.blade.edge, 200)

  it('the best height leaves the steepest and the flattest place equally far off, also off centre', () => {
    for (const setup of [
      sampleSetup,
      { ...sampleSetup, hold: { ...sampleSetup.hold, centreOffsetMm: 0.4, tiltDeg: 0.8, turnDeg: 5 } },
    ]) {
      const even = evenness(setup, ['B'], setup.hold, edgeTangents(edgePoints), edgePoints, 19)!
      const angles = contactsAlong(edgePoints, setup.hold, rodPoseAt(setup, 'B', even.pivotHeightMm)).map((contact) =>
        contact.ok ? contact.edgeAngleDeg : NaN,
      )
      expect(Math.max(...angles) - 19).toBeCloseTo(even.cost, 5)
      expect(19 - Math.min(...angles)).toBeCloseTo(even.cost, 5)
    }
  })

  it('of an upright rig each arm stands as far over the scale as was found', () => {
    const arms = { ...armsRig, pivot: { ...armsRig.pivot, overScaleMm: -1.5 }, rodLengthMm: 900 }
    const setup = { ...sampleSetup, rig: arms }
    const even = evenness(setup, ['A'], setup.hold, edgeTangents(edgePoints), edgePoints, 20)!
    const off = contactsAlong(edgePoints, setup.hold, rodPoseAt(setup, 'A', even.pivotHeightMm)).map((contact) =>
      contact.ok ? contact.edgeAngleDeg - 20 : NaN,
    )
    expect(Math.max(...off)).toBeCloseTo(even.cost, 6)
    expect(Math.min(...off)).toBeCloseTo(-even.cost, 6)
  })

  it('on a plate it is the best of the slots', () => {
    const setup = { ...sampleSetup, rig: slotRig }
    const even = evenness(setup, ['A'], setup.hold, edgeTangents(edgePoints), edgePoints, 19)!
    const worst = (heightMm: number) =>
      Math.max(
        ...contactsAlong(edgePoints, setup.hold, { ...rodPoseAt(setup, 'A', heightMm), rodLengthMm: 900 }).map(
          (contact) => (contact.ok ? Math.abs(contact.edgeAngleDeg - 19) : Infinity),
        ),
      )
    const heights = slotRig.height.by === 'slot' ? slotRig.height.slots.map((slot) => slot.heightMm) : []
    expect(even.cost).toBeCloseTo(Math.min(...heights.map(worst)), 6)
  })

  it('keeps to what is allowed, and says when nothing is', () => {
    const range = {
      bladeXMm: [20, 70] as const,
      turnDeg: [-8, 8] as const,
      depthsMm: [0, 4],
      freeDepthMm: null,
      onMarks: null,
    }
    const judge = evenJudge(sampleSetup, edgePoints, 20)
    const hold = sampleSetup.hold
    const free = found({ hold, judge, range })
    const kept = found({ hold, judge, range, allowed: (at) => at.turnDeg <= 2 && at.bladeYMm === 4 })
    expect(kept.best!.hold.turnDeg).toBeLessThanOrEqual(2)
    expect(kept.best!.hold.bladeYMm).toBe(4)
    expect(kept.best!.cost).toBeGreaterThan(free.best!.cost)
    expect(found({ hold, judge, range, allowed: () => false }).best).toBeNull()
  })
})
