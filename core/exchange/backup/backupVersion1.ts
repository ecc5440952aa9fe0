import { v5 as idFrom, validate as isId } from 'uuid'
import { gaugeZero } from '../../records/job/gaugeZero'
import { isOneOf } from '../../schema/keys'
import { storeEntry, type StoredEntry } from '../../log/stored'
import { ANGLE_ALONE, type LogEntry } from '../../log/entry'
import { wearEntry } from '../../log/wearLog'
import type { StoneWear } from '../../records/stone/wear'
import { rawOf, type Raw } from '../../schema/versioned'

/** A thing as version 1 had it: its content and what it carries side by side. */
type Row = Raw & { readonly id?: unknown }

const META = ['id', 'revision', 'createdAt', 'updatedAt', 'archivedAt'] as const
const list = (value: unknown): Row[] =>
  Array.isArray(value) ? value.filter((row) => row && typeof row === 'object') : []
const isNumber = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value)

/** Content and meta parted. */
function stored(row: Row): Raw {
  const meta = Object.fromEntries(META.map((key) => [key, row[key]]))
  const content = Object.fromEntries(Object.entries(row).filter(([key]) => !isOneOf(META, key)))
  return { ...meta, version: 1, content }
}

/**
 * A backup of version 1 (or the rows of a data folder of then) as one of version 2: contents by themselves with their
 * version, what was read and proved on a job and a stone's wear log as entries of the log. The entries' ids follow from
 * what they say, so that the same data carried over twice are the same entries.
 */
export function backupFromVersion1(file: Raw): Raw {
  const { setups, rigs, blades, stones, rigVersions, ...rest } = file
  return {
    ...rest,
    version: 2,
    things: {
      rigs: list(rigs).map(stored),
      blades: list(blades).map(stored),
      stones: list(stones).map(stored),
      jobs: list(setups).map(stored),
      instruments: [],
      owners: [],
    },
    rigVersions: list(rigVersions).map(({ rigId, revision, content }) => ({
      thingId: rigId,
      revision,
      version: 1,
      content,
    })),
    log: [...list(setups).flatMap(anglesOf), ...list(stones).flatMap(wearOf)],
  }
}

const NOTHING = { jobId: null, bladeId: null, stoneId: null, instrumentId: null } as const
/** What a person reads off an instrument to a tenth of a degree, degrees. */
const UNCERTAINTY_DEG = 0.1

/** The angles read and proved on a job. When they were entered was not kept: the job's last change is the nearest. */
function anglesOf(job: Row): StoredEntry[] {
  const { id, updatedAt, bladeId, stoneId } = job
  if (!isId(id)) return []
  const about = {
    ...NOTHING,
    at: String(updatedAt),
    jobId: String(id),
    bladeId: String(bladeId),
    stoneId: String(stoneId),
  }
  const sides = [['A', 'aDeg'] as const, ['B', 'bDeg'] as const]
  return sides.flatMap(([side, key]): StoredEntry[] => {
    const [read, proved] = [job.read, job.proved].map((pair) => rawOf(pair)[key])
    const entries: LogEntry[] = []
    const common = (kind: string) => ({
      ...about,
      id: idFrom(`${kind}/${side}`, String(id)),
      side,
      placeMm: null,
      uncertaintyDeg: UNCERTAINTY_DEG,
    })
    if (isNumber(read)) {
      const zero = gaugeZero.catch('centre-plane').parse(job.gaugeZero)
      entries.push({ ...common('read'), kind: 'reading', deg: read, zero, expectedDeg: null, setup: null })
    }
    if (isNumber(proved))
      entries.push({ ...common('proved'), kind: 'proof', deg: proved, zone: null, by: 'not said', ...ANGLE_ALONE })
    return entries.map(storeEntry)
  })
}

/** The lines of a stone's wear log; two that say the same are told apart by their number. */
function wearOf({ id, log }: Row): StoredEntry[] {
  if (!isId(id)) return []
  const seen = new Map<string, number>()
  return list(log).map((line) => {
    const says = JSON.stringify([line.on, line.did, line.faceOffsetMm, line.blades, line.note])
    const times = seen.get(says) ?? 0
    seen.set(says, times + 1)
    const entryId = idFrom(`wear/${says}/${times}`, String(id))
    return storeEntry(wearEntry(String(id), line as unknown as StoneWear, entryId))
  })
}
