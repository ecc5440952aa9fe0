import { describe, expect, it } from 'vitest'
import { contactAt, contactsAlong, type Contact } from '../angle/contact'
import { primaryHalfAngleDeg } from '../blade/primaryHalfAngle'
import type { Side } from '../clamping/centring'
import { evenStations, stationAt } from '../curve/stations'
import { doubtBudget } from '../doubt/budget'
import { reacherAt, type Setup } from '../setup/setup'
import { sampleSetup, slotRig } from '../setup/sampleSetup.fixture'
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
  const found = contactAt(station, setup.hold, reacherAt(setup, side, height))
  if (!found.ok) throw new Error(found.reason)
  return found
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

  it('from a fixed pivot single places are square, in a wide slot a stretch is', () => {
    const fixed = whereSquare(contactsAlong(stations, sampleSetup.hold, reacherAt(sampleSetup, 'A', 58)))
    // One on the straight, over the pivot, and one where the line from the pivot through the arc's centre meets the
    // belly.
    expect(fixed).toHaveLength(2)
    for (const { fromMm } of fixed) {
      const at = contact(sampleSetup, 'A', 58, stationAt(sampleSetup.blade.edge, fromMm))
      expect(at.gaugeDeg).toBeCloseTo(at.edgeAngleDeg, 4)
    }
    const sliding = { ...sampleSetup, rig: slotRig }
    const [stretch] = whereSquare(contactsAlong(stations, sliding.hold, reacherAt(sliding, 'A', 58)))
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

  it('the amount named for a measure does explain it', () => {
    const by = causes(0.5, 0.5).find((cause) => cause.by === 'measure' && cause.measure === 'pivot-height')
    if (by?.by !== 'measure') throw new Error('not named')
    expect(contact(sampleSetup, 'A', 58 + by.off).edgeAngleDeg - contact(sampleSetup).edgeAngleDeg).toBeCloseTo(0.5, 1)
  })
})
