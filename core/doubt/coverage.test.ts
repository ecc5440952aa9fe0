import { randomLcg, randomNormal } from 'd3-random'
import { expect, it } from 'vitest'
import { contactAt } from '../angle/contact'
import { stationAt, type Station } from '../curve/stations'
import type { KnownHold } from '../clamping/knownHold'
import { armsRig, sampleSetup, slotRig } from '../setup/sampleSetup.fixture'
import { reacherAt, type Setup } from '../setup/setup'
import { doubtBudget, totalDoubtDeg } from './budget'

/**
 * Benches whose every measure is a little off what was written down, the true angle found from the planes in space: the
 * face holds the edge's tangent, and the rod's axis stands off it by the face offset, aslant where the stone is
 * tapered.
 */

type Vec3 = readonly [number, number, number]
const dot = (a: Vec3, b: Vec3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
const rad = (deg: number) => (deg * Math.PI) / 180

const HOLD: KnownHold = {
  bladeHeightToleranceMm: 0.5,
  holdTolerance: { alongMm: 1, turnDeg: 0.5, centreOffsetMm: 0.1, tiltDeg: 0.2 },
}
const TAPER = { nearMm: 6.15, farMm: 5.85 }
const sloppy = { ...HOLD, holdTolerance: { alongMm: 3, turnDeg: 1.5, centreOffsetMm: 0.3, tiltDeg: 0.6 } }
const straight = stationAt(sampleSetup.blade.edge, 25)
const belly = stationAt(sampleSetup.blade.edge, 75)
const tip = stationAt(sampleSetup.blade.edge, 97)
const held = (more: Partial<Setup['hold']>, rig = sampleSetup.rig, stone: Partial<Setup['stone']> = {}): Setup => ({
  ...sampleSetup,
  rig,
  hold: { ...sampleSetup.hold, ...more },
  stone: { ...sampleSetup.stone, ...stone },
})

/** The true angle of side A with every measure drawn anew, degrees. */
function trueAngleDeg(
  { rig, hold, stone, blade }: Setup,
  { holdTolerance, bladeHeightToleranceMm }: KnownHold,
  station: Station,
  heightMm: number,
  normal: () => number,
): number {
  const off = (tolerance: number) => (normal() * tolerance) / 1.96
  const turn = rad(hold.turnDeg + off(holdTolerance.turnDeg))
  const tilt = rad(hold.tiltDeg + off(holdTolerance.tiltDeg))
  const lift = hold.centreOffsetMm + off(holdTolerance.centreOffsetMm)
  const inSpace = (u: number, v: number, lifted: number): Vec3 => [u, v * Math.cos(tilt), lifted + v * Math.sin(tilt)]
  const turned = ([x, y]: readonly [number, number]) =>
    [x * Math.cos(turn) - y * Math.sin(turn), x * Math.sin(turn) + y * Math.cos(turn)] as const
  const [u, v] = turned([station.point[0] - hold.bladeXMm, station.point[1] - hold.bladeYMm])
  const point = inSpace(u + off(holdTolerance.alongMm), v + off(bladeHeightToleranceMm), lift)
  const runs = Math.atan2(station.heading[1], station.heading[0]) + rad(off(blade.edgeHeadingToleranceDeg ?? 0.5))
  const tangent = inSpace(...turned([Math.cos(runs), Math.sin(runs)]), 0)
  const up = inSpace(0, 0, 1)
  const normalOfBlade: Vec3 = [0, -Math.sin(tilt), Math.cos(tilt)]
  expect(up[2]).toBe(1)
  // Out of the blade, square to the edge.
  const outward: Vec3 = [
    normalOfBlade[1] * tangent[2] - normalOfBlade[2] * tangent[1],
    normalOfBlade[2] * tangent[0] - normalOfBlade[0] * tangent[2],
    normalOfBlade[0] * tangent[1] - normalOfBlade[1] * tangent[0],
  ]
  const pivot: [number, number, number] = [
    rig.pivot.alongMm + off(rig.tolerance.alongMm),
    -rig.pivot.setbackMm + off(rig.tolerance.setbackMm),
    heightMm + off(rig.tolerance.heightMm) + off(rig.pivotPlayMm),
  ]
  if (rig.height.by === 'slot' && rig.height.slideMm > 0) {
    const [middle, most] = [pivot[0], rig.height.slideMm]
    const square = middle - dot(minus(pivot, point), tangent) / tangent[0]
    const kept = Math.min(middle + most, Math.max(middle - most, square)) + off(Math.min(3, most))
    pivot[0] = Math.min(middle + most, Math.max(middle - most, kept))
  }
  const away = minus(pivot, point)
  const offset = stone.faceOffsetMm + off(stone.faceOffsetToleranceMm)
  const ends = stone.faceOffsetEnds
  const aslant = Math.sin(off(ends ? Math.atan((ends.nearMm - ends.farMm) / stone.lengthMm) : 0))
  const over = (theta: number): number => {
    const face = [0, 1, 2].map((i) => Math.cos(theta) * normalOfBlade[i]! + Math.sin(theta) * outward[i]!)
    const [x, y, z] = face as unknown as Vec3
    const rod = minus([point[0] + offset * x, point[1] + offset * y, point[2] + offset * z], pivot)
    return dot([x, y, z], away) - offset + aslant * Math.sqrt(dot(rod, rod))
  }
  let [low, high] = [-0.2, Math.PI / 2]
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (over(middle) > 0) low = middle
    else high = middle
  }
  return (low * 180) / Math.PI
}

it.each<[string, Setup, KnownHold, Station, number]>([
  ['the straight part', held({}), HOLD, straight, 58],
  ['the belly', held({}), HOLD, belly, 58],
  ['the tip', held({}), HOLD, tip, 58],
  ['a low angle', held({}), HOLD, belly, 26],
  ['a high angle', held({}), HOLD, belly, 88],
  ['a turned and tilted blade', held({ turnDeg: 15, tiltDeg: 2, centreOffsetMm: 0.5 }), HOLD, belly, 58],
  ['a hold that is known badly', held({ turnDeg: 8 }), sloppy, tip, 58],
  ['an edge known badly', { ...held({}), blade: { ...sampleSetup.blade, edgeHeadingToleranceDeg: 3 } }, HOLD, tip, 58],
  ['a tapered stone', held({}, undefined, { faceOffsetEnds: TAPER }), HOLD, straight, 58],
  ['a tapered stone, off square', held({ turnDeg: 20 }, undefined, { faceOffsetEnds: TAPER }), HOLD, tip, 58],
  ['a pivot with play', held({}, { ...sampleSetup.rig, pivotPlayMm: 0.8 }), HOLD, belly, 58],
  ['a wide slot', held({}, slotRig), HOLD, belly, 60],
  ['a wide slot, turned', held({ turnDeg: 12 }, slotRig), HOLD, straight, 60],
  ['an arm off the middle', held({}, { ...armsRig, pivot: { setbackMm: 110, alongMm: 25 } }), HOLD, belly, 58],
])('%s: the stated ± holds the true angle in 94 to 96 of 100 benches', (name, setup, known, station, heightMm) => {
  const set = contactAt(station, setup.hold, reacherAt(setup, 'A', heightMm, station))
  if (!set.ok) throw new Error(set.reason)
  const stated = totalDoubtDeg(doubtBudget(setup, known, 'A', heightMm, station))
  const seed = [...name].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 9973, 7) / 9973
  const normal = randomNormal.source(randomLcg(seed))(0, 1)
  const benches = 6000
  let inside = 0
  for (let i = 0; i < benches; i++)
    if (Math.abs(trueAngleDeg(setup, known, station, heightMm, normal) - set.edgeAngleDeg) <= stated) inside++
  expect(inside / benches).toBeGreaterThan(0.94)
  expect(inside / benches).toBeLessThan(0.96)
})
