import { z } from 'zod'
import { moment } from '../../schema/moment'
import { tableOf } from '../../schema/keys'
import { rawOf } from '../../schema/versioned'
import { unkeepable } from '../../schema/keepable'
import { checked, invalid, MOST_PROBLEMS, says, type Invalid } from '../../schema/problem'
import { storedEntry } from '../../log/stored'
import { bladePhoto } from '../../records/storage/bladePhoto'
import { backupFromVersion1 } from './backupVersion1'
import { NONE_SKIPPED, skippedRows, withSkipped, type SkippedRows } from './skippedRows'
import { keptPreferences } from '../../records/preferences/preferences'
import { storedVersion } from '../../records/storage/rigVersion'
import { storedRecord, unreadable } from '../../records/storage/stored'
import { RECORD_KINDS } from '../../records/storage/kinds'

export const BACKUP_VERSION = 2

/** The stored things of every kind. */
const things = z.object(tableOf(RECORD_KINDS, () => z.array(storedRecord).default([])))

/**
 * All that is kept, in one open file: JSON, lengths in mm, angles in degrees, as docs/geometry.md defines them.
 * Contents are as they lie on the disk, so that what cannot be read is not lost either.
 */
export const backup = z.object({
  format: z.literal('jaw-tilt', says('not-this-format')),
  version: z.literal(BACKUP_VERSION, says('later-version')),
  savedAt: moment,
  things,
  rigVersions: z.array(storedVersion).default([]),
  bladePhotos: z.array(bladePhoto).default([]),
  log: z.array(storedEntry).default([]),
  preferences: keptPreferences,
})
export type Backup = z.infer<typeof backup>

export type ReadBackup = { readonly ok: true; readonly backup: Backup; readonly skipped: SkippedRows } | Invalid

/** After so many rows others are let in. */
const ROWS_A_STEP = 200

/** What stands around the rows: as many as there are, for what is kept here comes back whatever it is. */
const frame = backup.omit({ things: true }).extend({
  things: z.record(z.string(), z.array(z.unknown())).default({}),
  rigVersions: z.array(z.unknown()).default([]),
  bladePhotos: z.array(z.unknown()).default([]),
  log: z.array(z.unknown()).default([]),
})

/** A value by its schema, or why it can neither be read nor kept. */
export function keepable<T extends z.ZodType>(schema: T, value: unknown) {
  const unkept = unkeepable(value)
  return unkept ? invalid([unkept]) : checked(schema, value)
}

/**
 * Reads a backup of any version that was ever written, a step at a time. Wrong rows are skipped and named; a backup
 * without one good row is refused.
 */
export function* readingBackup(file: unknown): Generator<void, ReadBackup, void> {
  const { format, version } = rawOf(file)
  const now = format === 'jaw-tilt' && version === 1 ? backupFromVersion1(rawOf(file)) : file
  const around = checked(frame, now)
  if (!around.ok) return invalid(around.problems.slice(0, MOST_PROBLEMS))
  let skipped = NONE_SKIPPED
  let taken = 0
  function* rows<T extends z.ZodType>(list: string, schema: T, all: readonly unknown[]) {
    const good: z.output<T>[] = []
    for (const [i, one] of all.entries()) {
      const read = keepable(schema, one)
      if (read.ok) good.push(read.value)
      else skipped = withSkipped(skipped, list, one, read.problems)
      if (i % ROWS_A_STEP === ROWS_A_STEP - 1) yield
    }
    taken += good.length
    return good
  }
  const { things: kinds, rigVersions, bladePhotos, log, ...rest } = around.value
  const unkept = unkeepable(rest)
  if (unkept) return invalid([unkept])
  const read: Backup = { ...rest, things: tableOf(RECORD_KINDS, () => []), rigVersions: [], bladePhotos: [], log: [] }
  for (const kind of RECORD_KINDS) read.things[kind] = yield* rows(kind, storedRecord, kinds[kind] ?? [])
  read.rigVersions = yield* rows('rigVersions', storedVersion, rigVersions)
  read.bladePhotos = yield* rows('bladePhotos', bladePhoto, bladePhotos)
  read.log = yield* rows('log', storedEntry, log)
  const [bad] = skipped.first
  if (!bad || taken > 0) return { ok: true, backup: read, skipped }
  return invalid(bad.problems.map((one) => ({ ...one, field: [bad.list, one.field].filter(Boolean).join('.') })))
}

/** The same at once. */
export function readBackup(file: unknown): ReadBackup {
  const reading = readingBackup(file)
  for (;;) {
    const step = reading.next()
    if (step.done) return step.value
  }
}

/** What bringing a file back did. */
export const broughtBack = z.object({
  added: z.number().int(),
  updated: z.number().int(),
  left: z.number().int(),
  /** What of it this version cannot read; it is kept as it is. */
  unreadable: z.array(unreadable),
  skipped: skippedRows,
})
export type BroughtBack = z.infer<typeof broughtBack>
