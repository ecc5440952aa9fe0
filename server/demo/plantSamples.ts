import type { z } from 'zod'
import { keysOf } from '../../core/schema/keys'
import { nth } from '#core/math/list'
import { expectedReadingDeg } from '../../core/geometry/gauge/expectedReading'
import { gaugeUseOf, job } from '../../core/records/job/job'
import { RECORD_KINDS, RECORDS, type ContentOf, type RecordOf, type RecordKind } from '../../core/records/storage/kinds'
import { ANGLE_ALONE, OUTCOME_ALONE, type LogEntry } from '../../core/log/entry'
import { bevelThicknessMm } from '../../core/records/blade/bevelThickness'
import { primaryFaceDeg } from '../../core/records/blade/primaryFace'
import { zonesOfBlade, zoneMiddleMm } from '../../core/records/blade/zones'
import { bevelWidthMm } from '../../core/steel/bevel/bevelWidth'
import { setThere } from '../../core/observe/ledger/against'
import { SIDES, type Side } from '../../core/records/common/side'
import { evenEdgePoints } from '../../core/math/curve/edgePoints'
import { asSet } from '../../core/uncertainty/asSet'
import { evaluate } from '../../core/uncertainty/evaluate'
import type { Setup } from '../../core/geometry/setup/setup'
import { sampleEntryId, sampleId } from '../../core/records/storage/samples'
import { wearEntry } from '../../core/log/wearLog'
import { append } from '../repositories/logRepository'
import { listStored, recordRepository } from '../repositories/recordRepository'
import type { Database } from '../database/connection'
import { withSamples } from '../database/samplesLock'
import { demoBlades } from './blades'
import { demoInstruments } from './instruments'
import { demoJobs, type DemoAngles, type DemoStep } from './jobs'
import { demoOwners } from './owners'
import { demoRigs } from './rigs'
import { demoStones } from './stones'

/** Plants the samples in an empty database; one that holds anything is left as it is. */
export async function plantDemo(db: Database): Promise<void> {
  for (const kind of RECORD_KINDS) if ((await listStored(db, kind)).length > 0) return
  await plantSamples(db)
}

/** Lays the samples out beside what is there, all or none; those that are there already stay as they are. */
export const plantSamples = (db: Database): Promise<void> => withSamples(db, layOut)

async function layOut(db: Database): Promise<void> {
  const rigs = await each(demoRigs, keeper(db, 'rigs'))
  const blades = await each(demoBlades, keeper(db, 'blades'))
  const keepStone = keeper(db, 'stones')
  const stones: RecordOf<'stones'>[] = []
  const entryId = counter(sampleEntryId)
  for (const { log, ...content } of demoStones) {
    const kept = await keepStone(content)
    stones.push(kept)
    await append(
      db,
      log.map((line) => wearEntry(kept.id, line, entryId())),
    )
  }
  await each(demoOwners, keeper(db, 'owners'))
  const instruments = await each(demoInstruments, keeper(db, 'instruments'))
  const stoneId = (number: number) => nth(stones, number - 1).id
  const keepJob = keeper(db, 'jobs')
  for (const {
    rig,
    blade,
    stoneNumber,
    order = [],
    read,
    proved,
    did = [],
    daysBefore = 0,
    dueInDays,
    archived,
    ...content
  } of demoJobs) {
    const links = {
      rigId: rigs[rig].id,
      rigRevision: rigs[rig].revision,
      bladeId: blades[blade].id,
      stoneId: stoneId(stoneNumber),
      progression: order.map(stoneId),
      dueOn: dueInDays === undefined ? null : new Date(Date.now() + dueInDays * DAY_MS).toISOString().slice(0, 10),
    }
    const made = await keepJob(job.parse({ ...content, ...links }))
    const setup = { rig: rigs[rig], blade: blades[blade], stone: nth(stones, stoneNumber - 1), hold: made.hold }
    await append(
      db,
      happenedOn(made, { ...setup, rig: rigs[rig] }, { instruments, read, proved, did, daysBefore }, entryId),
    )
    if (archived && made.archivedAt === null) await recordRepository(db, 'jobs').archive(made.id, made.revision)
  }
}

interface Happened {
  readonly instruments: { readonly gauge: RecordOf<'instruments'>; readonly goniometer: RecordOf<'instruments'> }
  readonly read: DemoAngles | undefined
  readonly proved: DemoAngles | undefined
  readonly did: readonly DemoStep[]
  readonly daysBefore: number
}

/** What happened on a job, in the order of the work, as the job is set: where the dial is for, cut to the apex. */
function happenedOn(
  of: RecordOf<'jobs'>,
  setup: Setup & { readonly rig: RecordOf<'rigs'> },
  { instruments, read, proved, did, daysBefore }: Happened,
  entryId: () => string,
): LogEntry[] {
  const evaluation = evaluate(setup, of, evenEdgePoints(setup.blade.edge, EDGE_POINTS))
  const { sides, edgePoint, bladeHeightMm } = evaluation
  const then = asSet(of, setup.rig, evaluation)
  // All of it before the samples were laid out: what is done on them from then on comes after it.
  const ended = Date.parse(of.createdAt) - daysBefore * DAY_MS
  let minutes = MOST_MINUTES
  const about = (stoneId: string | null = of.stoneId) => ({
    id: entryId(),
    at: new Date(ended - MINUTE_MS * minutes--).toISOString(),
    jobId: of.id,
    bladeId: of.bladeId,
    stoneId,
    instrumentId: null,
  })
  const both = (entry: (side: Side) => LogEntry[]): LogEntry[] => SIDES.flatMap(entry)
  const placeMm = edgePoint.fromHeelMm
  const leftOut = (step: 'hold' | 'prove', side: Side | null): LogEntry => {
    const where = { side, zone: null, position: null, placeMm: null }
    return { ...about(null), ...where, kind: 'left-out', step, setup: then }
  }
  const steps: Record<Exclude<DemoStep, object>, () => LogEntry[]> = {
    'kept-hold': () => [leftOut('hold', null)],
    height: () => [{ ...about(), kind: 'blade-height', heightMm: bladeHeightMm, setup: then }],
    dialled: () => both((side) => [{ ...about(), kind: 'dialled', side, setup: then }]),
    read: () =>
      both((side) => {
        const set = sides[side]
        if (!read || !set.ok) return []
        const { id: instrumentId, uncertaintyDeg } = instruments.gauge
        const expectedDeg = expectedReadingDeg(setup, side, set.contact, gaugeUseOf(of))
        const shown = { side, placeMm, deg: read[side], uncertaintyDeg, expectedDeg, setup: then }
        return [{ ...about(), ...shown, kind: 'reading', instrumentId, zero: 'centre-plane' }]
      }),
    'bevel-found': () =>
      both((side) => {
        const zones = zonesOfBlade(setup.blade).map((zone) => {
          const there = setThere(setup, side, of.dialled[side], zoneMiddleMm(zone))
          return { ...zone, setDeg: there?.contact.edgeAngleDeg ?? of.wanted.deg[side] }
        })
        const face = (zone: (typeof zones)[number]) => ({
          ...zone,
          widthMm: bevelWidthMm(bevelThicknessMm(setup.blade), zone.setDeg),
          primaryDeg: Math.max(0, primaryFaceDeg(setup.blade, side)),
          seen: 'all' as const,
          fraction: 1,
        })
        const known = ({ setDeg: deg, ...zone }: (typeof zones)[number]) => ({ ...zone, deg, uncertaintyDeg: 0.5 })
        return [
          { ...about(), kind: 'ink-look', side, setup: then, setUncertaintyDeg: 0.3, zones: zones.map(face) },
          { ...about(), kind: 'bevel-found', side, zones: zones.map(known) },
        ]
      }),
    burr: () => [
      { ...about(null), kind: 'sharpness', test: 'paper', zones: [], forcesG: [], burr: 'none', burrZones: [] },
    ],
    proved: () =>
      both((side) => {
        if (!proved) return []
        const { id: instrumentId, uncertaintyDeg } = instruments.goniometer
        const found = { side, placeMm, zone: null, deg: proved[side], uncertaintyDeg, by: 'goniometer' as const }
        const looks = { ...ANGLE_ALONE, finish: 'crisp' as const, toApex: true, setup: then }
        return [{ ...about(), ...found, ...looks, kind: 'proof', instrumentId }]
      }),
    'accepted-B': () => [leftOut('prove', 'B')],
    'put-to-use': () => [{ ...about(null), kind: 'put-to-use' }],
    outcome: () => [{ ...about(null), kind: 'outcome', outcome: 'cuts-well', ...OUTCOME_ALONE }],
  }
  function ground({ strokes, doneOn, steelMm3: removedMm3 }: Extract<DemoStep, { strokes: unknown }>): LogEntry[] {
    return both((side): LogEntry[] => {
      const made: LogEntry = {
        ...about(),
        kind: 'strokes',
        side,
        count: strokes[side],
        zone: null,
        strop: false,
        setup: then,
      }
      if (!doneOn.includes(side)) return [made]
      const done = { kind: 'stone-done' as const, side, removedMm3, strokes: strokes[side], minutes: null, setup: then }
      return [made, { ...about(), ...done }]
    })
  }
  const measured = ({ widthsMm }: Extract<DemoStep, { widthsMm: unknown }>) =>
    both((side) => {
      const width = { side, placeMm, zone: null, widthMm: widthsMm[side], uncertaintyMm: 0.05, by: 'loupe' as const }
      return [{ ...about(null), ...width, kind: 'bevel-width', setup: then }]
    })
  const became = ({ outcome, afterDays, plants }: Extract<DemoStep, { outcome: unknown }>): LogEntry[] => {
    const amount = { count: plants, unit: 'plants' as const }
    const at = new Date(ended + afterDays * DAY_MS).toISOString()
    return [{ ...about(null), at, kind: 'outcome', ...OUTCOME_ALONE, outcome, amount, usedFor: 'Rootstocks' }]
  }
  return did.flatMap((step) => {
    if (typeof step === 'string') return steps[step]()
    if ('outcome' in step) return became(step)
    return 'strokes' in step ? ground(step) : measured(step)
  })
}
const MINUTE_MS = 60_000
const DAY_MS = 24 * 60 * MINUTE_MS
const MOST_MINUTES = 60
const EDGE_POINTS = 60

/** Gives an id for each number, from 0 on. */
function counter(idOf: (n: number) => string): () => string {
  let n = 0
  return () => idOf(n++)
}

/** Keeps the samples of a kind one after the other, each under the id of its number. */
function keeper<K extends RecordKind>(db: Database, kind: K) {
  const id = counter((n) => sampleId(kind, n))
  return async (content: z.input<(typeof RECORDS)[K]['schema']>): Promise<RecordOf<K>> => {
    const written = await recordRepository(db, kind).create(RECORDS[kind].schema.parse(content) as ContentOf<K>, id())
    if (!written.ok) throw new Error(`The sample ${kind} cannot be kept: ${written.code}`)
    return written.kept
  }
}

async function each<Key extends string, C, T>(
  contents: Record<Key, C>,
  keep: (content: C) => Promise<T>,
): Promise<Record<Key, T>> {
  const kept: Partial<Record<Key, T>> = {}
  for (const key of keysOf(contents)) kept[key] = await keep(contents[key])
  return kept as Record<Key, T>
}
