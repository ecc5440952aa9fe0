import { reversed } from '../../curve/reversed'
import type { Segment } from '../../curve/segment'
import { segmentAt } from '../../curve/segmentAt'
import type { Finding } from '../../problem/problem'
import type { Vec2 } from '../../vector/vec2'

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

/** Joins pieces whose ends meet, whatever their order and direction, into the fewest chains. */
export function chained(pieces: readonly Segment[], joinAt: number): Segment[][] {
  const left = [...pieces]
  const chains: Segment[][] = []
  const meet = (a: Vec2, b: Vec2) => Math.hypot(a[0] - b[0], a[1] - b[1]) <= joinAt
  while (left.length > 0) {
    const chain = [left.shift()!]
    for (let grew = true; grew;) {
      grew = false
      const [first, last] = [segmentAt(chain[0]!, 0).point, segmentAt(chain.at(-1)!, 1).point]
      for (let i = 0; i < left.length && !grew; i++) {
        const [from, to] = [segmentAt(left[i]!, 0).point, segmentAt(left[i]!, 1).point]
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
