import { z } from 'zod'
import { keysOf } from '../../schema/keys'
import { blade } from '../blade/blade'
import { possibleBlade } from '../blade/impossible'
import { instrument, usableInstrument } from '../instrument/instrument'
import { job } from '../job/job'
import { owner } from '../owner/owner'
import { possibleRig } from '../rig/possibleRig'
import { rigMeasures } from '../rig/rig'
import { stone } from '../stone/stone'
import { recordMeta } from '../common/meta'
import { rawListOf, rawOf, renamed, versionOf, type Raw, type Versioned } from '../../schema/versioned'

type RecordName = 'rigs' | 'blades' | 'stones' | 'jobs' | 'instruments' | 'owners'

interface Kind<T extends z.ZodObject> extends Versioned<T> {
  /** The content together with what every record carries: what the server answers. */
  readonly kept: z.ZodObject<T['shape'] & typeof recordMeta.shape>
  /** What may be written, where that is stricter than what can be read: a later rule takes nothing away. */
  readonly writable: z.ZodType<z.output<T>>
  /** Fields that name another thing, and its kind. */
  readonly links: Readonly<Record<string, RecordName>>
  /**
   * Records that name it by its name, and in which of their fields: no two of the kind have one name, and when it
   * changes, it changes there.
   */
  readonly namedBy: { readonly kind: RecordName; readonly field: string } | null
  /** Whether what it was is kept at each change: jobs go on with the version they were done with. */
  readonly keepsVersions: boolean
}

function kind<T extends z.ZodObject>(schema: T, more: Partial<Omit<Kind<T>, 'schema' | 'kept'>> = {}): Kind<T> {
  const kept = schema.extend(recordMeta.shape) as unknown as Kind<T>['kept']
  const writable = schema as unknown as Kind<T>['writable']
  return { migrations: [], links: {}, namedBy: null, keepsVersions: false, writable, ...more, schema, kept }
}

/**
 * Version 1 called the hold `held`, had the sides as a and b, and the angles read and proved beside it: they are in the
 * log since.
 */
function jobWithHold({ held, read: _read, proved: _proved, dialled, wanted, ...content }: Raw): Raw {
  const { a, b, linked } = rawOf(dialled)
  const { aDeg, bDeg, ...more } = rawOf(wanted)
  return { ...content, hold: held, dialled: { A: a, B: b, linked }, wanted: { deg: { A: aDeg, B: bDeg }, ...more } }
}
/** Version 1 had the bevel that is there as aDeg and bDeg. */
const bladeWithSides = ({ bevelDeg, ...content }: Raw): Raw =>
  bevelDeg == null ? content : { ...content, bevelDeg: { A: rawOf(bevelDeg).aDeg, B: rawOf(bevelDeg).bDeg } }
/**
 * Version 2 fitted the long kitchen shape by heel and tip alone: such an edge stays as it is, as one that was drawn.
 */
const longKitchenAsDrawn = (content: Raw): Raw =>
  rawOf(content.shape).id === 'long-kitchen' ? { ...content, shape: null } : content
/** Version 1 called a calibration mending, and an uncertainty a doubt. */
function rigInWordsOfMetrology(content: Raw): Raw {
  const { fitted, ...rest } = renamed({ mendedBy: 'calibratedBy' })(content)
  if (fitted == null) return { ...rest, ...(fitted === undefined ? {} : { fitted }) }
  const { measures } = rawOf(fitted)
  const uncertain = renamed({ doubt: 'uncertainty' })
  return {
    ...rest,
    fitted: {
      ...rawOf(fitted),
      measures: Array.isArray(measures) ? rawListOf(measures).map(uncertain) : measures,
    },
  }
}
/** Version 1 had its wear log inside. */
const stoneWithoutLog = ({ log: _log, ...content }: Raw): Raw => content

/**
 * The records that are kept under a revision, by the name of their collection. A new kind, or a new field of one, is
 * told here and in its schema; tables, routes, files and screens read this.
 */
export const RECORDS = {
  rigs: kind(rigMeasures, { writable: possibleRig, migrations: [rigInWordsOfMetrology], keepsVersions: true }),
  blades: kind(blade, {
    writable: possibleBlade,
    migrations: [bladeWithSides, longKitchenAsDrawn, renamed({ edgeDoubt: 'edgeUncertainty' })],
  }),
  stones: kind(stone, { migrations: [stoneWithoutLog] }),
  jobs: kind(job, { migrations: [jobWithHold], links: { rigId: 'rigs', bladeId: 'blades', stoneId: 'stones' } }),
  instruments: kind(instrument, {
    writable: usableInstrument,
    migrations: [renamed({ doubtDeg: 'uncertaintyDeg' })],
  }),
  owners: kind(owner, { namedBy: { kind: 'blades', field: 'owner' } }),
} as const
export type RecordKind = keyof typeof RECORDS
export const RECORD_KINDS = keysOf(RECORDS)
export const recordKind = z.enum(RECORD_KINDS)

/** The content of a kind, and the same with what every record carries. */
export type ContentOf<K extends RecordKind> = z.output<(typeof RECORDS)[K]['schema']>
export type RecordOf<K extends RecordKind> = ContentOf<K> & z.output<typeof recordMeta>
export type RigRecord = RecordOf<'rigs'>
export type BladeRecord = RecordOf<'blades'>
export type StoneRecord = RecordOf<'stones'>
export type JobRecord = RecordOf<'jobs'>
export type InstrumentRecord = RecordOf<'instruments'>
export type OwnerRecord = RecordOf<'owners'>

/** The schema of what the server answers for one kind. */
export const recordSchema = <K extends RecordKind>(of: K): z.ZodType<RecordOf<K>> =>
  RECORDS[of].kept as unknown as z.ZodType<RecordOf<K>>

/** The schema of what may be written of one kind. */
export const writableSchema = <K extends RecordKind>(of: K): z.ZodType<ContentOf<K>> =>
  RECORDS[of].writable as unknown as z.ZodType<ContentOf<K>>

/** The version in which content of a kind is written today. */
export const versionOfKind = (of: RecordKind): number => versionOf(RECORDS[of])
