import { z } from 'zod'
import { mayBeEmpty, partOf, unitOf, unwrapped, type MeasureUnit } from '#core/schema/measure'
import type { FieldProblem } from '#core/schema/problem'
import { fromMm, parseDecimal, parseLengthMm, type LengthUnit, type ParsedNumber } from '#core/math/units/length'
import { enteredFraction } from '~/words/lengthText'

/**
 * A record being described, as it is typed: the record's own shape with texts for its figures. What is a figure, in
 * which unit, and what may be left empty stands in the record's schema alone.
 */
export type Draft = Record<string, unknown>
type Schema = z.core.$ZodType

/** The draft of what a schema reads; of one of several kinds of parts, what any of them has. */
export type DraftOf<T> = [T] extends [number | null]
  ? string
  : [T] extends [string | boolean | null]
    ? T
    : [T] extends [readonly (infer E)[] | null]
      ? DraftOf<E>[] | Extract<T, null>
      : { [K in KeysOf<NonNullable<T>>]: DraftOf<ValueAt<NonNullable<T>, K>> }
type KeysOf<T> = T extends unknown ? keyof T : never
type ValueAt<T, K extends PropertyKey> = T extends unknown ? (K extends keyof T ? T[K] : never) : never

/** Fine enough that nothing that was measured is lost: a micrometre. */
const DECIMALS = { mm: 3, in: 5 } as const
export const exactFigure = (mm: number, unit: LengthUnit): string =>
  String(Number(fromMm(mm, unit).toFixed(DECIMALS[unit])))

const figureText = (value: number, of: MeasureUnit, unit: LengthUnit): string =>
  of === 'mm' ? (enteredFraction(value, unit) ?? exactFigure(value, unit)) : String(Number(value.toFixed(6)))

/** A usual length is a round one in either unit: 150 mm are 6 in, a tenth of a millimetre 0.004 in. */
const usualFigure = (value: number, of: MeasureUnit, unit: LengthUnit): string =>
  of === 'mm' && unit === 'in' ? String(roundInches(fromMm(value, 'in'))) : figureText(value, of, unit)

/** From so many inches on, a round length is a multiple of so much. */
const ROUND_INCHES: readonly (readonly [from: number, step: number])[] = [
  [4, 0.25],
  [1, 0.125],
  [0.25, 0.0625],
  [0.05, 0.01],
]
function roundInches(inches: number): number {
  // So that 25 mm, a hair under an inch, come to one.
  const step = ROUND_INCHES.find(([from]) => Math.abs(inches) >= 0.98 * from)?.[1]
  return step ? Number((Math.round(inches / step) * step).toFixed(4)) : Number(inches.toPrecision(1))
}

/** Reads what stands in a field: a length in mm, anything else as it is. */
export const parseFigure = (text: string, of: MeasureUnit, unit: LengthUnit): ParsedNumber =>
  of === 'mm' ? parseLengthMm(text, unit) : parseDecimal(text.replace('°', ''))

const isObject = (value: unknown): value is Draft =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** The names of the parts of a record; of one of several kinds, those of all of them. */
function keysOf(schema: Schema): string[] {
  const bare = unwrapped(schema)
  if (bare instanceof z.ZodObject) return Object.keys(bare.shape)
  return bare instanceof z.ZodUnion ? [...new Set(bare.options.flatMap(keysOf))] : []
}

/** What a schema takes where nothing is given; undefined where something must be. */
function givenBy(schema: Schema): unknown {
  return schema instanceof z.ZodDefault ? schema.def.defaultValue : undefined
}

/** A draft in which nothing is said yet. What may be left out whole is there all the same, empty. */
export const emptyDraft = <T>(schema: z.core.$ZodType<T>, unit: LengthUnit): DraftOf<T> =>
  empty(schema, unit) as DraftOf<T>

/** A row of the list at a dotted path, empty. */
export function emptyRow(schema: Schema, path: string, unit: LengthUnit): Draft {
  const list = path.split('.').reduce<Schema | null>((at, key) => at && partOf(at, key), schema)
  const row = list && partOf(list, 0)
  const draft = row && empty(row, unit)
  return isObject(draft) ? draft : {}
}

function empty(schema: Schema, unit: LengthUnit): unknown {
  const given = givenBy(schema)
  const bare = unwrapped(schema)
  if (bare instanceof z.ZodArray) return given === null ? null : []
  const keys = keysOf(bare)
  if (keys.length > 0) return Object.fromEntries(keys.map((key) => [key, empty(partOf(bare, key)!, unit)]))
  const of = unitOf(bare)
  if (of) return typeof given === 'number' ? usualFigure(given, of, unit) : ''
  if (bare instanceof z.ZodEnum) return given ?? bare.options[0]
  return given ?? (bare instanceof z.ZodString ? '' : null)
}

/** A record as its draft, in the unit in use. */
export const toDraft = <T>(value: NoInfer<T>, schema: z.core.$ZodType<T>, unit: LengthUnit): DraftOf<T> =>
  written(value, schema, unit, figureText) as DraftOf<T>

/** The same of what is usual, to begin with: its lengths are round in the unit in use. */
export const usualDraft = <T>(value: NoInfer<T>, schema: z.core.$ZodType<T>, unit: LengthUnit): DraftOf<T> =>
  written(value, schema, unit, usualFigure) as DraftOf<T>

function written(value: unknown, schema: Schema, unit: LengthUnit, figure: typeof figureText): unknown {
  const bare = unwrapped(schema)
  const of = unitOf(bare)
  if (of) return typeof value === 'number' ? figure(value, of, unit) : ''
  if (Array.isArray(value)) return value.map((one, i) => written(one, partOf(bare, i) ?? bare, unit, figure))
  const keys = keysOf(bare)
  if (keys.length === 0) return value ?? null
  if (!isObject(value)) return empty(schema, unit)
  return Object.fromEntries(
    keys.map((key) => {
      const part = partOf(bare, key)!
      return [key, key in value ? written(value[key], part, unit, figure) : empty(part, unit)]
    }),
  )
}

/** A draft of any age as one of today: what has come since is empty, what is of another kind is left out. */
export const completed = <D>(draft: unknown, schema: Schema, begun: D): D => fitted(draft, schema, begun) as D

function fitted(draft: unknown, schema: Schema, begun: unknown): unknown {
  const bare = unwrapped(schema)
  if (Array.isArray(draft)) {
    const element = partOf(bare, 0)
    return element && (Array.isArray(begun) || begun === null)
      ? draft.map((one) => fitted(one, element, empty(element, 'mm')))
      : begun
  }
  if (isObject(begun)) {
    if (!isObject(draft)) return begun
    return Object.fromEntries(
      Object.entries(begun).map(([key, part]) => [key, fitted(draft[key], partOf(bare, key) ?? bare, part)]),
    )
  }
  const kinds = begun === null ? ['string', 'object'] : [typeof begun]
  return draft !== undefined && (draft === null ? begun === null : kinds.includes(typeof draft)) ? draft : begun
}

/** The same draft for another unit: lengths mean what they meant. What cannot be read stays as it was typed. */
export const inUnit = <D>(draft: D, schema: Schema, from: LengthUnit, to: LengthUnit): D =>
  from === to ? draft : (converted(draft, schema, from, to) as D)

function converted(draft: unknown, schema: Schema, from: LengthUnit, to: LengthUnit): unknown {
  const bare = unwrapped(schema)
  if (Array.isArray(draft)) return draft.map((one, i) => converted(one, partOf(bare, i) ?? bare, from, to))
  if (isObject(draft))
    return Object.fromEntries(
      Object.entries(draft).map(([key, part]) => {
        const of = partOf(bare, key)
        return [key, of ? converted(part, of, from, to) : part]
      }),
    )
  return typeof draft === 'string' && unitOf(bare) === 'mm' ? lengthInUnit(draft, from, to) : draft
}

/** A length as it is typed, for another unit: it means what it meant. What cannot be read stays as it was typed. */
export function lengthInUnit(text: string, from: LengthUnit, to: LengthUnit): string {
  const parsed = parseLengthMm(text, from)
  return from !== to && parsed.ok ? figureText(parsed.value, 'mm', to) : text
}

/** What stands in a draft as numbers, and what is wrong with it, each at its dotted path. */
export interface ReadDraft {
  readonly content: Draft
  readonly problems: readonly FieldProblem[]
}

/**
 * Reads a draft by the schema of its record. A figure that was not touched keeps the value it had in `base`, whatever
 * the unit it is shown in. A part that may be left out whole and in which nothing was said is null, unless it is
 * `needed`.
 */
export function readDraft(
  draft: object,
  schema: Schema,
  unit: LengthUnit,
  { base, needed = [] }: { base?: unknown; needed?: readonly string[] } = {},
): ReadDraft {
  const problems: FieldProblem[] = []
  return { content: readParts({ ...draft }, schema, '', base), problems }

  function readParts(parts: Draft, of: Schema, path: string, was: unknown): Draft {
    return Object.fromEntries(
      Object.entries(parts).map(([name, one]) => {
        const part = partOf(of, name)
        const below = path === '' ? name : `${path}.${name}`
        return [name, part ? read(one, part, below, isObject(was) ? was[name] : undefined) : one]
      }),
    )
  }

  function read(value: unknown, of: Schema, path: string, was: unknown): unknown {
    const bare = unwrapped(of)
    if (Array.isArray(value)) {
      const before: readonly unknown[] = Array.isArray(was) ? was : []
      return value.map((one, i) => read(one, partOf(bare, i) ?? bare, `${path}.${i}`, before[i]))
    }
    if (isObject(value))
      return mayBeEmpty(of) && !needed.includes(path) && saysNothing(value) ? null : readParts(value, bare, path, was)
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
