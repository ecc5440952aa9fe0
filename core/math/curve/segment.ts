import { z } from 'zod'
import { deg, mm } from '../../schema/measure'

const coordinate = mm({ least: -2000, most: 2000 })
const point = z.tuple([coordinate, coordinate])

const lineSegment = z.object({ type: z.literal('line'), from: point, to: point })
const arcSegment = z.object({
  type: z.literal('arc'),
  centre: point,
  radiusMm: mm({ above: 0, most: 20000 }),
  startDeg: deg({ least: -720, most: 720 }),
  endDeg: deg({ least: -720, most: 720 }),
})
const bezierSegment = z.object({ type: z.literal('bezier'), points: z.tuple([point, point, point, point]) })

/** One piece of an edge: a straight line, a circular arc (angles from +x towards +y) or a cubic Bézier. Millimetres. */
export const segment = z.discriminatedUnion('type', [lineSegment, arcSegment, bezierSegment])
export type Segment = z.infer<typeof segment>
export type ArcSegment = z.infer<typeof arcSegment>
export type BezierSegment = z.infer<typeof bezierSegment>
