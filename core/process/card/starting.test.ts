import { describe, expect, it } from 'vitest'
import { holdLimits } from '../../placement/holdLimits'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import { heightOfSetting } from '../../records/rig/dial'
import { cardOf, doneWith, sameHold } from './sameAgain'
import {
  armsRig,
  postRig,
  sampleSetup,
  scaleRig,
  screwRig,
  slotRig,
  tableRig,
} from '../../geometry/setup/sampleSetup.fixture'
import { job, MOST_SET_ASIDE } from '../../records/job/job'
import { setAsideFor, withSetAside } from './setAside'
import { startingCard, startingHold } from './starting'

const [rigId, bladeId, otherId] = [
  '0b7d2c3e-0000-7000-8000-000000000001',
  '0b7d2c3e-0000-7000-8000-000000000002',
  '0b7d2c3e-0000-7000-8000-000000000003',
]
const wanted = { deg: { A: 19, B: 19 }, linked: true, why: 'as it was' }
const now = {
  ...{ jawsName: null, progression: [], microBevel: null, stropAddDeg: 0 },
  wanted: { deg: { A: 22, B: 22 }, linked: true, why: '' },
}
const earlier = job.parse({
  name: 'Last week',
  rigId,
  bladeId,
  stoneId: otherId,
  bladeHeightToleranceMm: 0.5,
  jawsName: 'Narrow',
  progression: [otherId],
  wanted,
  hold: { bladeXMm: 42, bladeYMm: 7, turnDeg: 2 },
  dialled: { A: { by: 'slot', label: '4' }, B: { by: 'slot', label: '4' }, linked: true },
})

describe('how a job begins', () => {
  it('as the blade was held, dialled and wanted on this rig before', () => {
    const card = startingCard({ ...sampleSetup, rig: slotRig }, earlier, now)
    expect(card).toEqual(cardOf(earlier))
    expect(sameHold({ ...earlier, ...card }, earlier)).toBe(true)
    expect(sameHold({ ...earlier, hold: { ...earlier.hold, turnDeg: 3 } }, earlier)).toBe(false)
  })

  it('dialled anew where the rig has no such slot any more, the hold as it was', () => {
    const rig = {
      ...slotRig,
      height: {
        ...slotRig.height,
        slots: [
          { label: 'low', heightMm: 40 },
          { label: 'high', heightMm: 62 },
        ],
      } as typeof slotRig.height,
    }
    const card = startingCard({ ...sampleSetup, rig }, earlier, now)
    expect(card.hold).toEqual(earlier.hold)
    expect(heightOfSetting(rig, card.dialled.A).ok).toBe(true)
    expect(card.wanted).toEqual(wanted)
  })

  it('only jobs with this blade on this rig count', () => {
    const jobs = [
      { ...earlier, name: 'other rig', rigId: otherId },
      { ...earlier, name: 'other blade', bladeId: otherId },
      earlier,
    ]
    expect(doneWith(jobs, { rigId, bladeId })).toEqual([earlier])
  })

  it.each([
    ['post', postRig],
    ['slots', slotRig],
    ['screw', screwRig],
    ['degrees', scaleRig],
    ['arms', armsRig],
    ['table', tableRig],
  ])('without one, at a place that this rig (%s) can hold and reach, on what is wanted now', (_, rig) => {
    const card = startingCard({ ...sampleSetup, rig }, null, now)
    expect(card).toMatchObject({ ...now, hold: startingHold(rig, sampleSetup.blade) })
    const height = heightOfSetting(rig, card.dialled.A)
    expect(
      height.ok &&
        holdLimits(
          { ...sampleSetup, rig, hold: card.hold },
          'A',
          evenEdgePoints(sampleSetup.blade.edge, 50),
        )(card.hold, height.heightMm),
    ).toBeNull()
  })

  it('as it was in this job before another rig or blade took its place; the oldest are let go', () => {
    const other = { rigId: otherId, bladeId }
    expect(setAsideFor(earlier, other)).toBeUndefined()
    const moved = { ...earlier, ...other, dialForMm: 12, setAside: withSetAside(earlier, other) }
    expect(setAsideFor(moved, earlier)).toEqual(cardOf(earlier))
    // Back again: what was left last is the one that stays for later.
    const back = { ...moved, rigId, dialForMm: 5, setAside: withSetAside(moved, earlier) }
    expect(setAsideFor(back, earlier)).toBeUndefined()
    expect(setAsideFor(back, other)).toMatchObject({ dialForMm: 12 })
    let many = earlier
    const rigs = Array.from({ length: MOST_SET_ASIDE + 2 }, (_, i) => rigId.slice(0, -2) + String(70 + i))
    for (const next of rigs) many = { ...many, setAside: withSetAside(many, { rigId: next, bladeId }), rigId: next }
    expect(job.parse(many).setAside).toHaveLength(MOST_SET_ASIDE)
    expect(setAsideFor(many, earlier)).toBeUndefined()
  })
})
