import { z } from 'zod'
import { clampPosition } from '../clamping/clampPosition'
import { gaugeZero } from './gaugeZero'
import { dialSetting } from '../rig/heightReading'

const anglePerSide = z
  .number()
  .gt(0, 'An edge angle is above 0°.')
  .max(60, 'More than 60° per side is no cutting edge.')
const measuredPerSide = z
  .number()
  .min(0, 'An angle read is 0° or more.')
  .max(90, 'An angle read is 90° at most.')
  .nullable()

/** An angle the user has read off, per side; null while unknown. */
const readPair = z.object({ aDeg: measuredPerSide, bDeg: measuredPerSide })

const halfWidth = (what: string, most: number) => z.number().min(0, `A doubt of the ${what} is 0 or more.`).max(most)

/** How well it is known how the blade is held: half-widths. */
export const holdTolerance = z.object({
  /** Place along the jaws. */
  alongMm: halfWidth('place', 20).default(1),
  turnDeg: halfWidth('turn', 10).default(0.5),
  centreOffsetMm: halfWidth('centring', 5).default(0.1),
  /** Tilt in the jaws, or how the blade rests on a table. */
  tiltDeg: halfWidth('tilt', 10).default(0.2),
})
export type HoldTolerance = z.infer<typeof holdTolerance>

/** One job: a rig, a blade and a stone, how the blade is held, what is dialled and what is wanted. */
export const setup = z.object({
  name: z.string().trim().min(1, 'Give the job a name.').max(120),
  notes: z.string().max(4000).default(''),
  rigId: z.uuid(),
  /** The version of the rig that the job is done with; null: the newest. */
  rigRevision: z.number().int().min(1).nullable().default(null),
  /** Which of the rig's jaws are fitted; null: the usual ones. */
  jawsName: z.string().max(40).nullable().default(null),
  bladeId: z.uuid(),
  stoneId: z.uuid(),
  held: clampPosition,
  /** How well the blade height is known: half-width. */
  bladeHeightToleranceMm: z.number().min(0.01).max(10).default(0.5),
  holdTolerance: holdTolerance.prefault({}),
  /** What is dialled on each side; `linked`: one dial serves both. */
  dialled: z.object({ a: dialSetting, b: dialSetting, linked: z.boolean() }),
  wanted: z.object({
    aDeg: anglePerSide,
    bDeg: anglePerSide,
    linked: z.boolean(),
    why: z.string().max(300).default(''),
  }),
  /** The place of the edge looked at, arc length from the heel; null: over the middle of the jaws. */
  lookAtMm: z.number().min(0).max(3000).nullable().default(null),
  /** The stones to be used one after the other; empty: none chosen yet. */
  progression: z.array(z.uuid()).max(40).default([]),
  gaugeZero: gaugeZero.default('centre-plane'),
  read: readPair.default({ aDeg: null, bDeg: null }),
  proved: readPair.default({ aDeg: null, bDeg: null }),
})
export type Setup = z.infer<typeof setup>
