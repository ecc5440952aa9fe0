import { nth } from '#core/math/list'
import type { Vec2 } from '#core/math/vector/vec2'
import { widthMm } from './lettering'
import type { CardText } from './paper'

interface Box {
  readonly left: number
  readonly top: number
  readonly right: number
  readonly bottom: number
}

/** What a text covers, mm: letters stand on y, some hang below it. */
export const boxOf = ({ x, y, size, bold, text }: CardText): Box => ({
  left: x,
  top: y - 0.8 * size,
  right: x + widthMm(text, size, bold),
  bottom: y + 0.25 * size,
})
export const overlap = (a: Box, b: Box): boolean =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom

/** Lines are looked at so closely, mm. */
const EVERY_MM = 0.5
const along = (line: readonly Vec2[]): Vec2[] =>
  line.slice(1).flatMap(([toX, toY], i) => {
    const [fromX, fromY] = nth(line, i)
    const steps = Math.max(1, Math.ceil(Math.hypot(toX - fromX, toY - fromY) / EVERY_MM))
    return Array.from({ length: steps + 1 }, (_, k): Vec2 => [
      fromX + ((toX - fromX) * k) / steps,
      fromY + ((toY - fromY) * k) / steps,
    ])
  })

/**
 * Finds room for words in a drawing: the first of a word's places where it lies over no other word and no line; where
 * there is none, over no other word; null where it has no room at all.
 */
export function freePlaces(lines: readonly (readonly Vec2[])[]) {
  const points = lines.flatMap(along)
  const taken: Box[] = []
  const isFree = (box: Box) => !taken.some((other) => overlap(box, other))
  const isClear = ({ left, top, right, bottom }: Box) =>
    !points.some(([x, y]) => x > left && x < right && y > top && y < bottom)
  return {
    /** A word that stands already. */
    take: (text: CardText) => void taken.push(boxOf(text)),
    put(text: Omit<CardText, 'x' | 'y'>, places: readonly Vec2[]): CardText | null {
      const free = places.map(([x, y]) => ({ ...text, x, y })).filter((one) => isFree(boxOf(one)))
      const found = free.find((one) => isClear(boxOf(one))) ?? free[0]
      if (found) taken.push(boxOf(found))
      return found ?? null
    },
  }
}
