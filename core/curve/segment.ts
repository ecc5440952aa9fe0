import { z } from 'zod'

const coordinate = z.number().min(-2000).max(2000)
const point = z.tuple([coordinate, coordinate])

const lineSegment = z.object({ type: z.literal('line'), from: point, to: point })
const arcSegment = z.object({
  type: z.literal('arc'),
  centre: point,
  radiusMm: z.number().positive().max(20000),
  startDeg: z.number().min(-720).max(720),
  endDeg: z.number().min(-720).max(720),
})
const bezierSegment = z.object({ type: z.literal('bezier'), points: z.tuple([point, point, point, point]) })

/** One piece of an edge: a straight line, a circular arc (angles from +x towards +y) or a cubic Bézier. Millimetres. */
export const segment = z.discriminatedUnion('type', [lineSegment, arcSegment, bezierSegment])
export type Segment = z.infer<typeof segment>
export type ArcSegment = z.infer<typeof arcSegment>
export type BezierSegment = z.infer<typeof bezierSegment>
