import { afterEach, describe, expect, it } from 'vitest'
import { ANGLE_ALONE, type InkLookEntry, type LogEntry } from '#core/log/entry'
import { bothSides, setupSaying } from '#core/log/setupSnapshot.fixture'
import { AT, closeTestJob, id, openTestJob } from '~/job/openJob.fixture'
import { useInk } from './useInk'
import { useInstrument } from './useInstrument'
import { useLedger } from './useLedger'
import { useReadings } from './useReadings'

const about = { at: AT, jobId: id(9), bladeId: id(3), stoneId: id(5), instrumentId: null }
const reading = (n: number, deg: number, instrumentId: string | null = null): LogEntry => ({
  ...about,
  id: id(n),
  kind: 'reading',
  instrumentId,
  side: 'A',
  deg,
  uncertaintyDeg: 0.2,
  placeMm: 40,
  zero: 'centre-plane',
  expectedDeg: null,
  setup: null,
})
const proof = (n: number, deg: number): LogEntry => ({
  ...about,
  ...ANGLE_ALONE,
  id: id(n),
  kind: 'proof',
  side: 'A',
  deg,
  uncertaintyDeg: 0.2,
  placeMm: null,
  zone: null,
  by: 'ink',
})

afterEach(closeTestJob)

describe('what is read', () => {
  it('is noted without what the gauge shows too much, as uncertain as that gauge, with what it had to show', async () => {
    const { log, use } = await openTestJob()
    expect(use(useReadings).addReading('A', 20.3)).toBeNull()
    expect(log()).toMatchObject([
      { kind: 'reading', side: 'A', deg: 20, uncertaintyDeg: 0.2, instrumentId: id(6), bladeId: id(3), stoneId: id(5) },
    ])
    const [entry] = log()
    expect(entry?.kind === 'reading' && entry.expectedDeg).toBeGreaterThan(10)
  })

  it('typed anew replaces what it was, as one step of undo; typed as it stands it changes nothing', async () => {
    const { job, log, use } = await openTestJob({}, [reading(31, 19, id(6)), reading(32, 20, id(6))])
    const { putInstead, shownDeg } = use(useReadings)
    expect(shownDeg('reading', 'A')).toBe(19.8)
    expect([putInstead('reading', { A: 19.8 }), log().length]).toEqual([null, 2])
    expect(putInstead('reading', { A: 21.3, B: 22.3 })).toBeNull()
    expect(log().map((one) => one.kind === 'reading' && [one.side, one.deg])).toEqual([
      ['A', 21],
      ['B', 22],
    ])
    job.session.goBack()
    expect(log().map((one) => one.kind === 'reading' && one.deg)).toEqual([19, 20])
  })

  it('beyond what an edge can have, is refused with its field, whole', async () => {
    const { log, use } = await openTestJob()
    expect(use(useReadings).putInstead('proof', { A: 20, B: 190 })).toMatchObject({ field: 'deg', code: 'too-large' })
    expect(log()).toEqual([])
  })

  it('is taken with the instrument that was used last; with the only one where none was', async () => {
    const { use } = await openTestJob()
    expect(use(() => useInstrument('reading')).instrument.value?.name).toBe('Gauge')
    expect(use(() => useInstrument('proof')).instrument.value).toBeNull()
    const { use: again } = await openTestJob({}, [reading(31, 19)])
    const { instrument, choose, zeroDeg } = again(() => useInstrument('reading'))
    expect([instrument.value, zeroDeg('A')]).toEqual([null, 0])
    choose(id(6))
    expect([instrument.value?.name, zeroDeg('A')]).toEqual(['Gauge', 0.3])
  })
})

describe('a marker test', () => {
  it('holds the zones that something was told of, with the set angle there; without any it is none', async () => {
    const { job, log, use } = await openTestJob()
    const ink = use(useInk)
    expect([ink.note(), log()]).toEqual(['Say of one zone at least what is bare.', []])
    ink.tell(1, { seen: 'shoulder', fraction: 0.3 })
    expect(ink.note()).toBeNull()
    const set = job.up.value
    expect(log()).toMatchObject([
      {
        kind: 'ink-look',
        side: 'A',
        setup: job.setNow.value,
        setUncertaintyDeg: set.ok && set.uncertaintyDeg,
        zones: [{ kind: ink.zones.value[1]!.kind, seen: 'shoulder', fraction: 0.3, setDeg: ink.setDeg.value[1] }],
      },
    ])
    expect(ink.observed.value.every((one) => one === null)).toBe(true)
  })

  it('of another blade that the job had is none of this one’s; one of this blade’s earlier jobs can be counted too', async () => {
    const face = { kind: 'heel', fromMm: 0, toMm: 40, setDeg: 20, widthMm: 0.7, primaryDeg: 3 } as const
    const look = (n: number, change: Partial<InkLookEntry>): InkLookEntry => ({
      ...about,
      id: id(n),
      kind: 'ink-look',
      side: 'B',
      setup: setupSaying({ setting: bothSides({ by: 'millimetres', mm: 43 }) }),
      setUncertaintyDeg: 0.3,
      zones: [{ ...face, seen: 'all', fraction: 1 }],
      ...change,
    })
    const { use, log } = await openTestJob({}, [look(41, { bladeId: id(4) }), look(42, { jobId: id(8) })])
    const ink = use(useInk)
    expect([ink.looks.value, ink.earlier.value.map((one) => one.id)]).toEqual([[], [id(42)]])
    ink.countToo(ink.earlier.value[0]!)
    expect(ink.looks.value).toMatchObject([{ jobId: id(9), at: AT, side: 'B' }])
    expect([ink.earlier.value, log().length]).toEqual([[], 2])
  })
})

describe('the four angles', () => {
  it('each side as it is known, the included one where both are, and how it was proved', async () => {
    const { use } = await openTestJob({}, [proof(31, 21), proof(32, 21.4)])
    const [wanted, set, read, proved] = use(useLedger).value
    expect([wanted!.included, wanted!.editable, set!.editable]).toEqual(['40.0°', true, false])
    expect([read!.included, read!.note]).toEqual([null, expect.stringMatching(/^Should show \d/)])
    expect(proved!.sides).toMatchObject([{ text: '21.2°', byInk: true }, { text: null }])
    expect(proved!.included).toBeNull()
    expect(proved!.note).toBe('Found by ink, before any grinding')
    expect(proved!.more).toMatch(/Mean of 2 proofs/)
  })
})
