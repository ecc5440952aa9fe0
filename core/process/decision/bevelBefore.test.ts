import { expect, it } from 'vitest'
import { ANGLE_ALONE, type LogEntry } from '../../log/entry'
import type { Side } from '../../records/common/side'
import type { SetupSnapshot } from '../../log/setupSnapshot'
import { setupSaying } from '../../log/setupSnapshot.fixture'
import { bevelBefore } from './bevelBefore'
import { flatFace } from './toGrind'

const zones = [
  { kind: 'heel', fromMm: 0, toMm: 50 },
  { kind: 'tip', fromMm: 50, toMm: 90 },
] as const
const id = (n: number) => `01980000-0000-7000-8000-${String(n).padStart(12, '0')}`
const about = (n: number) => ({
  id: id(n),
  at: new Date(Date.UTC(2026, 0, 1, 10, n)).toISOString(),
  jobId: id(1),
  bladeId: id(2),
  stoneId: id(3),
  instrumentId: null,
})
const strokes = (n: number, side: Side, setup: SetupSnapshot | null = null): LogEntry => ({
  ...about(n),
  kind: 'strokes',
  side,
  count: 40,
  zone: null,
  strop: false,
  setup,
})
const proof = (n: number, side: Side, deg: number, setup: SetupSnapshot | null = null): LogEntry => ({
  ...about(n),
  ...ANGLE_ALONE,
  setup,
  kind: 'proof',
  side,
  placeMm: null,
  zone: null,
  deg,
  uncertaintyDeg: 0.3,
  by: 'goniometer',
})
const found = (n: number, side: Side, last: number): LogEntry => ({
  ...about(n),
  kind: 'bevel-found',
  side,
  zones: [
    { ...zones[0], deg: 24, uncertaintyDeg: 0.5 },
    { ...zones[1], deg: last, uncertaintyDeg: 0.5 },
  ],
})
const asked = (
  log: LogEntry[],
  tests: Parameters<typeof bevelBefore>[3][number]['tests'] = [],
  earlier: LogEntry[] = [],
) =>
  bevelBefore(
    log,
    earlier,
    zones,
    (['A', 'B'] as const).map((side) => ({ side, wantedDeg: 20, tests })),
  )

it('marker tests of every zone come first, then proofs since the side was ground, then what was recorded before', () => {
  const recorded = [found(1, 'A', 22), found(1, 'B', 22)]
  const tests = [flatFace(23, 0.4), flatFace(21, 0.4)]
  expect(asked([...recorded, proof(2, 'A', 19)], tests)).toMatchObject({ from: 'tests', sides: [{ there: tests }, {}] })
  const half = asked(recorded, [tests[0]!, null])
  expect(half).toMatchObject({ from: 'found', sides: [{ side: 'A', wantedDeg: 20 }, { side: 'B' }] })
  expect(half.sides[1]!.there).toEqual([flatFace(24, 0.5), flatFace(22, 0.5)])
  const proved = asked([...recorded, strokes(3, 'A'), proof(4, 'A', 19.5), proof(4, 'B', 20.5)])
  expect(proved).toMatchObject({ from: 'proof', sides: [{ there: { deg: 19.5 } }, { there: { deg: 20.5 } }] })
})
it('what was proved and ground since is no more; of what is known of one side alone nothing follows', () => {
  const ground = [proof(2, 'A', 19), proof(2, 'B', 19), strokes(3, 'B')]
  expect(asked([found(1, 'A', 22), found(1, 'B', 22), ...ground]).from).toBe('found')
  expect(asked(ground)).toMatchObject({ from: 'assumed', sides: [{ there: { deg: 20, uncertaintyDeg: 0 } }, {}] })
  expect(asked([found(1, 'A', 22)]).from).toBe('assumed')
})
it('what an earlier job ended with is known where this one has found nothing yet, and nothing was ground since', () => {
  const ended = [strokes(1, 'A'), strokes(1, 'B'), proof(2, 'A', 18.5), proof(2, 'B', 19)]
  expect(asked([], [], ended)).toMatchObject({
    from: 'earlier',
    sides: [{ there: { deg: 18.5 } }, { there: { deg: 19 } }],
  })
  expect(asked([found(3, 'A', 22), found(3, 'B', 22)], [], ended).from).toBe('found')
  expect(asked([], [], [...ended, strokes(4, 'B')]).from).toBe('assumed')
})
it('behind a micro-bevel that was proved lies the bevel as it was set', () => {
  const set = (deg: number, forMicroBevel: boolean) => setupSaying({ forMicroBevel, setDeg: { A: deg, B: deg } })
  const sides = ['A', 'B'] as const
  const bevel = sides.map((side) => strokes(1, side, set(20.2, false)))
  const micro = sides.flatMap((side) => [strokes(2, side, set(23, true)), proof(3, side, 23.1, set(23, true))])
  expect(asked([...bevel, ...micro])).toMatchObject({
    from: 'proof',
    sides: [{ there: { deg: 20.2, uncertaintyDeg: 0.5 } }, { there: { deg: 20.2 } }],
  })
  expect(asked(micro).from).toBe('assumed')
})
