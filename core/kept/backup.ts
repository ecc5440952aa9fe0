import { z } from 'zod'
import { checked, says, type FieldProblem } from '../problem/problem'
import { storedEntry } from '../log/stored'
import { bladePhoto } from './bladePhoto'
import { backupFromVersion1 } from './backupVersion1'
import { keptPreferences } from './preferences'
import { storedVersion } from './rigVersion'
import { storedThing, unreadable, type StoredThing } from './stored'
import { THING_KINDS, type ThingKind } from './things'

const BACKUP_VERSION = 2

/** The stored things of every kind. */
const things = z.object(
  Object.fromEntries(THING_KINDS.map((kind) => [kind, z.array(storedThing).default([])])),
) as unknown as z.ZodType<Record<ThingKind, StoredThing[]>>

/**
 * All that is kept, in one open file: JSON, lengths in mm, angles in degrees, as docs/geometry.md defines them.
 * Contents are as they lie on the disk, so that what cannot be read is not lost either.
 */
export const backup = z.object({
  format: z.literal('jaw-tilt', says('not-this-format')),
  version: z.literal(BACKUP_VERSION, says('later-version')),
  savedAt: z.iso.datetime(),
  things,
  rigVersions: z.array(storedVersion).default([]),
  bladePhotos: z.array(bladePhoto).default([]),
  log: z.array(storedEntry).default([]),
  preferences: keptPreferences,
})
export type Backup = z.infer<typeof backup>

/** Reads a backup of any version that was ever written. */
export function readBackup(
  file: unknown,
): { ok: true; backup: Backup } | { ok: false; problems: readonly FieldProblem[] } {
  const { format, version } = (file ?? {}) as { format?: unknown; version?: unknown }
  const now = format === 'jaw-tilt' && version === 1 ? backupFromVersion1(file as Record<string, unknown>) : file
  const read = checked(backup, now)
  return read.ok ? { ok: true, backup: read.value } : read
}

/** What bringing a file back did. */
export const broughtBack = z.object({
  added: z.number().int(),
  updated: z.number().int(),
  left: z.number().int(),
  /** What of it this version cannot read; it is kept as it is. */
  unreadable: z.array(unreadable),
})
export type BroughtBack = z.infer<typeof broughtBack>
