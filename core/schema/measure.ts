import { z } from 'zod'

/** What a number stands for: mm, degrees, micrometres, Rockwell C, or a plain count. */
export type MeasureUnit = 'mm' | 'deg' | 'um' | 'hrc' | 'count'

/** Which number of a schema is a measure, and in what. Drafts, steps and messages ask here, not the field's name. */
const MEASURES = z.registry<{ unit: MeasureUnit }>()

/** The range of a measure: from `least`, or anything `above`, up to `most`. */
interface Range {
  readonly least?: number
  readonly above?: number
  readonly most: number
}

function measure(unit: MeasureUnit, number: z.ZodNumber, { least, above, most }: Range) {
  const from = least === undefined ? number : number.min(least)
  const beyond = above === undefined ? from : from.gt(above)
  return beyond.max(most).register(MEASURES, { unit })
}

/** A length in millimetres. */
export const mm = (range: Range) => measure('mm', z.number(), range)
/** An angle in degrees. */
export const deg = (range: Range) => measure('deg', z.number(), range)
/** A grain size in micrometres. */
export const um = (range: Range) => measure('um', z.number(), range)
/** A hardness on Rockwell's C scale. */
export const hrc = (range: Range) => measure('hrc', z.number(), range)
/** A whole number of things. */
export const count = (range: Range) => measure('count', z.number().int(), range)

/** A name that must be there. */
export const label = (most: number) => z.string().trim().min(1).max(most)

/** A schema without what wraps it: optional, nullable, with a default. */
export function unwrapped(schema: z.core.$ZodType): z.core.$ZodType {
  const inner = within(schema)
  return inner ? unwrapped(inner) : schema
}

/** What is wrapped; null where nothing is. */
const within = (schema: z.core.$ZodType): z.core.$ZodType | null =>
  schema instanceof z.ZodOptional ||
  schema instanceof z.ZodNullable ||
  schema instanceof z.ZodDefault ||
  schema instanceof z.ZodPrefault
    ? schema.def.innerType
    : null

/** Whether a field may be left empty: nothing is a value of it. */
export function mayBeEmpty(schema: z.core.$ZodType): boolean {
  const inner = within(schema)
  return schema instanceof z.ZodNullable || (inner !== null && mayBeEmpty(inner))
}

/**
 * The schema of one part of a record; of a record of several kinds, the part of the first kind that has it. Null: none.
 */
export function partOf(schema: z.core.$ZodType, key: string | number): z.core.$ZodType | null {
  const bare = unwrapped(schema)
  if (bare instanceof z.ZodObject) return bare.shape[key] ?? null
  if (bare instanceof z.ZodArray) return bare.element
  if (bare instanceof z.ZodTuple) return bare.def.items[Number(key)] ?? null
  if (!(bare instanceof z.ZodUnion)) return null
  for (const option of bare.options) {
    const part = partOf(option, key)
    if (part) return part
  }
  return null
}

/** The unit of a number; null where it is no measure. */
export function unitOf(schema: z.core.$ZodType): MeasureUnit | null {
  const bare = unwrapped(schema)
  return bare instanceof z.ZodNumber ? (MEASURES.get(bare)?.unit ?? null) : null
}

/** The unit of the measure at a path of a record; null where there is none. */
export function unitAt(schema: z.core.$ZodType, path: readonly PropertyKey[]): MeasureUnit | null {
  let at: z.core.$ZodType | null = schema
  for (const key of path) at = at && (typeof key === 'symbol' ? null : partOf(at, key))
  return at && unitOf(at)
}
