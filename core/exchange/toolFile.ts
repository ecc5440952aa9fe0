import { z } from 'zod'
import { possibleRig } from '../rig/possibleRig'
import { stone } from '../stone/stone'

/** Rigs and stones to hand on: JSON, lengths in mm, angles in degrees, as docs/geometry.md defines them. */
export const toolFile = z.object({
  format: z.literal('jaw-tilt-tools', 'This is no file of rigs and stones.'),
  version: z.literal(1, 'This file was written by a later Jaw Tilt: update this one first.'),
  rigs: z.array(possibleRig).max(200).default([]),
  stones: z.array(stone).max(1000).default([]),
})
export type ToolFile = z.infer<typeof toolFile>

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
