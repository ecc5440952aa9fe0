import { z } from 'zod'
import { length, subtract } from '../vector/vec2'
import { segmentLength } from './arcLength'
import { segment, type Segment } from './segment'
import { segmentAt } from './segmentAt'

/** The largest gap between the end of one piece and the start of the next that counts as joined. */
export const JOIN_TOLERANCE_MM = 0.01

/** Pieces in order from heel to tip, blade frame. Where two meet they may make a corner, but not a gap. */
export const curve = z
  .array(segment)
  .min(1)
  .max(200)
  .superRefine((segments, context) => {
    segments.forEach((piece, index) => {
      const refuse = (message: string) => context.addIssue({ code: 'custom', message, path: [index] })
      if (segmentLength(piece) < 1e-6) refuse(`Piece ${index + 1} of the edge has no length.`)
      const gap = index === 0 ? 0 : gapBetween(segments[index - 1]!, piece)
      if (gap > JOIN_TOLERANCE_MM)
        refuse(`Piece ${index + 1} of the edge starts ${gap.toFixed(2)} mm away from where piece ${index} ends.`)
    })
  })
export type Curve = readonly Segment[]

const gapBetween = (before: Segment, after: Segment): number =>
  length(subtract(segmentAt(after, 0).point, segmentAt(before, 1).point))
