import { z } from 'zod'
import { revision } from '../common/meta'
import { clampPosition } from './clampPosition'
import { holdTolerance } from './knownHold'
import { deg, label, mm } from '../../schema/measure'
import { dialSetting } from '../rig/dials/readings'
import { gaugeAxes, gaugeZero, type GaugeUse } from './gaugeZero'
import { keptPositions } from './positions'
import { purpose } from './purpose'

const wantedAngle = deg({ above: 0, most: 60 })
/** A small steeper bevel at the very edge. */
const microBevel = z.object({
  /** So much steeper than the edge bevel. */
  addDeg: deg({ least: 0.5, most: 15 }),
  /** What it is ground with; null: the last stone of the order that grinds. */
  stoneId: z.uuid().nullable().default(null),
})
/** What an edge can be wanted for, by its finish. */
export const WANTED_FINISHES = ['toothy', 'kitchen', 'polished', 'mirror'] as const
export type WantedFinish = (typeof WANTED_FINISHES)[number]

/** The deepest chip of the edge: it is ground out at once, or a part of it with each of three sharpenings. */
const chip = z.object({ depthMm: mm({ above: 0, most: 5 }), over: z.enum(['once', 'three']) })
export type Chip = z.infer<typeof chip>
const placeMm = mm({ least: 0, most: 3000 }).nullable().default(null)

/** What is done with a blade on a rig: the hold, what is dialled, for where and why, with which jaws and stones. */
export const clampCard = z.object({
  /** Which of the rig's jaws are fitted; null: the usual ones. */
  jawsName: z.string().max(40).nullable().default(null),
  hold: clampPosition,
  /** What is dialled on each side; `linked`: one dial serves both. */
  dialled: z.object({ A: dialSetting, B: dialSetting, linked: z.boolean() }),
  wanted: z.object({
    deg: z.object({ A: wantedAngle, B: wantedAngle }),
    linked: z.boolean(),
    why: z.string().max(300).default(''),
  }),
  /** The place of the edge that the dial is for, arc length from the heel; null: over the middle of the jaws. */
  dialForMm: placeMm,
  /** The stones to be used one after the other; empty: none chosen yet. */
  progression: z.array(z.uuid()).max(40).default([]),
  /** Null: none. */
  microBevel: microBevel.nullable().default(null),
  /** So much steeper than the apex a strop lies; below 0: flatter. */
  stropAddDeg: deg({ least: -5, most: 10 }).default(0),
  /** Ways of holding a long blade, one after the other; null: the one hold does. */
  positions: keptPositions.nullable().default(null),
})

export const MOST_SET_ASIDE = 12

/**
 * One job: a rig, a blade and a stone, how the blade is held, what is dialled and what is wanted. What was read and
 * proved on it stands in the log.
 */
export const job = z.object({
  name: label(120),
  /** What it is for; null: what its blade's record makes most likely. */
  purpose: purpose.nullable().default(null),
  notes: z.string().max(4000).default(''),
  /** The day until which it is wanted back; null: none was named. */
  dueOn: z.iso.date().nullable().default(null),
  finish: z.enum(WANTED_FINISHES).default('kitchen'),
  /** Null: none that is to be ground out. */
  chip: chip.nullable().default(null),
  rigId: z.uuid(),
  /** The version of the rig that the job is done with; null: the newest. */
  rigRevision: revision.nullable().default(null),
  bladeId: z.uuid(),
  stoneId: z.uuid(),
  /** Whether the stone is on for the micro-bevel, where there is to be one. */
  onMicroBevel: z.boolean().default(false),
  ...clampCard.shape,
  /** How well the blade height is known: half-width. */
  bladeHeightToleranceMm: mm({ least: 0.01, most: 10 }).default(0.5),
  holdTolerance: holdTolerance.prefault({}),
  gaugeZero: gaugeZero.default('centre-plane'),
  gaugeAxes: gaugeAxes.default('one'),
  /** The cards that a change of rig or blade took the place of: they come back with the two. Newest last. */
  setAside: z
    .array(clampCard.extend({ rigId: z.uuid(), bladeId: z.uuid() }))
    .max(MOST_SET_ASIDE)
    .default([]),
})
export type Job = z.infer<typeof job>

/** How the level gauge is used on a job. */
export const gaugeUseOf = ({ gaugeZero: zero, gaugeAxes: axes }: Pick<Job, 'gaugeZero' | 'gaugeAxes'>): GaugeUse => ({
  zero,
  axes,
})
