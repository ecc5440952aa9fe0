import { z } from 'zod'
import { clampPosition } from '../clamping/clampPosition'
import { holdTolerance } from '../clamping/knownHold'
import { deg, label, mm } from '../measure/measure'
import { dialSetting } from '../rig/dials/readings'
import { gaugeZero } from '../setup/gaugeZero'

const wantedAngle = deg({ above: 0, most: 60 })
const placeMm = mm({ least: 0, most: 3000 }).nullable().default(null)

/**
 * One job: a rig, a blade and a stone, how the blade is held, what is dialled and what is wanted. What was read and
 * proved on it stands in the log.
 */
export const job = z.object({
  name: label(120),
  notes: z.string().max(4000).default(''),
  rigId: z.uuid(),
  /** The version of the rig that the job is done with; null: the newest. */
  rigRevision: z.number().int().min(1).nullable().default(null),
  /** Which of the rig's jaws are fitted; null: the usual ones. */
  jawsName: z.string().max(40).nullable().default(null),
  bladeId: z.uuid(),
  stoneId: z.uuid(),
  hold: clampPosition,
  /** How well the blade height is known: half-width. */
  bladeHeightToleranceMm: mm({ least: 0.01, most: 10 }).default(0.5),
  holdTolerance: holdTolerance.prefault({}),
  /** What is dialled on each side; `linked`: one dial serves both. */
  dialled: z.object({ A: dialSetting, B: dialSetting, linked: z.boolean() }),
  wanted: z.object({
    deg: z.object({ A: wantedAngle, B: wantedAngle }),
    linked: z.boolean(),
    why: z.string().max(300).default(''),
  }),
  /** The place of the edge that the dial is for, arc length from the heel; null: over the middle of the jaws. */
  dialForMm: placeMm,
  /** The place of the edge looked at, arc length from the heel; null: the one that the dial is for. */
  lookAtMm: placeMm,
  /** The stones to be used one after the other; empty: none chosen yet. */
  progression: z.array(z.uuid()).max(40).default([]),
  gaugeZero: gaugeZero.default('centre-plane'),
})
export type Job = z.infer<typeof job>
