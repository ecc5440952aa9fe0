import { describe, expect, it } from 'vitest'
import { holdLimits } from '../placement/holdLimits'
import { evenStations } from '../curve/stations'
import { heightOfSetting } from '../rig/dial'
import { cardOf, doneWith, heldAlike } from './sameAgain'
import { armsRig, postRig, sampleJob, scaleRig, screwRig, slotRig, tableRig } from '../setup/sampleJob.fixture'
import { setup } from '../setup/setup'
import { startingCard, startingHold } from './starting'

const [rigId, bladeId, otherId] = [
  '0b7d2c3e-0000-7000-8000-000000000001',
  '0b7d2c3e-0000-7000-8000-000000000002',
  '0b7d2c3e-0000-7000-8000-000000000003',
]
const wanted = { aDeg: 19, bDeg: 19, linked: true, why: 'as it was' }
const now = { jawsName: null, progression: [], wanted: { aDeg: 22, bDeg: 22, linked: true, why: '' } }
const earlier = setup.parse({
  name: 'Last week',
  rigId,
  bladeId,
  stoneId: otherId,
  bladeHeightToleranceMm: 0.5,
  jawsName: 'Narrow',
  progression: [otherId],
  wanted,
  held: { bladeXMm: 42, bladeYMm: 7, turnDeg: 2 },
  dialled: { a: { by: 'slot', label: '4' }, b: { by: 'slot', label: '4' }, linked: true },
})

describe('how a job begins', () => {
  it('as the blade was held, dialled and wanted on this rig before', () => {
    const card = startingCard({ ...sampleJob, rig: slotRig }, earlier, now)
    expect(card).toEqual(cardOf(earlier))
    expect(heldAlike({ ...earlier, ...card }, earlier)).toBe(true)
    expect(heldAlike({ ...earlier, held: { ...earlier.held, turnDeg: 3 } }, earlier)).toBe(false)
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
    const card = startingCard({ ...sampleJob, rig }, earlier, now)
    expect(card.held).toEqual(earlier.held)
    expect(heightOfSetting(rig, card.dialled.a).ok).toBe(true)
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
    const card = startingCard({ ...sampleJob, rig }, null, now)
    expect(card).toMatchObject({ ...now, held: startingHold(rig, sampleJob.blade) })
    const height = heightOfSetting(rig, card.dialled.a)
    expect(
      height.ok &&
        holdLimits(
          { ...sampleJob, rig, held: card.held },
          'A',
          evenStations(sampleJob.blade.edge, 50),
        )(card.held, height.heightMm),
    ).toBeNull()
  })
})
