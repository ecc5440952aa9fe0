import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { contactsAlong } from '../contact/contact'
import type { Side } from '../../records/common/side'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import { bellyBlade, sampleSetup, tableRig } from '../setup/sampleSetup.fixture'
import { rodPoseAt, type Setup } from '../setup/setup'
import type { Blade } from '../../records/blade/blade'
import type { Rest } from '../../records/job/clampPosition'
import { asThickAs } from '../../records/blade/taper'
import { radians } from '../../math/units/angle'
import { depthAt } from '../../math/vector/lowestFacet'
import { rocksByDeg, tablePlane, tableSupport } from './tableSupport'
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
    const straight: Blade = {
      ...bellyBlade,
      widthMm: 20,
      primaryGrindHeightMm: 12,
      spineThicknessMm: 4.5,
      spineThicknessTipMm: 1.5,
      edge: [{ type: 'line', from: [0, 20], to: [100, 20] }],
    }
    const lying = (blade: Blade, restsOn?: Rest): Setup => ({
      ...sampleSetup,
      rig: tableRig,
      blade,
      hold: { ...sampleSetup.hold, bladeXMm: 50, bladeYMm: 0, restsOn },
    })
    const angles = (setup: Setup, side: Side) =>
      contactsAlong(evenEdgePoints(setup.blade.edge, 40), setup.hold, rodPoseAt(setup, side, 62)).map((contact) => {
        if (!contact.ok) throw new Error(contact.code)
        return contact.edgeAngleDeg
      })

    it.each(['flats', 'face'] as const)('lies one way on its %s: a straight edge has one angle', (rest) => {
      const along = angles(lying(straight, rest), 'A')
      expect(Math.max(...along) - Math.min(...along)).toBeLessThan(1e-9)
      // On the flats the edge falls by half of what the spine thins by: from there the pivot stands higher.
      if (rest === 'face') return
      const level = angles(lying({ ...straight, spineThicknessMm: 3, spineThicknessTipMm: null }, rest), 'A')
      expect(Math.abs(along[0]! - level[0]!)).toBeLessThan(0.05)
    })

    const spine = fc.tuple(between(2, 6), between(1, 5))
    const tapering = fc.record({ spine, behind: between(0.2, 0.6), grind: between(8, 28), edge: fc.boolean() })
    it('nothing of it is in the table, and its weight is over what touches that', () => {
      fc.assert(
        fc.property(tapering, ({ spine: [heel, tip], behind, grind, edge }) => {
          const blade: Blade = {
            ...bellyBlade,
            spineThicknessMm: heel,
            spineThicknessTipMm: tip,
            thicknessBehindEdgeMm: behind,
            primaryGrindHeightMm: grind,
            edge: edge ? bellyBlade.edge : [{ type: 'line', from: [0, 28], to: [110, 28] }],
          }
          const { hold } = lying(blade)
          const { offsetMm, tiltDeg, axisTurnDeg } = restingCentrePlane(blade, hold, 'A')
          const [axis, tilt] = [radians(axisTurnDeg), radians(tiltDeg)]
          /** How high a place of the lower face stands over the table. */
          const over = (x: number, y: number, depth: number) =>
            offsetMm +
            (y * Math.cos(axis) - (x - hold.bladeXMm) * Math.sin(axis)) * Math.sin(tilt) -
            depth * Math.cos(tilt)
          const ends = evenEdgePoints(blade.edge, 300).map(({ point }) => point)
          const [shoulder, length] = [shoulderDepthMm(blade), ends.at(-1)![0]]
          let [mass, momentX, momentY, lowest] = [0, 0, 0, Infinity]
          const touching: [number, number][] = []
          for (const [i, [x, edgeY]] of ends.entries()) {
            const thick = heel + ((tip - heel) * x) / length
            for (let y = 0.05; y < edgeY; y += 0.1) {
              const toEdge = 28 - y
              const share = Math.min(1, Math.max(0, (grind - toEdge) / (grind - shoulder)))
              const depth = (thick - Math.max(0, thick - behind) * share) / 2
              const here = depth * (x - (ends[i - 1]?.[0] ?? 0))
              mass += here
              momentX += here * x
              momentY += here * y
              if (y > edgeY - shoulder) continue
              lowest = Math.min(lowest, over(x, y, depth))
              if (over(x, y, depth) < 0.02) touching.push([x, y])
            }
          }
          expect(lowest).toBeGreaterThan(-0.02)
          const [x, y] = [momentX / mass, momentY / mass]
          // Whichever way one looks from there, something touches on that side.
          for (let i = 0; i < 16; i++) {
            const [u, v] = [Math.cos((i * Math.PI) / 8), Math.sin((i * Math.PI) / 8)]
            expect(Math.max(...touching.map((at) => (at[0] - x) * u + (at[1] - y) * v))).toBeGreaterThan(-0.6)
          }
        }),
        { numRuns: 40 },
      )
    })

    it('rocks on a face that is no plane, between the slopes of its face at heel and tip; on its flats it does not', () => {
      const rocks = (rest: Rest) => rocksByDeg(straight, tableSupport(straight, rest))
      const slope = (share: number) => primaryHalfAngleDeg(asThickAs(straight, share))
      expect(rocks('flats')).toBe(0)
      expect(rocks('face')).toBeGreaterThan(slope(0) - slope(1) - 0.6)
      expect(rocks('face')).toBeLessThan(slope(0) - slope(1) + 1.5)
      // Rocked as far as that, no corner of its face is in the table, and three of them touch it.
      const support = tableSupport(straight, 'face')
      const plane = tablePlane(straight, support, rocks('face'))
      const over = [0, 100].flatMap((x) =>
        [8, 20 - shoulderDepthMm(straight)].map((y) => {
          const there = asThickAs(straight, x / 100)
          return depthAt(plane, [x, y]) - (y === 8 ? there.spineThicknessMm : there.thicknessBehindEdgeMm) / 2
        }),
      )
      expect(over.sort((a, b) => a - b).slice(0, 3)).toEqual([0, 1, 2].map(() => expect.closeTo(0, 9)))
      const even = { ...straight, spineThicknessTipMm: null }
      expect(rocksByDeg(even, tableSupport(even, 'face'))).toBe(0)
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
