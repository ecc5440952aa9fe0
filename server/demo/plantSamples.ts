import type { z } from 'zod'
import { keysOf } from '../../core/schema/keys'
import { nth } from '#core/math/list'
import { expectedReadingDeg } from '../../core/geometry/gauge/expectedReading'
import { gaugeUseOf, job } from '../../core/records/job/job'
import { RECORD_KINDS, RECORDS, type ContentOf, type RecordOf, type RecordKind } from '../../core/records/storage/kinds'
import { ANGLE_ALONE, type Proof, type Reading } from '../../core/log/entry'
import { evenEdgePoints } from '../../core/math/curve/edgePoints'
import { evaluate } from '../../core/uncertainty/evaluate'
import type { Setup } from '../../core/geometry/setup/setup'
import { sampleEntryId, sampleId } from '../../core/records/storage/samples'
import { wearEntry } from '../../core/log/wearLog'
import { append } from '../repositories/logRepository'
import { listStored, recordRepository } from '../repositories/recordRepository'
import type { Database } from '../database/connection'
import { demoBlades } from './blades'
import { demoInstruments } from './instruments'
import { demoJobs, type DemoAngles } from './jobs'
import { demoRigs } from './rigs'
import { demoStones } from './stones'

/** Plants the samples in an empty database; one that holds anything is left as it is. */
export async function plantDemo(db: Database): Promise<void> {
  for (const kind of RECORD_KINDS) if ((await listStored(db, kind)).length > 0) return
  await plantSamples(db)
}

/** Lays the samples out beside what is there, all or none; those that are there already stay as they are. */
export const plantSamples = (db: Database): Promise<void> => db.transaction(layOut)

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
  const instruments = await each(demoInstruments, keeper(db, 'instruments'))
  const stoneId = (number: number) => nth(stones, number - 1).id
  const keepJob = keeper(db, 'jobs')
  for (const { rig, blade, stoneNumber, order = [], read, proved, ...content } of demoJobs) {
    const links = {
      rigId: rigs[rig].id,
      rigRevision: rigs[rig].revision,
      bladeId: blades[blade].id,
      stoneId: stoneId(stoneNumber),
      progression: order.map(stoneId),
    }
    const made = await keepJob(job.parse({ ...content, ...links }))
    const setup = { rig: rigs[rig], blade: blades[blade], stone: nth(stones, stoneNumber - 1), hold: made.hold }
    await append(
      db,
      [
        ...entriesOf(made, instruments.gauge, read, entryId),
        ...entriesOf(made, instruments.goniometer, proved, entryId),
      ].map((entry) => asSet(entry, made, setup)),
    )
  }
}

/** What was found where the dial is for, as the job has it dialled; a bevel cut through to the apex. */
function asSet(entry: Reading | Proof, of: RecordOf<'jobs'>, setup: Setup): Reading | Proof {
  const { side } = entry
  const { sides, edgePoint } = evaluate(setup, of, evenEdgePoints(setup.blade.edge, EDGE_POINTS))
  const set = sides[side]
  if (!set.ok) return entry
  const placeMm = edgePoint.fromHeelMm
  if (entry.kind === 'reading')
    return { ...entry, placeMm, expectedDeg: expectedReadingDeg(setup, side, set.contact, gaugeUseOf(of)) }
  const { rigId, rigRevision, dialled, hold } = of
  const cut = { rigId, rigRevision, setting: dialled[side], hold, setDeg: set.contact.edgeAngleDeg }
  return { ...entry, placeMm, finish: 'crisp', toApex: true, cut }
}
const EDGE_POINTS = 60

/** Gives an id for each number, from 0 on. */
function counter(idOf: (n: number) => string): () => string {
  let n = 0
  return () => idOf(n++)
}

/** What was read with a gauge, or proved with a goniometer, on a job, side by side. */
function entriesOf(
  of: RecordOf<'jobs'>,
  instrument: RecordOf<'instruments'>,
  angles: DemoAngles | undefined,
  entryId: () => string,
): (Reading | Proof)[] {
  if (!angles) return []
  return (['A', 'B'] as const).map((side): Reading | Proof => {
    const about = {
      id: entryId(),
      at: of.createdAt,
      jobId: of.id,
      bladeId: of.bladeId,
      stoneId: of.stoneId,
      instrumentId: instrument.id,
      side,
      placeMm: null,
      deg: angles[side],
      uncertaintyDeg: instrument.uncertaintyDeg,
    }
    return instrument.kind === 'level-gauge'
      ? { ...about, kind: 'reading', zero: 'centre-plane', expectedDeg: null }
      : { ...about, kind: 'proof', zone: null, by: 'goniometer', ...ANGLE_ALONE }
  })
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
