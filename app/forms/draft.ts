import { z } from 'zod'
import { mayBeEmpty, partOf, unitOf, unwrapped, type MeasureUnit } from '#core/schema/measure'
import type { FieldProblem } from '#core/schema/problem'
import { fromMm, parseDecimal, parseLengthMm, type LengthUnit, type ParsedNumber } from '#core/math/units/length'

/**
 * A thing being described, as it is typed: the thing's own shape with texts for its figures. What is a figure, in which
 * unit, and what may be left empty stands in the thing's schema alone.
 */
export type Draft = Record<string, unknown>
type Schema = z.core.$ZodType

/** Fine enough that nothing that was measured is lost: a micrometre. */
const DECIMALS = { mm: 3, in: 5 } as const
export const exactFigure = (mm: number, unit: LengthUnit): string =>
  String(Number(fromMm(mm, unit).toFixed(DECIMALS[unit])))

const figureText = (value: number, of: MeasureUnit, unit: LengthUnit): string =>
  of === 'mm' ? exactFigure(value, unit) : String(Number(value.toFixed(6)))

/** Reads what stands in a field: a length in mm, anything else as it is. */
export const parseFigure = (text: string, of: MeasureUnit, unit: LengthUnit): ParsedNumber =>
  of === 'mm' ? parseLengthMm(text, unit) : parseDecimal(text.replace('°', ''))

const isObject = (value: unknown): value is Draft =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** The names of the parts of a thing; of one of several kinds, those of all of them. */
function keysOf(schema: Schema): string[] {
  const bare = unwrapped(schema)
  if (bare instanceof z.ZodObject) return Object.keys(bare.shape)
  return bare instanceof z.ZodUnion ? [...new Set(bare.options.flatMap((one) => keysOf(one as Schema)))] : []
}

/** What a schema takes where nothing is given; undefined where something must be. */
function givenBy(schema: Schema): unknown {
  const { def } = schema._zod as { def: { type: string; defaultValue?: unknown; innerType?: Schema } }
  if (def.type === 'default' || def.type === 'prefault') return def.defaultValue
  return undefined
}

/** A draft in which nothing is said yet. What may be left out whole is there all the same, empty. */
export function emptyDraft(schema: Schema, unit: LengthUnit): unknown {
  const given = givenBy(schema)
  const bare = unwrapped(schema)
  if (bare instanceof z.ZodArray) return given === null ? null : []
  const keys = keysOf(bare)
  if (keys.length > 0) return Object.fromEntries(keys.map((key) => [key, emptyDraft(partOf(bare, key)!, unit)]))
  const of = unitOf(bare)
  if (of) return typeof given === 'number' ? figureText(given, of, unit) : ''
  if (bare instanceof z.ZodEnum) return given ?? bare.options[0]
  return given ?? (bare instanceof z.ZodString ? '' : null)
}

/** A thing as its draft, in the unit in use. */
export function toDraft(value: unknown, schema: Schema, unit: LengthUnit): unknown {
  const bare = unwrapped(schema)
  const of = unitOf(bare)
  if (of) return typeof value === 'number' ? figureText(value, of, unit) : ''
  if (Array.isArray(value)) return value.map((one, i) => toDraft(one, partOf(bare, i) ?? bare, unit))
  const keys = keysOf(bare)
  if (keys.length === 0) return value ?? null
  if (!isObject(value)) return emptyDraft(schema, unit)
  return Object.fromEntries(
    keys.map((key) => {
      const part = partOf(bare, key)!
      return [key, key in value ? toDraft(value[key], part, unit) : emptyDraft(part, unit)]
    }),
  )
}

/** A draft of any age as one of today: what has come since is empty, what is of another kind is left out. */
export function completed(draft: unknown, schema: Schema, empty: unknown): unknown {
  const bare = unwrapped(schema)
  if (Array.isArray(draft)) {
    const element = partOf(bare, 0)
    return element && (Array.isArray(empty) || empty === null)
      ? draft.map((one) => completed(one, element, emptyDraft(element, 'mm')))
      : empty
  }
  if (isObject(empty)) {
    if (!isObject(draft)) return empty
    return Object.fromEntries(
      Object.entries(empty).map(([key, part]) => [key, completed(draft[key], partOf(bare, key) ?? bare, part)]),
    )
  }
  const kinds = empty === null ? ['string', 'object'] : [typeof empty]
  return draft !== undefined && (draft === null ? empty === null : kinds.includes(typeof draft)) ? draft : empty
}

/** The same draft for another unit: lengths mean what they meant. What cannot be read stays as it was typed. */
export function inUnit(draft: unknown, schema: Schema, from: LengthUnit, to: LengthUnit): unknown {
  if (from === to) return draft
  const bare = unwrapped(schema)
  if (Array.isArray(draft)) return draft.map((one, i) => inUnit(one, partOf(bare, i) ?? bare, from, to))
  if (isObject(draft))
    return Object.fromEntries(
      Object.entries(draft).map(([key, part]) => {
        const of = partOf(bare, key)
        return [key, of ? inUnit(part, of, from, to) : part]
      }),
    )
  return typeof draft === 'string' && unitOf(bare) === 'mm' ? lengthInUnit(draft, from, to) : draft
}

/** A length as it is typed, for another unit: it means what it meant. What cannot be read stays as it was typed. */
export function lengthInUnit(text: string, from: LengthUnit, to: LengthUnit): string {
  const parsed = parseLengthMm(text, from)
  return from !== to && parsed.ok ? exactFigure(parsed.value, to) : text
}

/** What stands in a draft as numbers, and what is wrong with it, each at its dotted path. */
export interface ReadDraft {
  readonly content: unknown
  readonly problems: readonly FieldProblem[]
}

/**
 * Reads a draft by the schema of its thing. A figure that was not touched keeps the value it had in `base`, whatever
 * the unit it is shown in. A part that may be left out whole and in which nothing was said is null, unless it is
 * `needed`.
 */
export function readDraft(
  draft: unknown,
  schema: Schema,
  unit: LengthUnit,
  { base, needed = [] }: { base?: unknown; needed?: readonly string[] } = {},
): ReadDraft {
  const problems: FieldProblem[] = []
  const content = read(draft, schema, '', base)
  return { content, problems }

  function read(value: unknown, of: Schema, path: string, was: unknown): unknown {
    const bare = unwrapped(of)
    const below = (name: string | number) => (path === '' ? String(name) : `${path}.${name}`)
    const wasAt = (name: string | number) => (was as Record<string | number, unknown> | null | undefined)?.[name]
    if (Array.isArray(value)) return value.map((one, i) => read(one, partOf(bare, i) ?? bare, below(i), wasAt(i)))
    if (isObject(value)) {
      if (mayBeEmpty(of) && !needed.includes(path) && saysNothing(value)) return null
      return Object.fromEntries(
        Object.entries(value).map(([name, one]) => {
          const part = partOf(bare, name)
          return [name, part ? read(one, part, below(name), wasAt(name)) : one]
        }),
      )
    }
    const measure = unitOf(bare)
    if (typeof value !== 'string' || !measure) return value
    if (value.trim() === '' && mayBeEmpty(of)) return null
    if (typeof was === 'number' && figureText(was, measure, unit) === value) return was
    const parsed = parseFigure(value, measure, unit)
    if (parsed.ok) return parsed.value
    if (parsed.code === 'missing') problems.push({ field: path, code: 'missing' })
    else
      problems.push({
        field: path,
        code: measure === 'mm' ? 'not-a-length' : 'not-a-number',
        figures: { text: value },
      })
    return undefined
  }
}

const saysNothing = (value: unknown): boolean =>
  isObject(value) ? Object.values(value).every(saysNothing) : value === '' || value === null
