import { lastOf, nth } from '../../math/list'
import { reversed } from '../../math/curve/reversed'
import type { Segment } from '../../math/curve/segment'
import { segmentAt } from '../../math/curve/segmentAt'
import type { Finding } from '../../schema/problem'
import type { Vec2 } from '../../math/vector/vec2'

/** A chain of pieces as it stands in a drawing: in the drawing's own unit, y upward. */
export interface DrawnPath {
  readonly name: string
  readonly segments: readonly Segment[]
}

/** An edge and its spine in the blade's own frame, as this application writes them. */
export interface WrittenBlade {
  readonly edge: Segment[]
  readonly spine: Segment[] | null
}

export type ReadDrawing =
  | {
      readonly ok: true
      readonly paths: readonly DrawnPath[]
      /** Millimetres for a unit of the drawing, where it says so. */
      readonly mmPerUnit: number | null
      /** What of the drawing could not be read as a path, as "2 ELLIPSE". */
      readonly leftOut: readonly string[]
      /** The blade, where the drawing was written here: it needs no placing. */
      readonly written: WrittenBlade | null
    }
  | ({ readonly ok: false } & Finding)

/** Each name once, with how often it came: "2 ELLIPSE". */
export function counted(names: readonly string[]): string[] {
  const counts = new Map<string, number>()
  for (const name of names) counts.set(name, (counts.get(name) ?? 0) + 1)
  return [...counts].map(([name, count]) => `${count} ${name}`)
}

/** Ends this near to each other are joined, as a share of the drawing's extent. */
export const JOIN_SHARE = 2e-4

export const endsOf = (piece: Segment): Vec2[] => [segmentAt(piece, 0).point, segmentAt(piece, 1).point]

/** The greater of width and height of what points span; 0 of none. */
export function extentOf(points: readonly Vec2[]): number {
  const least: [number, number] = [Infinity, Infinity]
  const most: [number, number] = [-Infinity, -Infinity]
  for (const point of points)
    for (const axis of [0, 1] as const) {
      least[axis] = Math.min(least[axis], point[axis])
      most[axis] = Math.max(most[axis], point[axis])
    }
  return Math.max(0, most[0] - least[0], most[1] - least[1])
}

/** Joins pieces whose ends meet, whatever their order and direction, into the fewest chains. */
export function chained(pieces: readonly Segment[], joinAt: number): Segment[][] {
  const left = [...pieces]
  const chains: Segment[][] = []
  const meet = (a: Vec2, b: Vec2) => Math.hypot(a[0] - b[0], a[1] - b[1]) <= joinAt
  while (left.length > 0) {
    const chain = [left.shift()!]
    for (let grew = true; grew;) {
      grew = false
      const [first, last] = [segmentAt(nth(chain, 0), 0).point, segmentAt(lastOf(chain), 1).point]
      for (let i = 0; i < left.length && !grew; i++) {
        const [from, to] = [segmentAt(nth(left, i), 0).point, segmentAt(nth(left, i), 1).point]
        if (meet(last, from)) chain.push(...left.splice(i, 1))
        else if (meet(last, to)) chain.push(...reversed(left.splice(i, 1)))
        else if (meet(first, to)) chain.unshift(...left.splice(i, 1))
        else if (meet(first, from)) chain.unshift(...reversed(left.splice(i, 1)))
        else continue
        grew = true
      }
    }
    chains.push(chain)
  }
  return chains
}

/** A chain whose pieces end where the next begins: where they were joined over a gap, an end that can be is moved. */
export function withoutGaps(chain: readonly Segment[]): Segment[] {
  const closed: Segment[] = chain.slice(0, 1)
  for (const piece of chain.slice(1)) {
    const [end, start] = [segmentAt(lastOf(closed), 1).point, segmentAt(piece, 0).point]
    if (Math.hypot(end[0] - start[0], end[1] - start[1]) < CLOSED_MM) closed.push(piece)
    else if (piece.type !== 'arc') closed.push(begunAt(piece, end))
    else if (lastOf(closed).type !== 'arc')
      closed.push(...reversed([begunAt(nth(reversed(closed.splice(-1)), 0), start)]), piece)
    else closed.push({ type: 'line', from: [...end], to: [...start] }, piece)
  }
  return closed
}
/** Less than this is no gap. */
const CLOSED_MM = 1e-6

/** A line or a curve that begins elsewhere, in the direction that it had. */
function begunAt(piece: Segment, [x, y]: Vec2): Segment {
  if (piece.type === 'line') return { ...piece, from: [x, y] }
  if (piece.type === 'arc') return piece
  const [start, handle, ...rest] = piece.points
  return { type: 'bezier', points: [[x, y], [handle[0] + x - start[0], handle[1] + y - start[1]], ...rest] }
}
