import { z } from 'zod'
import { RECORDS } from '../../records/storage/kinds'
import { rawOf } from '../../schema/versioned'
import { possibleRig } from '../../records/rig/possibleRig'
import { says } from '../../schema/problem'
import { stone } from '../../records/stone/stone'
import { stoneWear } from '../../records/stone/wear'

/** A stone with its wear log, for whoever takes it over. */
export const handedOnStone = stone.extend({ log: z.array(stoneWear).max(500).default([]) })
export type HandedOnStone = z.infer<typeof handedOnStone>

/** So many stones are handed on at once, at most. */
export const MOST_STONES = 1000

/** Rigs and stones to hand on: JSON, lengths in mm, angles in degrees, as docs/geometry.md defines them. */
export const toolFile = z.object({
  format: z.literal('jaw-tilt-tools', says('not-this-format')),
  version: z.literal(2, says('later-version')),
  rigs: z.array(possibleRig).max(200).default([]),
  stones: z.array(handedOnStone).max(MOST_STONES).default([]),
})
export type ToolFile = z.infer<typeof toolFile>

/** A file of version 1 as one of version 2: its rigs in the words of today. Anything else stays as it is. */
export function toolFileOfToday(file: unknown): unknown {
  const { format, version, rigs } = rawOf(file)
  if (format !== 'jaw-tilt-tools' || version !== 1) return file
  const migrated = (rig: unknown) =>
    typeof rig === 'object' && rig !== null
      ? RECORDS.rigs.migrations.reduce((now, migrate) => migrate(now), rawOf(rig))
      : rig
  return { ...rawOf(file), version: 2, ...(Array.isArray(rigs) ? { rigs: rigs.map(migrated) } : {}) }
}

/** What taking a file in did. */
export const takenIn = z.object({ added: z.number().int(), already: z.number().int() })
export type TakenIn = z.infer<typeof takenIn>

/**
 * The published JSON Schema of the file. Rules between several measures are beyond it: the application checks them too.
 */
export const toolFileJsonSchema = (): object => ({
  ...z.toJSONSchema(toolFile, { io: 'input' }),
  title: 'Jaw Tilt rigs and stones',
})
