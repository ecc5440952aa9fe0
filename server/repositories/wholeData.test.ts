import { eq } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { readBackup } from '../../core/exchange/backup/backup'
import { NONE_SKIPPED } from '../../core/exchange/backup/skippedRows'
import { RECORD_KINDS, RECORDS, type ContentOf, type RecordKind } from '../../core/records/storage/kinds'
import { setupSaying } from '../../core/log/setupSnapshot.fixture'
import type { LogEntry } from '../../core/log/entry'
import { storedEntry, storeEntry } from '../../core/log/stored'
import { armsRig, bellyBlade, plainStone, slotRig } from '../../core/geometry/setup/sampleSetup.fixture'
import type { OpenDatabase } from '../store/database'
import { freshDatabase } from '../store/freshDatabase.fixture'
import { records } from '../database/schema'
import { bringBack, putInPlace, readAll } from './backupRepository'
import { backupText } from './backupText'
import { addEntries, append, listLog } from './logRepository'
import { recordRepository } from './recordRepository'

let one: OpenDatabase
let other: OpenDatabase
beforeAll(async () => {
  ;[one, other] = [await freshDatabase(), await freshDatabase()]
}, 60_000)
afterAll(() => Promise.all([one.close(), other.close()]))

const HELD = { bladeXMm: 40, bladeYMm: 6, turnDeg: 1.5, centreOffsetMm: 0.2, tiltDeg: 0.1 }
const ID = {
  rigs: '0197a000-0000-7000-8000-000000000001',
  blades: '0197a000-0000-7000-8000-000000000002',
  stones: '0197a000-0000-7000-8000-000000000003',
  jobs: '0197a000-0000-7000-8000-000000000004',
  instruments: '0197a000-0000-7000-8000-000000000005',
  owners: '0197a000-0000-7000-8000-000000000006',
}

/** One of each kind with nothing left at what it would be by itself. */
const FULL: { [K in RecordKind]: ContentOf<K> } = {
  rigs: {
    ...slotRig,
    notes: 'By the window.',
    jawsClose: 'one-half-moves',
    moreJaws: [{ ...slotRig.jaws!, name: 'Narrow', knobHeightMm: 9, knobBehindMm: 12 }],
    stops: [{ name: 'pin 1', depthMm: 8 }],
    positionMarks: [{ name: 'a', alongMm: -10 }],
    stroke: { nearestMm: 60, farthestMm: 300 },
    pivotB: armsRig.pivotB,
    pivotPlayMm: 0.2,
  },
  blades: {
    ...bellyBlade,
    notes: 'Sheath in the drawer.',
    owner: 'Orchard',
    use: 'Twigs',
    complaint: 'Nick near the tip',
    steel: 'carbon steel, plain',
    coating: 'waxed',
    hardnessHrc: 60,
    falseEdge: true,
    choil: false,
    landmark: { what: 'stud', alongMm: 12 },
    spineThicknessTipMm: 2,
    edgeUncertainty: { placeMm: 0.2, headingDeg: [3, 0.5, 4] },
    thicknessBehindEdgeTipMm: 0.4,
    bevelDeg: { A: 19, B: 20 },
    spine: [{ type: 'line', from: [0, 0], to: [80, 0] }],
    shape: {
      id: 'leaf',
      measures: { lengthMm: 90, heelWidthMm: 20, widthMm: 25, bellyFromMm: 40, tipDropMm: 5, depthMm: 1 },
    },
    zones: [{ kind: 'heel', fromMm: 0, toMm: 55 }],
    handleLengthMm: 110,
  },
  stones: {
    ...plainStone,
    notes: 'Soak it.',
    grit: { standard: 'JIS', number: 800 },
    faceOffsetEnds: { nearMm: 5.9, farMm: 6.1 },
    lubricant: 'water',
    dishMm: 0.1,
    wornOutAtMm: 3,
  },
  jobs: {
    name: 'Orchard knife',
    purpose: 'thin',
    notes: 'Before Friday.',
    dueOn: '2026-05-08',
    finish: 'polished',
    chip: { depthMm: 0.4, over: 'three' },
    rigId: ID.rigs,
    rigRevision: 1,
    jawsName: 'Narrow',
    bladeId: ID.blades,
    stoneId: ID.stones,
    onMicroBevel: true,
    microBevel: { addDeg: 3, stoneId: ID.stones },
    stropAddDeg: -1.5,
    hold: HELD,
    bladeHeightToleranceMm: 0.4,
    holdTolerance: { alongMm: 2, turnDeg: 0.6, centreOffsetMm: 0.2, tiltDeg: 0.3 },
    dialled: { A: { by: 'slot', label: '3' }, B: { by: 'slot', label: '4' }, linked: false },
    wanted: { deg: { A: 20, B: 21 }, linked: false, why: 'General use.' },
    dialForMm: 55,
    progression: [ID.stones],
    setAside: [],
    positions: {
      side: 'A',
      wantedDeg: 18,
      toleranceDeg: 0.5,
      each: [
        { hold: HELD, dialForMm: 20, fromMm: 0, toMm: 40, blendAtMm: null },
        { hold: HELD, dialForMm: 60, fromMm: 40, toMm: 80, blendAtMm: 41 },
      ],
    },
    gaugeZero: 'clamp',
    gaugeAxes: 'two',
  },
  instruments: {
    name: 'Screen on the shelf',
    notes: 'Battery in March.',
    kind: 'goniometer-screen',
    screenDistanceMm: 250,
    screenDistanceToleranceMm: 3,
    zeroDeg: -0.2,
    uncertaintyDeg: 0.3,
  },
  owners: { name: 'Kitchen of the lodge', reach: 'Wednesdays, side door', wishes: 'No polish.', notes: 'Twelve.' },
}
const SETUP = setupSaying({
  rigId: ID.rigs,
  rigRevision: 1,
  jawsName: 'Wide',
  stoneId: ID.stones,
  hold: { bladeXMm: 40, bladeYMm: 8, turnDeg: 1, centreOffsetMm: 0.1, tiltDeg: 0.2 },
  position: 2,
  setting: { A: { by: 'slot', label: '3' }, B: { by: 'slot', label: '4' } },
  placeMm: 40,
  setDeg: { A: 18, B: 18.5 },
})
const ENTRIES: LogEntry[] = [
  {
    id: '0197a000-0000-7000-8000-000000000011',
    at: '2026-05-01T09:00:00.000Z',
    jobId: ID.jobs,
    bladeId: ID.blades,
    stoneId: ID.stones,
    instrumentId: ID.instruments,
    kind: 'reading',
    side: 'B',
    placeMm: 12.5,
    deg: 19.8,
    uncertaintyDeg: 0.1,
    zero: 'primary-face',
    expectedDeg: 20,
    setup: SETUP,
  },
  {
    id: '0197a000-0000-7000-8000-000000000014',
    at: '2026-05-01T09:00:30.000Z',
    jobId: ID.jobs,
    bladeId: ID.blades,
    stoneId: ID.stones,
    instrumentId: null,
    kind: 'ink-look',
    side: 'A',
    setup: SETUP,
    setUncertaintyDeg: 0.3,
    zones: [
      { kind: 'tip', fromMm: 60, toMm: 80, setDeg: 18, widthMm: 0.7, primaryDeg: 2.5, seen: 'ends', fraction: 0.3 },
    ],
  },
  {
    id: '0197a000-0000-7000-8000-000000000015',
    at: '2026-05-01T09:00:40.000Z',
    jobId: null,
    bladeId: null,
    stoneId: null,
    instrumentId: null,
    kind: 'practice',
    level: 'mean',
    points: 85,
    looks: 5,
  },
  {
    id: '0197a000-0000-7000-8000-000000000016',
    at: '2026-05-01T09:00:45.000Z',
    jobId: ID.jobs,
    bladeId: ID.blades,
    stoneId: ID.stones,
    instrumentId: ID.instruments,
    kind: 'proof',
    side: 'B',
    placeMm: 40,
    zone: 'belly',
    deg: 18.2,
    uncertaintyDeg: 0.4,
    by: 'goniometer',
    finish: 'hazy',
    fromDeg: 17.8,
    toDeg: 18.6,
    primaryDeg: 2.5,
    toApex: true,
    setup: SETUP,
  },
  {
    id: '0197a000-0000-7000-8000-000000000017',
    at: '2026-05-01T09:00:50.000Z',
    jobId: ID.jobs,
    bladeId: ID.blades,
    stoneId: null,
    instrumentId: null,
    kind: 'sharpness',
    test: 'thread',
    zones: ['tip'],
    forcesG: [85, 92],
    burr: 'A',
    burrZones: ['belly'],
  },
  {
    id: '0197a000-0000-7000-8000-000000000018',
    at: '2026-05-01T09:00:30.000Z',
    jobId: ID.jobs,
    bladeId: ID.blades,
    stoneId: null,
    instrumentId: null,
    kind: 'bevel-width',
    side: 'B',
    placeMm: 40,
    zone: 'belly',
    widthMm: 0.82,
    uncertaintyMm: 0.04,
    by: 'photograph',
    setup: SETUP,
  },
  {
    id: '0197a000-0000-7000-8000-000000000019',
    at: '2026-05-01T09:00:40.000Z',
    jobId: ID.jobs,
    bladeId: ID.blades,
    stoneId: ID.stones,
    instrumentId: null,
    kind: 'strokes',
    side: 'A',
    count: 60,
    zone: 'tip',
    strop: false,
    setup: null,
  },
  {
    id: '0197a000-0000-7000-8000-000000000012',
    at: '2026-05-01T09:01:00.000Z',
    jobId: ID.jobs,
    bladeId: ID.blades,
    stoneId: null,
    instrumentId: null,
    kind: 'retraction',
    entryId: '0197a000-0000-7000-8000-000000000011',
  },
]

describe('all that is kept', () => {
  it('comes back to the last field of every kind, and through a backup into another folder', async () => {
    for (const kind of RECORD_KINDS) {
      const content = FULL[kind]
      expect(Object.keys(content).sort(), `the sample of ${kind} has every field`).toEqual(
        Object.keys(RECORDS[kind].schema.shape).sort(),
      )
      const made = await recordRepository(one.db, kind).create(content as never, ID[kind])
      expect(made, kind).toMatchObject({ ok: true, kept: content })
      expect(await recordRepository(one.db, kind).find(ID[kind]), kind).toMatchObject(content)
    }
    await append(one.db, ENTRIES)
    expect((await listLog(one.db, 0)).entries).toEqual(ENTRIES)

    const now = new Date()
    let text = ''
    for await (const piece of backupText(one.db, now)) text += piece
    const file = JSON.parse(text) as unknown
    expect(file).toEqual(JSON.parse(JSON.stringify(await readAll(one.db, now))))
    const read = readBackup(file)
    if (!read.ok) throw new Error(JSON.stringify(read.problems))
    expect(await bringBack(other.db, read.backup)).toEqual({
      added: 14,
      updated: 0,
      left: 0,
      unreadable: [],
      skipped: NONE_SKIPPED,
    })
    for (const kind of RECORD_KINDS)
      expect(await recordRepository(other.db, kind).find(ID[kind]), kind).toMatchObject(FULL[kind])
    expect((await listLog(other.db, 0)).entries).toEqual(ENTRIES)
    expect(await bringBack(other.db, read.backup)).toMatchObject({ added: 0, updated: 0, left: 14 })
  })

  it('a record that a file brings with the last revision there is can be written over, and all comes back', async () => {
    const [from, to] = [await freshDatabase(), await freshDatabase()]
    await recordRepository(from.db, 'stones').create(plainStone)
    const file = await readAll(from.db, new Date())
    const [stone] = file.things.stones
    const late = { ...file, things: { ...file.things, stones: [{ ...stone!, revision: 2_147_483_647 }] } }
    expect(await bringBack(to.db, late)).toMatchObject({ added: 1 })
    const stones = recordRepository(to.db, 'stones')
    const { revision } = (await stones.find(stone!.id))!
    expect(await stones.update(stone!.id, revision, { ...plainStone, name: 'Flattened' })).toMatchObject({ ok: true })
    const out = readBackup(JSON.parse(JSON.stringify(await readAll(to.db, new Date()))))
    expect(out.ok && out.backup.things.stones).toMatchObject([
      { revision: revision + 1, content: { name: 'Flattened' } },
    ])
    // What stands there already is newer than the file's.
    expect(await bringBack(to.db, late)).toMatchObject({ updated: 0, left: 1 })
    await Promise.all([from.close(), to.close()])
  })

  it('of thousands of versions of one record in a file the newest comes in, at once', async () => {
    const { db, close } = await freshDatabase()
    await recordRepository(db, 'rigs').create(slotRig, ID.rigs)
    const file = await readAll(db, new Date())
    const rigs = Array.from({ length: 5000 }, (_, i) => ({ ...file.things.rigs[0]!, revision: i + 2 }))
    expect(await bringBack(db, { ...file, things: { ...file.things, rigs } })).toMatchObject({ updated: 1, left: 4999 })
    expect(await recordRepository(db, 'rigs').find(ID.rigs)).toMatchObject({ revision: 5001 })
    await close()
  })

  it('an entry of a year 0 is refused; one that names what can be no id is kept, found under no record', async () => {
    const { db, close } = await freshDatabase()
    const entry = storeEntry(ENTRIES[0]!)
    const yearZero = { ...entry, at: '0000-01-01T00:00:00.000Z' }
    expect(storedEntry.safeParse(yearZero).success).toBe(false)
    expect(storedEntry.safeParse({ ...entry, at: '0001-01-01T00:00:00.000Z' }).success).toBe(true)
    const content = { ...(entry.content as object), jobId: 'mine', stoneId: 7 }
    expect(await addEntries(db, [{ ...entry, content }])).toBe(1)
    expect((await readAll(db, new Date())).log).toMatchObject([{ content }])
    await close()
  })

  it('an entry sent twice is one entry, and what came in later is asked for from there on', async () => {
    const before = await listLog(one.db, 0)
    await append(one.db, ENTRIES)
    expect((await listLog(one.db, 0)).entries).toHaveLength(ENTRIES.length)
    const third = { ...ENTRIES[0]!, id: '0197a000-0000-7000-8000-000000000013' }
    await append(one.db, [third])
    expect((await listLog(one.db, before.upTo)).entries).toEqual([third])
  })

  it('one row that cannot be read is reported by its id, kept, and taken out as it is', async () => {
    const harmed = { name: 'Bent', lengthMm: 'long' }
    await recordRepository(one.db, 'stones').create({ ...plainStone, name: 'Second' })
    await one.db.update(records).set({ content: harmed }).where(eq(records.id, ID.stones))
    const { records: readable, unreadable } = await recordRepository(one.db, 'stones').list()
    expect(readable.map((stone) => stone.name)).toEqual(['Second'])
    expect(unreadable).toMatchObject([{ kind: 'stones', id: ID.stones, name: 'Bent', why: 'unreadable' }])
    const out = await readAll(one.db, new Date())
    expect(out.things.stones.find((stone) => stone.id === ID.stones)?.content).toEqual(harmed)
    const empty = await freshDatabase()
    const back = await bringBack(empty.db, out)
    expect(back.unreadable.map((record) => record.id)).toEqual([ID.stones])
    expect((await readAll(empty.db, new Date())).things.stones).toEqual(out.things.stones)
    await empty.close()
    // Where a good one is, it stays: that row is skipped, with its field, the others come in.
    const good = await readAll(other.db, new Date())
    const [stone] = out.things.stones
    const [blade] = out.things.blades
    const newer = { ...out.things, stones: [{ ...stone!, revision: 99 }], blades: [{ ...blade!, revision: 99 }] }
    expect(await bringBack(other.db, { ...out, things: newer })).toMatchObject({
      updated: 1,
      skipped: { count: 1, first: [{ list: 'stones', id: ID.stones, name: 'Bent' }] },
    })
    const then = (await readAll(other.db, new Date())).things
    expect(then.stones).toEqual(good.things.stones)
    expect(then.blades).toMatchObject([{ id: ID.blades, revision: 99 }])
  })

  it('what names a record that is nowhere, or is not its row, is skipped and named; put in place, a job is kept as it was', async () => {
    const whole = await readAll(other.db, new Date())
    const nowhere = '0197a000-0000-7000-8000-00000000dead'
    const [job] = whole.things.jobs
    const lost = {
      ...job!,
      id: '0197a000-0000-7000-8000-0000000000aa',
      content: { ...(job!.content as object), rigId: nowhere },
    }
    const [version] = whole.rigVersions
    const rigVersions = [...whole.rigVersions, { ...version!, thingId: nowhere }]
    const [entry] = whole.log
    const log = [{ ...entry!, id: '0197a000-0000-7000-8000-0000000000bb' }, ...whole.log]
    const [jaws] = whole.things.instruments
    const things = { ...whole.things, jobs: [lost], stones: [...whole.things.stones, { ...jaws!, revision: 9 }] }
    const file = { ...whole, things, rigVersions, log }
    expect((await bringBack(other.db, file)).skipped).toMatchObject({
      count: 4,
      first: [
        { list: 'stones', id: ID.instruments, problems: [{ field: 'id', code: 'id-of-another' }] },
        { list: 'jobs', id: lost.id, problems: [{ field: 'rigId', code: 'no-such-link', figures: { kind: 'rigs' } }] },
        { list: 'rigVersions', problems: [{ field: 'thingId', code: 'no-such-link', figures: { kind: 'rigs' } }] },
        { list: 'log', problems: [{ field: 'id', code: 'not-its-row' }] },
      ],
    })
    expect(await readAll(other.db, new Date())).toMatchObject({ things: whole.things, log: whole.log })
    await putInPlace(other.db, file)
    const then = await readAll(other.db, new Date())
    expect(then.things.jobs.map(({ id }) => id)).toEqual([lost.id])
    expect(then.rigVersions).toEqual(whole.rigVersions)
  })
})
