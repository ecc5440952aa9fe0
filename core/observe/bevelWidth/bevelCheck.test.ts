import { randomLcg, randomNormal } from 'd3-random'
import { describe, expect, it } from 'vitest'
import { edgeAngleThere } from './edgeAngleThere'
import type { Side } from '../../records/common/side'
import { curveLength } from '../../math/curve/arcLength'
import { sampleSetup } from '../../geometry/setup/sampleSetup.fixture'
import { checkWidths, widthCauses, type WidthFound } from './bevelCheck'
import { pictureWidth } from './pictureWidth'

const blade = { ...sampleSetup.blade, bevelDeg: { A: 22, B: 22 }, thicknessBehindEdgeTipMm: 0.35 }
const length = curveLength(blade.edge)
const tan = (deg: number) => Math.tan((deg * Math.PI) / 180)

/** Where the face through an apex off the middle meets the flank, by the equations of both lines. */
function widthOn(side: Side, placeMm: number, is: { edgeDeg: number; thicker?: number; apexToA?: number }): number {
  const behind = 0.5 + (0.35 - 0.5) * (placeMm / length) + (is.thicker ?? 0)
  const spine = blade.spineThicknessMm + (is.thicker ?? 0)
  const shoulderAt = behind / 2 / tan(22)
  const flank = (spine - behind) / 2 / (blade.primaryGrindHeightMm - shoulderAt)
  const begins = behind / 2 - shoulderAt * flank
  const off = (is.apexToA ?? 0) * (side === 'A' ? 1 : -1)
  const x = (begins - off) / (tan(is.edgeDeg) - flank)
  return x / Math.cos((is.edgeDeg * Math.PI) / 180)
}
const found = (side: Side, placeMm: number, widthMm: number, edgeUncertaintyDeg = 0.3): WidthFound => ({
  side,
  placeMm,
  widthMm,
  uncertaintyMm: 0.05,
  edgeDeg: 18,
  edgeUncertaintyDeg,
})

describe('the width of a bevel against what angle and thickness give', () => {
  it('a blade as it was written down has the predicted widths, narrower where it tapers', () => {
    const [heel, tip] = checkWidths(blade, [found('A', 0, 0.9), found('B', length, 0.9)]) as [never, never]
    expect(heel).toMatchObject({ predictedMm: expect.closeTo(widthOn('A', 0, { edgeDeg: 18 }), 3) })
    expect(tip).toMatchObject({ predictedMm: expect.closeTo(widthOn('B', length, { edgeDeg: 18 }), 3) })
    expect(widthCauses(blade, [], { A: true, B: true })).toEqual([])
  })

  it('agrees as far as loupe, angle and caliper are sure together, and no further', () => {
    const at = widthOn('A', 20, { edgeDeg: 18 })
    const [near, far] = checkWidths(blade, [found('A', 20, at + 0.1), found('A', 20, at + 0.2)])
    expect([near!.agrees, far!.agrees]).toEqual([true, false])
    expect(near!.predictedUncertaintyMm).toBeCloseTo(Math.hypot(0.06 * 1.63, 0.3 * 0.05), 2)
  })

  it.each([
    ['thickness', { thicker: 0.16 }, 0.16],
    ['apex', { apexToA: 0.14 }, 0.14],
    ['angle-B', { angleB: 4, edgeUncertaintyDeg: 1 }, 4],
  ] as const)('%s that is off is named first, and by how much, in 95 of 100 blades', (what, is, off) => {
    const normal = randomNormal.source(randomLcg(0.3))(0, 0.02)
    let first = 0
    for (let trial = 0; trial < 200; trial++) {
      const widths = [10, 30, 50].flatMap((place) =>
        (['A', 'B'] as const).map((side) => {
          const edgeDeg = 18 + (side === 'B' && 'angleB' in is ? is.angleB : 0)
          return found(
            side,
            place,
            widthOn(side, place, { ...is, edgeDeg }) + normal(),
            'edgeUncertaintyDeg' in is ? is.edgeUncertaintyDeg : 0.3,
          )
        }),
      )
      const [cause] = widthCauses(blade, checkWidths(blade, widths), { A: true, B: true })
      if (cause?.what === what && Math.abs(cause.off - off) < 0.25 * off) first++
    }
    expect(first).toBeGreaterThanOrEqual(190)
  })

  it('a face narrower than it must be asks first whether it came through, unless that was seen', () => {
    const narrow = checkWidths(blade, [found('A', 20, 0.4)])
    expect(widthCauses(blade, narrow, { A: null, B: null })[0]).toEqual({ what: 'not-through', sides: ['A'] })
    expect(widthCauses(blade, narrow, { A: true, B: null }).map(({ what }) => what)).not.toContain('not-through')
    const causes = (a: number, b: number, seenOnB: boolean | null) =>
      widthCauses(blade, checkWidths(blade, [found('A', 20, a), found('B', 20, b)]), { A: null, B: seenOnB })
    expect(causes(0.4, 0.4, null)[0]).toEqual({ what: 'not-through', sides: ['A', 'B'] })
    expect(causes(0.4, 0.4, true).map(({ what }) => what)).not.toContain('not-through')
    expect(causes(0.4, 1.3, null).map(({ what }) => what)).not.toContain('not-through')
  })

  it('both sides cut to another angle alike is told so; of one side alone nothing is told of the other or the apex', () => {
    const of = (...sides: Side[]) => {
      const widths = [10, 30, 50].flatMap((place) =>
        sides.map((side) => found(side, place, widthOn(side, place, { edgeDeg: 21 }), side === 'A' ? 1 : 0.8)),
      )
      return widthCauses(blade, checkWidths(blade, widths), { A: true, B: true })
    }
    const steeper = of('A', 'B').find(({ what }) => what === 'angle')
    expect(steeper).toMatchObject({ off: expect.closeTo(3, 1), times: expect.closeTo(3, 1) })
    expect(
      of('A')
        .map(({ what }) => what)
        .filter((what) => what !== 'thickness'),
    ).toEqual(['angle'])
  })

  it('a place at which the angle gives no bevel is left out', () => {
    const flat = { ...found('A', 20, 0.9), edgeDeg: 1 }
    expect(checkWidths(blade, [flat, found('A', 20, 0.9)])).toHaveLength(1)
  })

  it('thickness is more all along: on a blade without measures at its tip as well', () => {
    const even = { ...blade, thicknessBehindEdgeTipMm: null, spineThicknessTipMm: 2 }
    const [at] = checkWidths(even, [found('A', 40, 0.5)])
    const thicker = { ...even, thicknessBehindEdgeMm: 0.6, spineThicknessMm: 3.1, spineThicknessTipMm: 2.1 }
    const [more] = checkWidths(thicker, [found('A', 40, 0.5)])
    const [cause] = widthCauses(even, checkWidths(even, [found('A', 40, more!.predictedMm)]), { A: true, B: true })
    expect(cause).toMatchObject({ what: 'thickness', off: expect.closeTo(0.1, 3) })
    expect(at!.predictedMm).toBeLessThan(more!.predictedMm)
  })
})

describe('a width in a photograph', () => {
  const scale = [
    [100, 50],
    [900, 50],
  ] as const
  const edge = [
    [100, 400],
    [500, 420],
    [900, 440],
  ] as const
  it('is the distance of the shoulder’s marks from the edge, and beyond its ends too', () => {
    // A line at a slope of 1 in 20 with the shoulder 80 px over it; 800 px are 8 mm.
    const across = 80 / Math.hypot(1, 0.05)
    const up = ([x, y]: readonly [number, number]) => [x, y - 80] as const
    const one = pictureWidth({ scale, scaleMm: 8, edge, shoulder: [up([20, 396])] })
    expect(one).toMatchObject({
      ok: true,
      widthMm: expect.closeTo(across / 100, 9),
      uncertaintyMm: expect.closeTo(0.028, 2),
    })
    const three = pictureWidth({ scale, scaleMm: 8, edge, shoulder: edge.map(up) })
    expect(three.ok && one.ok && three.uncertaintyMm < one.uncertaintyMm).toBe(true)
    const uneven = pictureWidth({ scale, scaleMm: 8, edge, shoulder: [up([100, 400]), up([500, 440])] })
    expect(uneven.ok && uneven.uncertaintyMm).toBeGreaterThan(1)
  })

  it('says what is not marked yet', () => {
    const of = (more: object) => pictureWidth({ scale, scaleMm: 8, edge, shoulder: [[1, 1]], ...more })
    expect(of({ scale: scale.slice(1) })).toEqual({ ok: false, code: 'no-scale' })
    expect(of({ scaleMm: 0 })).toEqual({ ok: false, code: 'no-scale' })
    expect(of({ edge: edge.slice(1, 2) })).toEqual({ ok: false, code: 'no-edge' })
    expect(of({ shoulder: [] })).toEqual({ ok: false, code: 'no-shoulder' })
  })
})

it('the edge angle at a place is what is set there, moved by what the steel is off where it was proved', () => {
  const set = { here: 21, whereProved: 20, uncertaintyDeg: 0.4 }
  expect(edgeAngleThere(set, null)).toEqual({ deg: 21, uncertaintyDeg: 0.4, by: 'set' })
  expect(edgeAngleThere(set, { deg: 20.5, uncertaintyDeg: 0.2 })).toEqual({
    deg: 21.5,
    uncertaintyDeg: 0.2,
    by: 'proved',
  })
  expect(edgeAngleThere({ ...set, here: null }, { deg: 20.5, uncertaintyDeg: 0.2 })!.deg).toBe(20.5)
  expect(edgeAngleThere({ ...set, whereProved: null }, { deg: 20.5, uncertaintyDeg: 0.2 })!.deg).toBe(20.5)
  expect(edgeAngleThere({ ...set, here: null }, null)).toBeNull()
})
