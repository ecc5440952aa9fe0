import { z } from 'zod'
import { nth } from '../list'
import { refuseAt } from '../../schema/problem'
import { length, subtract } from '../vector/vec2'
import { segmentLength } from './arcLength'
import { segment, type Segment } from './segment'
import { segmentAt } from './segmentAt'

/** The largest gap between the end of one piece and the start of the next that counts as joined. */
const JOIN_TOLERANCE_MM = 0.01

/** Pieces in order from heel to tip, blade frame. Where two meet they may make a corner, but not a gap. */
export const curve = z
  .array(segment)
  .min(1)
  .max(200)
  .superRefine((segments, context) => {
    segments.forEach((piece, index) => {
      if (segmentLength(piece) < 1e-6) refuseAt(context, [index], 'piece-without-length', { piece: index + 1 })
      const gap = index === 0 ? 0 : gapBetween(nth(segments, index - 1), piece)
      if (gap > JOIN_TOLERANCE_MM)
        refuseAt(context, [index], 'gap-before-piece', { piece: index + 1, before: index, gapMm: gap })
    })
  })
export type Curve = readonly Segment[]

const gapBetween = (before: Segment, after: Segment): number =>
  length(subtract(segmentAt(after, 0).point, segmentAt(before, 1).point))
