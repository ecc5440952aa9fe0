import { nth } from '../../math/list'
import { dot, leftOf, subtract, unit, type Vec2 } from '../../math/vector/vec2'
import type { GrayPicture } from '../picture/grayPicture'

/** Brighter than this a camera tells nothing apart. */
const BURNT_OUT = 252
/** So far outside of the outline the paper is looked at, pixels. */
const OUTSIDE_PX = 10
const LEAST_SHARE = 0.3

/**
 * Whether the paper beside an outline is burnt out, so that a bevel as bright would not be seen on it. Inside: a place
 * on the outline's inner side; all in pixels.
 */
export function burntOutBeside(
  { width, height, pixels }: GrayPicture,
  outline: readonly Vec2[],
  inside: Vec2,
): boolean {
  const burnt = outline.slice(1).filter((at, i) => {
    const before = nth(outline, i)
    const away = subtract(at, before)
    if (away[0] === 0 && away[1] === 0) return false
    const normal = leftOf(unit(away))
    const outward = Math.sign(dot(subtract(at, inside), normal)) * OUTSIDE_PX
    const [x, y] = [Math.round(at[0] + outward * normal[0]), Math.round(at[1] + outward * normal[1])]
    return x >= 0 && y >= 0 && x < width && y < height && pixels[y * width + x]! >= BURNT_OUT
  })
  return burnt.length > LEAST_SHARE * (outline.length - 1)
}
