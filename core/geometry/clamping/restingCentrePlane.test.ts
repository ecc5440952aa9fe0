import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { contactsAlong } from '../contact/contact'
import type { Side } from '../../records/common/side'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import { edgeTangents, evenness } from '../../placement/evenness'
import { bellyBlade, sampleSetup, tableRig } from '../setup/sampleSetup.fixture'
import { rodPosesAt, type Setup } from '../setup/setup'
import type { Blade } from '../../records/blade/blade'
import { primaryHalfAngleDeg } from '../../records/blade/primaryHalfAngle'
import { restByWeight, restingCentrePlane, restOf } from './restingCentrePlane'
import { shoulderDepthMm } from '../../records/blade/shoulder'

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const blades = fc
  .record({
    spineThicknessMm: between(1.5, 6),
    thicknessBehindEdgeMm: between(0.1, 1),
    primaryGrindHeightMm: between(8, 24),
    bevel: fc.option(between(10, 35)),
    bevels: fc.constantFrom('both' as const, 'A' as const),
  })
  .map(({ bevel, ...measures }): Blade => ({
    ...bellyBlade,
    ...measures,
    widthMm: 26,
    bevelDeg: bevel === null ? null : { A: bevel, B: bevel },
  }))

describe('a blade lying on a table', () => {
  it.each(['A', 'B'] as const)(
    'side %s up: the face below touches the table from the shoulder to the end of the grind',
    (side) => {
      fc.assert(
        fc.property(blades, between(-10, 20), between(-10, 10), (blade, bladeYMm, turnDeg) => {
          const { offsetMm, tiltDeg, axisTurnDeg } = restingCentrePlane(
            blade,
            { ...sampleSetup.hold, bladeYMm, turnDeg, tiltDeg: 0, centreOffsetMm: 0, restsOn: 'face' },
            side,
          )
          expect(axisTurnDeg).toBe(turnDeg)
          const tilt = (tiltDeg * Math.PI) / 180
          // From the reference plane down to the lower face; a flat back is that plane itself.
          const faceAt = (shareOfGrind: number): [number, number] => {
            const [shoulder, end] = [shoulderDepthMm(blade), blade.primaryGrindHeightMm]
            const behindEdge = shoulder + (end - shoulder) * shareOfGrind
            const [thin, thick] = [blade.thicknessBehindEdgeMm / 2, blade.spineThicknessMm / 2]
            return [blade.widthMm - behindEdge, blade.bevels === 'A' ? 0 : thin + (thick - thin) * shareOfGrind]
          }
          for (const share of [0, 0.4, 1]) {
            const [y, below] = faceAt(share)
            expect(offsetMm + (y - bladeYMm) * Math.sin(tilt) - below * Math.cos(tilt)).toBeCloseTo(0, 9)
          }
        }),
      )
    },
  )

  describe('that thins towards its tip', () => {
    const tapered: Setup = {
      ...sampleSetup,
      rig: tableRig,
      hold: { ...sampleSetup.hold, bladeYMm: 0, turnDeg: 4 },
      blade: { ...bellyBlade, spineThicknessMm: 3, spineThicknessTipMm: 1.8, thicknessBehindEdgeTipMm: 0.2 },
    }
    const edgePoints = evenEdgePoints(tapered.blade.edge, 40)
    const total = edgePoints.at(-1)!.fromHeelMm
    const angles = (setup: Setup, side: Side) =>
      contactsAlong(edgePoints, setup.hold, rodPosesAt(setup, side, 62)).map((contact) => {
        if (!contact.ok) throw new Error(contact.code)
        return contact.edgeAngleDeg
      })

    it.each(['A', 'B'] as const)(
      'side %s up: each place lies as a blade does that is all as thick as it is there',
      (side) => {
        const found = angles(tapered, side)
        edgePoints.forEach((edgePoint, i) => {
          const share = edgePoint.fromHeelMm / total
          const there = {
            ...tapered.blade,
            spineThicknessMm: 3 - 1.2 * share,
            thicknessBehindEdgeMm: bellyBlade.thicknessBehindEdgeMm + (0.2 - bellyBlade.thicknessBehindEdgeMm) * share,
            spineThicknessTipMm: null,
            thicknessBehindEdgeTipMm: null,
          }
          expect(found[i]).toBeCloseTo(angles({ ...tapered, blade: there }, side)[i]!, 9)
        })
        // The heel's thickness all along would be off by more than the uncertainty that was claimed with it.
        const asAtHeel = { ...tapered.blade, spineThicknessTipMm: null, thicknessBehindEdgeTipMm: null }
        expect(Math.abs(found.at(-1)! - angles({ ...tapered, blade: asAtHeel }, side).at(-1)!)).toBeGreaterThan(0.4)
      },
    )

    it('is held as evenly as it is said to be', () => {
      const even = evenness(tapered, ['A'], tapered.hold, edgeTangents(edgePoints), edgePoints, 20)!
      const off = contactsAlong(edgePoints, tapered.hold, rodPosesAt(tapered, 'A', even.pivotHeightMm)).map(
        (contact) => (contact.ok ? contact.edgeAngleDeg - 20 : NaN),
      )
      expect(Math.max(...off)).toBeCloseTo(even.cost, 6)
      expect(Math.min(...off)).toBeCloseTo(-even.cost, 6)
    })
  })
})

it('a sabre grind lies on its flats, or tips onto its face, by where its weight is; a hand’s word goes before', () => {
  const sabre = (primaryGrindHeightMm: number) => ({ ...bellyBlade, spineThicknessMm: 4, primaryGrindHeightMm })
  // A low grind leaves most of the steel over the flats, a high one most of it in front of them.
  expect([8, 14, 20, 27.5].map((height) => restByWeight(sabre(height)))).toEqual(['flats', 'flats', 'face', 'face'])
  const { hold } = sampleSetup
  const level = restingCentrePlane(sabre(14), hold, 'A')
  expect(level).toEqual({ offsetMm: 2, tiltDeg: 0, axisTurnDeg: hold.turnDeg })
  const tipped = restingCentrePlane(sabre(14), { ...hold, restsOn: 'face' }, 'A')
  expect(tipped.tiltDeg).toBeCloseTo(-primaryHalfAngleDeg(sabre(14)), 9)
  // Ground to the spine there is nothing else to lie on.
  expect(restOf(sabre(27.5), { restsOn: 'flats' })).toBe('face')
})
