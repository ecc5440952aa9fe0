import { describe, expect, it } from 'vitest'
import { contactAt, contactsAlong, type Contact } from '../angle/contact'
import { primaryHalfAngleDeg } from '../blade/primaryHalfAngle'
import type { Side } from '../clamping/centring'
import { evenStations, stationAt } from '../curve/stations'
import { refuse, type Refusal } from '../angle/reasons'
import { radians } from '../units/angle'
import { doubtBudget } from '../doubt/budget'
import { primaryFaceDeg } from '../blade/primaryFace'
import { centrePlaneOf, reacherAt, reachersAt, type Setup } from '../setup/setup'
import { sampleSetup, slotRig, tableRig } from '../setup/sampleSetup.fixture'
import { expectedReadingDeg } from './expectedReading'
import { likelyCauses } from './likelyCauses'
import { whereSquare } from './whereSquare'

const straight = stationAt(sampleSetup.blade.edge, 40)
const stations = evenStations(sampleSetup.blade.edge, 200)
const known = {
  bladeHeightToleranceMm: 0.5,
  holdTolerance: { alongMm: 1, turnDeg: 0.5, centreOffsetMm: 0.1, tiltDeg: 0.2 },
}
function contact(setup: Setup, side: Side = 'A', height = 58, station = straight): Contact {
  const found = contactAt(station, setup.hold, reacherAt(setup, side, height, station))
  if (!found.ok) throw new Error(found.reason)
  return found
}

/** The fall (degrees) of a run in the blade's plane once that plane is tilted about an axis in it: by Rodrigues. */
function fallAgainst([u, v]: [number, number], fall: number, axisTurn: number, tilt: number): number {
  const [axis, rod] = [
    [Math.cos(axisTurn), Math.sin(axisTurn), 0],
    [u, v, -fall],
  ] as const
  const acrossUp = axis[0] * rod[1] - axis[1] * rod[0]
  const up = rod[2] * Math.cos(tilt) + acrossUp * Math.sin(tilt)
  return (Math.asin(-up / Math.hypot(...rod)) * 180) / Math.PI
}

describe('what the gauge must read', () => {
  it('zeroed on the blade’s flat it reads the primary half-angle less, square to the edge', () => {
    const at = contact(sampleSetup)
    expect(expectedReadingDeg(sampleSetup, 'A', at, 'centre-plane')).toBeCloseTo(at.edgeAngleDeg, 9)
    expect(expectedReadingDeg(sampleSetup, 'A', at, 'primary-face')).toBeCloseTo(
      at.edgeAngleDeg - primaryHalfAngleDeg(sampleSetup.blade),
      9,
    )
  })

  it('zeroed on the jaws it sees the tilt of the blade, with opposite signs on the two sides', () => {
    const tilted = { ...sampleSetup, hold: { ...sampleSetup.hold, tiltDeg: 0.6 } }
    for (const [side, tilt] of [
      ['A', 0.6],
      ['B', -0.6],
    ] as const) {
      const at = contact(tilted, side)
      expect(expectedReadingDeg(tilted, side, at, 'clamp')).toBeCloseTo(at.gaugeDeg - tilt, 9)
    }
  })

  it.each([
    ['jaws', sampleSetup.rig],
    ['table', tableRig],
  ])('zeroed on the %s, with a turned and tilted blade, it reads the rod against their level', (_, rig) => {
    const held = { ...sampleSetup, rig, hold: { ...sampleSetup.hold, turnDeg: 8, tiltDeg: 0.6 } }
    const at = contact(held)
    const plane = centrePlaneOf(held, 'A', at)
    expect(plane.axisTurnDeg).toBe(rig === tableRig ? 8 : 0)
    const [face, tilt, turn] = [sampleSetup.stone.faceOffsetMm, radians(plane.tiltDeg), radians(8)]
    // The rod's axis stands over the contact by the face's offset, square to the face; then into the jaws' frame.
    const edge = radians(at.edgeAngleDeg)
    const run = [0, 1].map((i) => at.point[i]! + at.outward[i]! * face * Math.sin(edge) - at.foot[i]!)
    const fall = at.heightMm - face * Math.cos(edge)
    expect(expectedReadingDeg(held, 'A', at, 'clamp')).toBeCloseTo(
      fallAgainst(run as [number, number], fall, radians(plane.axisTurnDeg), tilt),
      6,
    )
    // On the flat only the part of its slope that lies along the rod counts.
    const bladeOut = [-Math.sin(turn), Math.cos(turn)]
    const share = (run[0]! * bladeOut[0]! + run[1]! * bladeOut[1]!) / Math.hypot(...run)
    const slope = Math.tan(radians(primaryFaceDeg(sampleSetup.blade, 'A')))
    expect(expectedReadingDeg(held, 'A', at, 'primary-face')).toBeCloseTo(
      at.gaugeDeg - (Math.atan(slope * share) * 180) / Math.PI,
      6,
    )
    expect(share).toBeLessThan(0.999)
  })

  it('between two places it is square where a straight line through what they are off crosses nothing', () => {
    const at = (fromHeelMm: number, offMm: number): Contact => ({
      ...contact(sampleSetup),
      fromHeelMm,
      outward: [0, 1],
      foot: [0, 0],
      point: [offMm, 90],
    })
    const places = (...along: (Contact | Refusal)[]) => whereSquare(along).map(({ fromMm, toMm }) => [fromMm, toMm])
    expect(places(at(10, -3), at(20, 1))).toEqual([[17.5, 17.5]])
    expect(places(at(10, 1), at(20, 3))).toEqual([])
    // A stretch is told once, from its first place to its last; what crosses beside it is not told again.
    expect(places(at(10, -3), at(20, 0.02), at(30, -0.01), at(40, 0.01), at(50, 3))).toEqual([[20, 40]])
    expect(places(at(10, 0), at(20, 3), at(30, 0), at(40, 0))).toEqual([
      [10, 10],
      [30, 40],
    ])
    // Where the stone does not come there is no line to cross.
    expect(places(at(10, -3), refuse('beyond-rod'), at(20, 1))).toEqual([])
    expect(places(at(10, 0), refuse('beyond-rod'), at(20, 0))).toEqual([
      [10, 10],
      [20, 20],
    ])
  })

  it('from a fixed pivot single places are square, in a wide slot a stretch is', () => {
    const fixed = whereSquare(contactsAlong(stations, sampleSetup.hold, reachersAt(sampleSetup, 'A', 58)))
    // One on the straight, over the pivot, and one where the line from the pivot through the arc's centre meets the
    // belly.
    expect(fixed).toHaveLength(2)
    for (const { fromMm } of fixed) {
      const at = contact(sampleSetup, 'A', 58, stationAt(sampleSetup.blade.edge, fromMm))
      expect(at.gaugeDeg).toBeCloseTo(at.edgeAngleDeg, 4)
    }
    const sliding = { ...sampleSetup, rig: slotRig }
    const [stretch] = whereSquare(contactsAlong(stations, sliding.hold, reachersAt(sliding, 'A', 58)))
    expect(stretch!.toMm - stretch!.fromMm).toBeGreaterThan(10)
  })
})

describe('why the gauge reads otherwise', () => {
  const budgets = {
    A: doubtBudget(sampleSetup, known, 'A', 58, straight),
    B: doubtBudget(sampleSetup, known, 'B', 58, straight),
  }
  const causes = (a: number, b: number) => {
    const read = (side: Side, by: number) => ({
      contact: contact(sampleSetup, side),
      budget: budgets[side],
      readDeg: contact(sampleSetup, side).gaugeDeg + by,
    })
    return likelyCauses(sampleSetup, { A: read('A', a), B: read('B', b) }, 'centre-plane')
  }

  it('nothing to explain where it reads as it should', () => {
    expect(causes(0.1, -0.1)).toEqual([])
  })

  it('both sides high alike: a measure they share; one high and one low: the blade’s tilt or centring', () => {
    const alike = causes(0.8, 0.8)[0]
    expect(alike).toMatchObject({ by: 'measure' })
    expect(alike?.by === 'measure' && ['pivot-height', 'setback', 'blade-height'].includes(alike.measure)).toBe(true)
    const opposite = causes(0.8, -0.8)
    expect(opposite.map((cause) => cause.by === 'measure' && cause.measure)).toEqual(['tilt', 'centre-offset'])
  })

  it('low by the primary half-angle on both sides: it was zeroed on the flat', () => {
    const half = primaryHalfAngleDeg(sampleSetup.blade)
    expect(causes(-half, -half)[0]).toMatchObject({ by: 'zero', zero: 'primary-face' })
  })

  it('what needs the fewest of its tolerances comes first, and what the gauge does not read is never named', () => {
    const measures = causes(0.8, 0.8).flatMap((cause) => (cause.by === 'measure' ? [cause] : []))
    expect(measures.length).toBeGreaterThan(2)
    const times = measures.map((one) => one.times)
    expect(times).toEqual([...times].sort((a, b) => a - b))
    expect(measures.map((one) => one.measure)).not.toContain('face-shape')
    for (const one of measures) expect(one.leavesDeg).toBeLessThanOrEqual(0.15)
    // One side as it should be does not hide the other.
    expect(causes(0.25, 0.1)).not.toHaveLength(0)
    const half = primaryHalfAngleDeg(sampleSetup.blade)
    expect(causes(-half, 0).filter((cause) => cause.by === 'zero')).toEqual([])
  })

  it('one side alone can be read; none is nothing to explain', () => {
    const at = contact(sampleSetup)
    const only = (readDeg: number) =>
      likelyCauses(sampleSetup, { A: { contact: at, budget: budgets.A, readDeg } }, 'centre-plane')
    expect(only(at.gaugeDeg + 0.8).length).toBeGreaterThan(causes(0.8, 0.8).length)
    expect(likelyCauses(sampleSetup, {}, 'centre-plane')).toEqual([])
  })

  it('a zero that explains it better comes before one that explains it worse, and never the zero it had', () => {
    const tilted = { ...sampleSetup, hold: { ...sampleSetup.hold, tiltDeg: 0.1 } }
    const at = contact(tilted)
    const read = { A: { contact: at, budget: [], readDeg: at.gaugeDeg - 0.1 } }
    // Zeroed on the flat it would have been the half-angle off; the jaws explain all of it, the centre plane nearly.
    expect(
      likelyCauses(
        tilted,
        { A: { ...read.A, readDeg: expectedReadingDeg(tilted, 'A', at, 'clamp') } },
        'primary-face',
      ).map((cause) => cause.by === 'zero' && cause.zero),
    ).toEqual(['clamp', 'centre-plane'])
    expect(likelyCauses(tilted, read, 'clamp')).toEqual([])
  })

  it('the amount named for a measure does explain it', () => {
    const by = causes(0.5, 0.5).find((cause) => cause.by === 'measure' && cause.measure === 'pivot-height')
    if (by?.by !== 'measure') throw new Error('not named')
    expect(contact(sampleSetup, 'A', 58 + by.off).edgeAngleDeg - contact(sampleSetup).edgeAngleDeg).toBeCloseTo(0.5, 1)
  })
})
