import { degrees } from '../../math/units/angle'
import type { InkPattern } from '../../log/choices'
import { exposedSpans, type Span } from './exposed'

/** A face as it is pictured, and a light pass on it. */
const [WIDTH_MM, DEPTH_UM, AT_DEG] = [0.7, 2, 20]
const DEPTH_IN_WIDTHS = DEPTH_UM / 1000 / WIDTH_MM

/**
 * The bare spans of a face on which a light pass shows a pattern with so much of it bare: flat, convex or hollow as
 * the pattern has it, and set as far off as that takes. None where it bares nothing of the face. Source: docs/ink.md,
 * "What a light pass exposes".
 */
export function picturedSpans(seen: InkPattern, fraction: number): readonly Span[] {
  if (seen === 'nothing' || seen === 'above') return []
  if (seen === 'all') return pass(AT_DEG, AT_DEG, AT_DEG)
  const off = degrees(DEPTH_IN_WIDTHS / fraction)
  if (seen === 'shoulder') return pass(AT_DEG, AT_DEG, AT_DEG - off)
  if (seen === 'apex') return pass(AT_DEG, AT_DEG, AT_DEG + off)
  // The stone lies along the chord of a bent face: the angle at its shoulder stands off it by the bend.
  const bend = degrees((4 * DEPTH_IN_WIDTHS) / (seen === 'middle' ? fraction ** 2 : 1 - (1 - fraction) ** 2))
  const grows = seen === 'middle' ? bend : -bend
  return pass(AT_DEG - grows, AT_DEG + grows, AT_DEG)
}

const pass = (shoulderDeg: number, apexDeg: number, setDeg: number): Span[] =>
  exposedSpans({ shoulderDeg, apexDeg, widthMm: WIDTH_MM }, setDeg, DEPTH_UM)
