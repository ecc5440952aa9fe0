import { describe, expect, it } from 'vitest'
import type { InkPattern } from '../../log/choices'
import { ANGLE_ALONE, type LogEntry } from '../../log/entry'
import type { Zone } from '../../records/blade/zones'
import type { Side } from '../../records/common/side'
import { expectFaces } from './expectFaces'
import type { SetupSnapshot } from '../../log/setupSnapshot'
import { setupSaying } from '../../log/setupSnapshot.fixture'
import { expectedOf, type KnownFace } from './expected'
import { findBevel } from './findBevel'
import { inkSays } from './inkSays'
import { knownBefore } from './knownBefore'
import { nextSetting } from './nextSetting'
import { finished } from '../../math/finished.fixture'

const close = (value: number, digits = 6) => expect.closeTo(value, digits) as number
const known = (side: Side, zone: number | null, deg: number, sigmaDeg = 0.1): KnownFace => ({
  side,
  zone,
  deg,
  sigmaDeg,
})
const face = (...looks: [setDeg: number, seen: InkPattern, fraction: number][]) => ({
  widthMm: 0.7,
  primaryDeg: 3,
  looks: looks.map(([setDeg, seen, fraction]) => ({ setDeg, seen, fraction })),
})
const terms = { depthUm: [0.4, 4] as const, setUncertaintyDeg: 0.2 }
const bracketed = (deg: number) => face([deg - 0.2, 'shoulder', 0.8], [deg, 'all', 1], [deg + 0.2, 'apex', 0.8])
const halfWidth = ({ fromDeg, toDeg }: { fromDeg: number; toDeg: number }) => (toDeg - fromDeg) / 2

describe('what is expected of a face', () => {
  it('is nothing where nothing is known, and nearly what was known of that very face', () => {
    expect(expectedOf({ side: 'A', zone: 0 }, [])).toBeNull()
    expect(expectedOf({ side: 'A', zone: 0 }, [known('A', 0, 19.3)])).toEqual({
      deg: close(19.3),
      sigmaDeg: close(0.1, 3),
    })
  })

  it('lies around its neighbours: a zone of the same side within 1.3°, the other side’s within 2.5°', () => {
    const at = (place: Parameters<typeof expectedOf>[0]) => expectedOf(place, [known('A', 0, 20, 0.01)])!
    // Two zones differ by the spread of each, √2·0.9; two sides by that of their sides besides, √2·1.5.
    expect(at({ side: 'A', zone: 1 })).toEqual({ deg: close(20), sigmaDeg: close(Math.SQRT2 * 0.9, 2) })
    expect(at({ side: 'A', zone: null })).toEqual({ deg: close(20), sigmaDeg: close(0.9, 2) })
    expect(at({ side: 'B', zone: 0 })).toEqual({
      deg: close(20),
      sigmaDeg: close(Math.SQRT2 * Math.hypot(0.9, 1.5), 2),
    })
  })

  it('is the surer the more zones agree, and each weighs by how well it is known', () => {
    const three = expectedOf(
      { side: 'A', zone: 3 },
      [0, 1, 2].map((zone) => known('A', zone, 20, 0.01)),
    )!
    expect(three.sigmaDeg).toBeCloseTo(0.9 * Math.sqrt(1 + 1 / 3), 2)
    const mixed = expectedOf({ side: 'A', zone: 3 }, [known('A', 0, 18, 5), known('A', 1, 20, 0.01)])!
    expect(mixed.deg).toBeGreaterThan(19.9)
  })

  it('makes a face surer that was looked at once, and leaves what its own looks say to them', () => {
    const once = face([21, 'apex', 0.2])
    const places = [0, 1, 2].map((zone) => ({ side: 'A' as const, zone }))
    const faces = [once, bracketed(20), bracketed(20.2)]
    const expecting = expectFaces(faces, places, [], terms)
    expect(expecting[0]!.expected!.deg).toBeCloseTo(20.1, 1)
    expect(halfWidth(findBevel(expecting, terms).faces[0]!.angle)).toBeLessThan(
      0.8 * halfWidth(findBevel(faces, terms).faces[0]!.angle),
    )
    // What is sure by itself stays where it was, however far from the others.
    const apart = expectFaces([bracketed(23), bracketed(20), bracketed(20.2)], places, [], terms)
    expect(findBevel(apart, terms).faces[0]!.angle.middleDeg).toBeCloseTo(23, 0.5)
    // Alone, with nothing known from before, it is as it is.
    expect(expectFaces([once], places.slice(0, 1), [], terms)).toEqual([once])
  })
})

describe('what earlier jobs say of a bevel', () => {
  const zones: Zone[] = [
    { kind: 'heel', fromMm: 0, toMm: 40 },
    { kind: 'tip', fromMm: 40, toMm: 80 },
  ]
  const about = (day: number) => ({
    id: `0197a000-0000-7000-8000-0000000000${day + 10}`,
    at: `2026-05-${day + 10}T09:00:00.000Z`,
    jobId: null,
    bladeId: null,
    stoneId: null,
    instrumentId: null,
  })
  const proof = (
    day: number,
    side: Side,
    deg: number,
    placeMm: number | null,
    setup: SetupSnapshot | null = null,
  ): LogEntry => ({
    ...about(day),
    ...ANGLE_ALONE,
    kind: 'proof',
    side,
    deg,
    uncertaintyDeg: 0.4,
    placeMm,
    zone: null,
    by: 'goniometer',
    setup,
  })
  const strokes = (day: number, side: Side, setup: SetupSnapshot | null = null): LogEntry => ({
    ...about(day),
    kind: 'strokes',
    side,
    count: 20,
    zone: null,
    strop: false,
    setup,
  })
  const found = (day: number, side: Side, deg: number): LogEntry => ({
    ...about(day),
    kind: 'bevel-found',
    side,
    zones: zones.map((zone) => ({ ...zone, deg, uncertaintyDeg: 0.5 })),
  })

  it('is each zone’s last proof or finding since that side was ground, less sure than it was', () => {
    const of = knownBefore(
      [found(1, 'A', 17), proof(2, 'A', 18, 10), strokes(3, 'A'), proof(4, 'A', 20, 10), proof(5, 'A', 20.4, null)],
      zones,
      0,
    )
    const sigma = close(Math.hypot(0.4 / 1.96, 0.6), 4)
    expect(of).toEqual([
      { side: 'A', zone: 0, deg: 20, sigmaDeg: sigma },
      { side: 'A', zone: null, deg: 20.4, sigmaDeg: sigma },
    ])
    expect(knownBefore([strokes(1, 'A'), found(2, 'B', 19), proof(3, 'B', 19.5, 60)], zones, 0.3)).toEqual([
      { side: 'B', zone: 0, deg: 19, sigmaDeg: close(Math.hypot(0.5 / 1.96, 0.3 / 1.96, 0.6), 4) },
      { side: 'B', zone: 1, deg: 19.5, sigmaDeg: close(Math.hypot(0.4 / 1.96, 0.3 / 1.96, 0.6), 4) },
    ])
  })
  it('of a micro-bevel that was proved is the bevel behind it, as the rig was set for that', () => {
    const set = (deg: number, forMicroBevel: boolean) => setupSaying({ forMicroBevel, setDeg: { A: deg, B: deg } })
    const micro = [strokes(2, 'A', set(23, true)), proof(3, 'A', 23.2, 10, set(23, true))]
    expect(knownBefore([strokes(1, 'A', set(20.1, false)), ...micro], zones, 0)).toMatchObject([{ zone: 0, deg: 20.1 }])
    expect(knownBefore(micro, zones, 0)).toEqual([])
  })
})

describe('how many marker tests', () => {
  const settings = Array.from({ length: 33 }, (_, i) => 16 + i / 4)
  const candidates = settings.map((deg) => ({ setDeg: [deg, deg, deg] }))
  const asked = { from: 0, count: 3 }
  const says = (before: readonly KnownFace[], looks: Parameters<typeof face>, wantedDeg: number | null = 20) =>
    finished(
      inkSays({
        faces: [{ side: 'A', zones: [0, 1, 2].map(() => face(...looks)) }],
        terms,
        side: 'A',
        candidates,
        neededDeg: 0.5,
        wantedDeg,
        thoughtDeg: 20,
        before,
      }),
    )

  it('is said before the first, which is set to what the bevel is expected to have', () => {
    const { next, found } = says([], [])
    expect(found.A?.faces).toEqual([null, null, null])
    expect(next).toMatchObject({ stop: null })
    expect(next.looksLeft).toBeGreaterThanOrEqual(2)
    expect(next.looksLeft).toBeLessThanOrEqual(5)
    const proved = [0, 1, 2].map((zone) => known('A', zone, 22, 0.7))
    const after = says(proved, []).next
    expect(after.looksLeft).toBeLessThan(next.looksLeft)
    expect(Math.abs(settings[after.best!]! - 22)).toBeLessThanOrEqual(1)
  })

  it('one is enough where it confirms what was proved before; of a blade of which nothing is known it is not', () => {
    const proved = [0, 1, 2].map((zone) => known('A', zone, 20, 0.6))
    expect(says(proved, [[20, 'all', 1]]).next.stop).not.toBeNull()
    expect(says([], [[20.5, 'apex', 0.2]]).next.stop).toBeNull()
  })

  it('what is surely not what is wanted need not be known better, unless the angle itself is asked for', () => {
    const roughly = [face([18.5, 'apex', 0.2], [15.5, 'shoulder', 0.2]), bracketed(17), bracketed(17.5)]
    const stop = (wantedDeg: number | null) =>
      nextSetting(roughly, terms, candidates, { neededDeg: 0.5, wantedDeg, asked })
    expect(stop(23)).toMatchObject({ best: null, stop: 'decided', looksLeft: 0 })
    expect(stop(23).nowDeg).toBeGreaterThan(0.5)
    expect(stop(null).stop).toBeNull()
  })
})
