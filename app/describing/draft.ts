import { fromMm, parseDecimal, parseLengthMm, type LengthUnit } from '#core/units/length'

/** A thing being described, as it is typed: the thing's own shape with texts for its figures. */
export type Draft = Record<string, unknown>

/** Measures that may be left empty. */
const MAY_BE_EMPTY = new Set([
  'mostSpineFlatMm',
  'mostSpineSabreMm',
  'wornOutAtMm',
  'spineThicknessTipMm',
  'thicknessBehindEdgeTipMm',
  'hardnessHrc',
  'knobHeightMm',
  'knobBehindMm',
])
const isLength = (key: string): boolean => key.endsWith('Mm')
const isNumber = (key: string): boolean => /(Deg|Um|Hrc)$/.test(key) || ['divisions', 'number', 'blades'].includes(key)

/** Fine enough that nothing that was measured is lost: a micrometre. */
const DECIMALS = { mm: 3, in: 5 } as const
export const exactFigure = (mm: number, unit: LengthUnit): string =>
  String(Number(fromMm(mm, unit).toFixed(DECIMALS[unit])))

/** A thing as its draft, in the unit in use. */
export function toDraft(value: unknown, unit: LengthUnit, key = ''): unknown {
  if (typeof value === 'number') return isLength(key) ? exactFigure(value, unit) : String(Number(value.toFixed(6)))
  if (Array.isArray(value)) return value.map((one) => toDraft(one, unit, key))
  if (value === null) return MAY_BE_EMPTY.has(key) ? '' : null
  if (typeof value === 'object')
    return Object.fromEntries(Object.entries(value as object).map(([name, one]) => [name, toDraft(one, unit, name)]))
  return value
}

/** What stands in a draft as numbers, and what is wrong with it by dotted path. */
export interface ReadDraft {
  readonly content: unknown
  readonly problems: Readonly<Record<string, string>>
}

/**
 * Reads a draft. A figure that was not touched keeps the value it had in `base`, whatever the unit it is shown in; one
 * that cannot be read is told at its path.
 */
export function readDraft(draft: unknown, unit: LengthUnit, base: unknown = undefined): ReadDraft {
  const problems: Record<string, string> = {}
  const content = read(draft, '', '', base)
  return { content, problems }

  function read(value: unknown, key: string, path: string, was: unknown): unknown {
    const below = (name: string | number) => (path === '' ? String(name) : `${path}.${name}`)
    const wasAt = (name: string | number) => (was as Record<string | number, unknown> | null | undefined)?.[name]
    if (Array.isArray(value)) return value.map((one, i) => read(one, key, below(i), wasAt(i)))
    if (value !== null && typeof value === 'object')
      return Object.fromEntries(
        Object.entries(value as object).map(([name, one]) => [name, read(one, name, below(name), wasAt(name))]),
      )
    if (typeof value !== 'string' || !(isLength(key) || isNumber(key))) return value
    if (value.trim() === '' && MAY_BE_EMPTY.has(key)) return null
    if (typeof was === 'number' && toDraft(was, unit, key) === value) return was
    const parsed = isLength(key) ? parseLengthMm(value, unit) : parseDecimal(value.replace('°', ''))
    if (parsed.ok) return parsed.value
    problems[path] =
      parsed.reason === 'empty'
        ? 'Measure it and write it here.'
        : `“${value}” is no ${isLength(key) ? 'length' : 'number'}.`
    return undefined
  }
}
