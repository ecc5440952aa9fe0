import { z } from 'zod'
import { failed, type Result } from '../../schema/result'

export const lengthUnit = z.enum(['mm', 'in'])
export type LengthUnit = z.infer<typeof lengthUnit>

/** Exact by the definition of the inch since 1959. */
export const MM_PER_INCH = 25.4
/** A pixel of drawings on screens (CSS), and a point of printed pages (PDF). */
export const MM_PER_PIXEL = MM_PER_INCH / 96
export const MM_PER_POINT = MM_PER_INCH / 72

/** Millimetres to the unit shown. */
export const fromMm = (mm: number, unit: LengthUnit): number => (unit === 'in' ? mm / MM_PER_INCH : mm)

/** The unit shown to millimetres. */
export const toMm = (value: number, unit: LengthUnit): number => (unit === 'in' ? value * MM_PER_INCH : value)

export type ParsedNumber = Result<{ readonly value: number }, 'missing' | 'not-a-number'>

const NUMBER = /^[+-]?(\d+\.?\d*|\.\d+)$/
const FRACTION = /^([+-]?)(?:(\d+)[\s-]+)?(\d+)\/(\d+)$/

/**
 * Reads a decimal number as people type it: a comma or a point, a Unicode minus, inner blanks trimmed.
 * Anything else is refused with a reason; nothing is guessed.
 */
export function parseDecimal(text: string): ParsedNumber {
  const plain = text.trim().replace('−', '-').replace(',', '.')
  if (plain === '') return failed('missing')
  if (!NUMBER.test(plain)) return failed('not-a-number')
  return { ok: true, value: Number(plain) }
}

/**
 * Reads a length and gives it in millimetres. A unit written behind the figure (mm, cm, in, ") wins over
 * the unit in use; inches may be fractions ("1 3/16").
 */
export function parseLengthMm(text: string, unitInUse: LengthUnit): ParsedNumber {
  const match = /^(.*?)\s*(mm|cm|in|inch|")?$/i.exec(text.trim().replace('−', '-'))
  const figure = match?.[1] ?? ''
  const unit = match?.[2]?.toLowerCase()
  const scale = unit === 'mm' ? 1 : unit === 'cm' ? 10 : unit ? MM_PER_INCH : toMm(1, unitInUse)
  const fraction = FRACTION.exec(figure)
  if (fraction && scale === MM_PER_INCH && Number(fraction[4]) !== 0) {
    const size = Number(fraction[2] ?? 0) + Number(fraction[3]) / Number(fraction[4])
    return { ok: true, value: (fraction[1] === '-' ? -size : size) * scale }
  }
  const parsed = parseDecimal(figure)
  return parsed.ok ? { ok: true, value: parsed.value * scale } : parsed
}

/** The finest divisions of a rule in inches. */
const PER_INCH = 64

/**
 * A length as a rule in inches has it, "1 3/16", in lowest terms down to 64ths; null where it lies further than a
 * tolerance (mm) from every one of these.
 */
export function inchFraction(mm: number, toleranceMm: number): string | null {
  const parts = Math.round((Math.abs(mm) / MM_PER_INCH) * PER_INCH)
  if (Math.abs(Math.abs(mm) - (parts / PER_INCH) * MM_PER_INCH) > toleranceMm) return null
  let [over, under] = [parts % PER_INCH, PER_INCH]
  while (over > 0 && over % 2 === 0) [over, under] = [over / 2, under / 2]
  const whole = Math.floor(parts / PER_INCH)
  const figure = [whole > 0 || over === 0 ? String(whole) : '', over > 0 ? `${over}/${under}` : ''].filter(Boolean)
  return `${mm < 0 && parts > 0 ? '−' : ''}${figure.join(' ')}`
}
