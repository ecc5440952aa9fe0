import { z } from 'zod'
import { moment } from '../schema/moment'
import { isOneOf, keysOf } from '../schema/keys'
import {
  BURRS,
  CHOICES,
  FINISHES,
  INK_PATTERNS,
  LEVELS,
  OUTCOMES,
  SHARPNESS_TESTS,
  USE_UNITS,
  WIDTH_MEANS,
} from './choices'
import { STEP_IDS } from './stepIds'
import { ZONE_KINDS } from '../records/blade/zones'
import { SIDES } from '../records/common/side'
import { renamed, versionOf, type Migration, type Raw, rawOf } from '../schema/versioned'
import { count, deg, mm } from '../schema/measure'
import { gaugeZero } from '../records/job/gaugeZero'
import { positionNumber } from '../records/job/positions'
import { stoneWear } from '../records/stone/wear'
import { cutIntoSetup, settingIntoSetup, setupSnapshot } from './setupSnapshot'

const id = z.uuid().nullable().default(null)

/** What every entry of the log says: which, when, and what it is about, as far as that applies. */
const entry = z.object({
  /** The client's own, UUID version 7: sent twice it is still one entry. */
  id: z.uuid(),
  at: moment,
  jobId: id,
  bladeId: id,
  stoneId: id,
  instrumentId: id,
})

const side = z.enum(SIDES)
/** Of the edge, arc length from the heel; null where it was not said. */
const placeMm = mm({ least: 0, most: 3000 }).nullable().default(null)
const angle = deg({ least: 0, most: 90 })
/** Half-width of the range that holds 95 in 100 such readings. */
const uncertaintyDeg = deg({ least: 0.01, most: 10 })

/** How the rig was set then; null where an earlier version did not say. */
const setup = setupSnapshot.nullable().default(null)

/** A level gauge on the stone was read. */
const reading = entry.extend({
  kind: z.literal('reading'),
  side,
  placeMm,
  deg: angle,
  uncertaintyDeg,
  zero: gaugeZero,
  /** What it had to read as the rig was set then; null where there was no angle. */
  expectedDeg: angle.nullable().default(null),
  setup,
})
/** An angle was proved on the steel. */
const proof = entry.extend({
  kind: z.literal('proof'),
  side,
  placeMm,
  zone: z.enum(ZONE_KINDS).nullable().default(null),
  deg: angle,
  uncertaintyDeg,
  by: z.enum(['goniometer', 'ink', 'not said']),
  /** How a goniometer showed it, and between which angles; null where that was not said. */
  finish: z.enum(FINISHES).nullable().default(null),
  fromDeg: angle.nullable().default(null),
  toDeg: angle.nullable().default(null),
  /** Of the primary face behind it. */
  primaryDeg: angle.nullable().default(null),
  /** Whether the bevel was cut through to the apex: else the steel there has an older angle. */
  toApex: z.boolean().nullable().default(null),
  /** How the rig was set when steel was last taken off here; null: it is the bevel that was found. */
  setup,
})
/** A proof of which nothing but its angle was said. */
export const ANGLE_ALONE = {
  finish: null,
  fromDeg: null,
  toDeg: null,
  primaryDeg: null,
  toApex: null,
  setup: null,
} as const
/** A hand has turned the rig to a setting, with the stone of the entry on the rod, and said so. */
const dialled = entry.extend({ kind: z.literal('dialled'), side, setup: setupSnapshot })
/** What was bare of ink in one zone, and what the geometry said of its face then. */
const inkZone = z.object({
  kind: z.enum(ZONE_KINDS),
  fromMm: mm({ least: 0, most: 3000 }),
  toMm: mm({ least: 0, most: 3000 }),
  /** Set at the zone's middle. */
  setDeg: angle,
  widthMm: mm({ above: 0, most: 100 }),
  primaryDeg: angle,
  seen: z.enum(INK_PATTERNS),
  /** Of the face, from 0 to 1. */
  fraction: z.number().min(0).max(1),
})
export type InkZone = z.infer<typeof inkZone>
/** A side was looked at after light passes over its inked bevel; zones nobody looked at are left out. */
const inkLook = entry.extend({
  kind: z.literal('ink-look'),
  side,
  setup: setupSnapshot,
  setUncertaintyDeg: uncertaintyDeg,
  zones: z.array(inkZone).min(1).max(40),
})
/** A bevel was looked for on a hidden blade, for practice: of no job, and of no blade that there is. */
const practice = entry.extend({
  kind: z.literal('practice'),
  level: z.enum(LEVELS),
  points: z.number().int().min(0).max(100),
  looks: z.number().int().min(1).max(1000),
})
/** So many an entry counts at most. */
export const MOST_STROKES = 10_000
/** Strokes were made with the stone of the entry on a side: those of one sitting are one entry, which grows. */
const strokes = entry.extend({
  kind: z.literal('strokes'),
  side,
  count: count({ least: 1, most: MOST_STROKES }),
  /** Of a zone alone; null: full strokes, from heel to tip. */
  zone: z.enum(ZONE_KINDS).nullable().default(null),
  /** On a strop, which takes no steel off. */
  strop: z.boolean().default(false),
  setup,
})
/** A person said that the stone of the entry has done its work on a side. */
const stoneDone = entry.extend({
  kind: z.literal('stone-done'),
  /** Null: on every side that gets a bevel, as entries of an earlier version have it. */
  side: side.nullable().default(null),
  /** The steel that it was to take off; null where that was not known, or none. */
  removedMm3: z.number().positive().max(100_000).nullable().default(null),
  /** Full strokes that it took. */
  strokes: count({ least: 0, most: 100 * MOST_STROKES }),
  /** How long it took; null where it was not timed. */
  minutes: z.number().min(0).max(1000).nullable().default(null),
  setup,
})
/** A close-up of the bevel was read, third by third: what the stone of the entry has to do yet. */
const scratches = entry.extend({
  kind: z.literal('scratches'),
  side,
  /** From the heel to the tip of what the picture shows; null where a third was not in it. */
  thirds: z
    .array(
      z
        .object({
          /** Of the scratches of the stone before, how many are left, and of the width how much is not reached. */
          oldLeft: z.number().min(0).max(1),
          unreached: z.number().min(0).max(1),
        })
        .nullable(),
    )
    .length(3),
  setup,
})
/** How sharp the edge was found. */
const sharpness = entry.extend({
  kind: z.literal('sharpness'),
  test: z.enum(SHARPNESS_TESTS),
  /** Where it caught, glinted, dragged or was chipped; empty: nowhere. */
  zones: z.array(z.enum(ZONE_KINDS)).max(ZONE_KINDS.length).default([]),
  /** Of each cut through a thread, grams. */
  forcesG: z.array(z.number().positive().max(5000)).max(30).default([]),
  burr: z.enum(BURRS).nullable().default(null),
  /** Where along the edge the burr was; empty: all along. */
  burrZones: z.array(z.enum(ZONE_KINDS)).max(ZONE_KINDS.length).default([]),
})
/** The width of the bevel's face was measured. */
const bevelWidth = entry.extend({
  kind: z.literal('bevel-width'),
  side,
  placeMm: mm({ least: 0, most: 3000 }),
  zone: z.enum(ZONE_KINDS).nullable().default(null),
  widthMm: mm({ above: 0, most: 100 }),
  /** Half-width of the range that holds 95 in 100 such measures. */
  uncertaintyMm: mm({ above: 0, most: 10 }),
  by: z.enum(WIDTH_MEANS),
  setup,
})
/** How far the edge stands out of the jaws was measured, with the blade in them. */
const bladeHeight = entry.extend({
  kind: z.literal('blade-height'),
  heightMm: mm({ above: 0, most: 500 }),
  setup: setupSnapshot,
})
/** What marker tests say of the bevel of a side, zone by zone, was taken for known. */
const bevelFound = entry.extend({
  kind: z.literal('bevel-found'),
  side,
  zones: z
    .array(
      z.object({
        kind: z.enum(ZONE_KINDS),
        fromMm: mm({ least: 0, most: 3000 }),
        toMm: mm({ least: 0, most: 3000 }),
        deg: angle,
        uncertaintyDeg,
      }),
    )
    .min(1)
    .max(40),
})
/** What to do about the bevel that was found was decided: the angle of each side, degrees. */
const decided = entry.extend({
  kind: z.literal('decided'),
  choice: z.enum(CHOICES),
  deg: z.object({ A: angle, B: angle }),
  why: z.string().max(300).default(''),
})
/** A person leaves a step of the job out, or accepts what it came to, as the rig is set then. */
const leftOut = entry.extend({
  kind: z.literal('left-out'),
  step: z.enum(STEP_IDS),
  side: side.nullable().default(null),
  zone: z.enum(ZONE_KINDS).nullable().default(null),
  /** Of a long blade, the clamping position that it was for; null: of none. */
  position: positionNumber.default(null),
  /** The place of the edge that it was for, from the heel: a blade can have two zones of one kind. */
  placeMm: mm({ least: 0, most: 3000 }).nullable().default(null),
  setup,
})
/** The edge was put to use. */
const putToUse = entry.extend({ kind: z.literal('put-to-use') })
/** What became of the edge in use. */
const outcome = entry.extend({
  kind: z.literal('outcome'),
  outcome: z.enum(OUTCOMES),
  /** Where along the edge; empty: all along, or nowhere. */
  zones: z.array(z.enum(ZONE_KINDS)).max(ZONE_KINDS.length).default([]),
  /** Of an edge that dulled soon: whether its burr was removed with care; null: nobody said, or it was not asked. */
  burrRemoved: z.boolean().nullable().default(null),
  /** What it cut. */
  usedFor: z.string().trim().max(80).default(''),
  /** How much of that; null where it was not counted. */
  amount: z
    .object({ count: count({ least: 1, most: 1_000_000 }), unit: z.enum(USE_UNITS) })
    .nullable()
    .default(null),
  /** Who says so; empty: who keeps the record. */
  by: z.string().trim().max(80).default(''),
  note: z.string().max(1000).default(''),
})
/** The blade was handed back to its owner. */
const handedBack = entry.extend({ kind: z.literal('handed-back') })
/** An outcome of which nothing else was said. */
export const OUTCOME_ALONE = { zones: [], burrRemoved: null, usedFor: '', amount: null, by: '', note: '' }
/** A stone was measured, used or flattened. */
const wear = entry.extend({ kind: z.literal('stone-wear'), ...stoneWear.shape })
/** Another entry is retracted; or, where that one is a retraction itself, what it retracted holds again. */
const retraction = entry.extend({ kind: z.literal('retraction'), entryId: z.uuid() })

const UNCERTAINTY = renamed({ doubtDeg: 'uncertaintyDeg' })
function lookInWordsOfMetrology(content: Raw): Raw {
  const { zones, ...rest } = renamed({ setDoubtDeg: 'setUncertaintyDeg' })(content)
  const fraction = renamed({ share: 'fraction' })
  return { ...rest, zones: Array.isArray(zones) ? zones.map((zone) => fraction(rawOf(zone))) : zones }
}

/**
 * The kinds of entries in the log of what happened. Nothing in it is ever written over. A new kind is told here;
 * `migrations` lead from earlier versions of its content to today's, as for records.
 */
export const ENTRIES = {
  reading: { schema: reading, migrations: [UNCERTAINTY] },
  proof: { schema: proof, migrations: [UNCERTAINTY, cutIntoSetup] },
  dialled: { schema: dialled, migrations: [settingIntoSetup] },
  'ink-look': { schema: inkLook, migrations: [lookInWordsOfMetrology, settingIntoSetup] },
  practice: { schema: practice, migrations: [] },
  strokes: { schema: strokes, migrations: [] },
  'stone-done': { schema: stoneDone, migrations: [] },
  scratches: { schema: scratches, migrations: [] },
  sharpness: { schema: sharpness, migrations: [] },
  'bevel-width': { schema: bevelWidth, migrations: [renamed({ doubtMm: 'uncertaintyMm' })] },
  'blade-height': { schema: bladeHeight, migrations: [] },
  'bevel-found': { schema: bevelFound, migrations: [] },
  decided: { schema: decided, migrations: [] },
  'left-out': { schema: leftOut, migrations: [] },
  'put-to-use': { schema: putToUse, migrations: [] },
  outcome: { schema: outcome, migrations: [] },
  'handed-back': { schema: handedBack, migrations: [] },
  'stone-wear': { schema: wear, migrations: [] },
  retraction: { schema: retraction, migrations: [(content) => ({ ...content, kind: 'retraction' })] },
} as const satisfies Record<string, { schema: z.ZodObject; migrations: readonly Migration[] }>
export type EntryKind = keyof typeof ENTRIES
const ENTRY_KINDS = keysOf(ENTRIES)

const schemas = Object.values(ENTRIES).map(({ schema }) => schema)
export const logEntry = z.discriminatedUnion('kind', schemas as [(typeof schemas)[number], ...typeof schemas])
export type LogEntry = z.infer<typeof logEntry>
export type EntryOf<K extends EntryKind> = Extract<LogEntry, { kind: K }>
export type Reading = EntryOf<'reading'>
export type Proof = EntryOf<'proof'>
export type InkLookEntry = EntryOf<'ink-look'>
export type BevelWidth = EntryOf<'bevel-width'>
export type Strokes = EntryOf<'strokes'>
export type StoneDone = EntryOf<'stone-done'>
export type ScratchesEntry = EntryOf<'scratches'>
export type Sharpness = EntryOf<'sharpness'>
export type OutcomeEntry = EntryOf<'outcome'>
export type WearEntry = EntryOf<'stone-wear'>
export type BevelFound = EntryOf<'bevel-found'>

/** The version in which an entry of a kind is written today. */
export const versionOfEntry = (kind: EntryKind): number => versionOf(ENTRIES[kind])

/** What a kind was called in earlier versions. */
const FORMER_KINDS: Readonly<Record<string, EntryKind>> = { strike: 'retraction' }

/** The kind that a stored entry is of; null where this version does not know it. */
export const kindOfStored = (kind: string): EntryKind | null =>
  isOneOf(ENTRY_KINDS, kind) ? kind : (FORMER_KINDS[kind] ?? null)

/** Every name under which entries of a kind may be stored. */
export const storedKinds = (kind: EntryKind): string[] => [
  kind,
  ...Object.keys(FORMER_KINDS).filter((former) => FORMER_KINDS[former] === kind),
]
