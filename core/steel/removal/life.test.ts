import { expect, it } from 'vitest'
import { bladeLife, thinningOf } from './life'
import { sharpeningsLeft, type PlannedPlace } from './plan'

const place: PlannedPlace = {
  zone: 0,
  lengthMm: 1,
  shoulderMm: 0.25,
  primaryDeg: 2,
  heightMm: 30,
  thereDeg: { apex: 20, shoulder: 20 },
  newDeg: 20,
}
const rad = (deg: number) => (deg * Math.PI) / 180

it('a bevel grows on a tapering blade by as much as its apex goes back', () => {
  const [now, ten, fifty] = bladeLife(place, [0, 10, 50])
  expect(now!.bevelMm).toBeCloseTo(0.25 / Math.sin(rad(20)), 9)
  expect(now!.thicknessMm).toBeCloseTo(0.25, 9)
  // Where the new face, lost millimetres further in, meets the old primary face.
  const shoulder = (lost: number) => {
    const back = 0.25 / Math.tan(rad(20))
    const x = (0.25 - back * Math.tan(rad(2)) + lost * Math.tan(rad(20))) / (Math.tan(rad(20)) - Math.tan(rad(2)))
    return (x - lost) * Math.tan(rad(20))
  }
  expect(ten).toMatchObject({ sharpenings: 10, lostMm: 0.2 })
  expect(ten!.thicknessMm).toBeCloseTo(shoulder(0.2), 6)
  expect(fifty!.bevelMm).toBeCloseTo(shoulder(1) / Math.sin(rad(20)), 6)
})
it('it is too thick after as many sharpenings as are left', () => {
  const left = sharpeningsLeft(place, 0.3)
  const [still, tooThick] = bladeLife(place, [left, left + 1])
  expect(still!.thicknessMm).toBeLessThanOrEqual(0.3)
  expect(tooThick!.thicknessMm).toBeGreaterThan(0.3)
  expect(thinningOf(place, 0.2)).toEqual({ deg: 3, keepOffMm: expect.closeTo(0.2 / Math.tan(rad(20)), 9) })
})
it('a curved bevel is as wide as all of it is, until it is ground flat', () => {
  const [now] = bladeLife({ ...place, thereDeg: { apex: 24, shoulder: 16 } }, [0])
  expect(now!.bevelMm).toBeGreaterThan(0.25 / Math.sin(rad(24)))
  expect(now!.bevelMm).toBeLessThan(0.25 / Math.sin(rad(16)))
  expect(now!.thicknessMm).toBe(0.25)
})
it('ends where the blade does', () => {
  expect(bladeLife({ ...place, heightMm: 2 }, [0, 20, 400]).map(({ sharpenings }) => sharpenings)).toEqual([0, 20])
})
