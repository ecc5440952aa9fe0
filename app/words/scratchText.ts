import { isDone, type ScratchPartRead } from '#core/photo/scratches/readScratchPhoto'
import type { ScratchesEntry } from '#core/log/entry'
import { roughCount } from './decisionText'

/** A share that is good to 0.15: to the next five hundredths. */
const percent = (share: number): string => `${Math.round(share * 20) * 5} %`

/** What a third of the bevel shows. */
export function scratchPartText(part: ScratchPartRead): string {
  if (!part.ok) return 'not in the picture'
  if (isDone(part)) return 'done'
  const old = part.oldLeft >= 0.1 ? `about ${percent(part.oldLeft)} of the old scratches left` : ''
  const band = part.unreached >= 0.04 ? `${percent(part.unreached)} of the width at the edge not reached` : ''
  return [old, band].filter(Boolean).join('; ')
}

/** What a picture that was recorded showed, in a sentence. */
export function scratchesShownText({ thirds }: Pick<ScratchesEntry, 'thirds'>): string {
  const seen = thirds.filter((third) => third !== null)
  if (seen.every(isDone)) return 'the old ones are gone and the edge is reached'
  const [left, band] = [Math.max(...seen.map((one) => one.oldLeft)), Math.max(...seen.map((one) => one.unreached))]
  const parts = [
    left >= 0.1 ? `up to ${percent(left)} of the old ones left` : '',
    band >= 0.04 ? `up to ${percent(band)} of the width at the edge not reached` : '',
  ]
  return parts.filter(Boolean).join('; ') || 'nearly done'
}

/** How many strokes more it takes where some are made and some scratches are gone; empty where that tells nothing. */
export function moreStrokesText(parts: readonly ScratchPartRead[], made: number): string {
  const left = Math.max(...parts.map((part) => (part.ok ? part.oldLeft : 0)))
  if (made === 0 || left < 0.1 || left > 0.85) return ''
  return `By what the strokes so far did, about ${roughCount((made * left) / (1 - left))} more.`
}
