import { nth } from '../../math/list'
import type { ColourPicture } from '../picture/colourPicture'
import type { Vec2 } from '../../math/vector/vec2'

/** Half of the window that is looked at about a tap, in widths of the picture, and at least so many pixels. */
const WINDOW = 0.008
const LEAST_PX = 6
/** A tick is so much darker than what stands about it, in its standard deviations. */
const STANDS_OUT = 3

/**
 * The middle of the dark line that a tap was meant for, pixels: an upright tick of a scale near it. Where none is seen
 * the tap stays where it is. Source: docs/goniometer.md, "From a photograph".
 */
export function snapTick({ width, height, pixels }: ColourPicture, tap: Vec2): Vec2 {
  const half = Math.max(LEAST_PX, Math.round(WINDOW * width))
  const [x0, y0] = [Math.round(tap[0]), Math.round(tap[1])]
  const columns = Array.from({ length: 2 * half + 1 }, (_, i) => {
    const x = x0 - half + i
    let [sum, count] = [0, 0]
    for (let y = Math.max(0, y0 - 2); y <= Math.min(height - 1, y0 + 2); y++) {
      if (x < 0 || x >= width) continue
      const at = 4 * (y * width + x)
      sum += pixels[at]! + pixels[at + 1]! + pixels[at + 2]!
      count++
    }
    return count > 0 ? sum / count : null
  })
  const seen = columns.filter((one) => one !== null).sort((a, b) => a - b)
  if (seen.length < LEAST_PX) return tap
  const ground = nth(seen, Math.floor(seen.length * 0.6))
  const spread = Math.max(3, nth(seen, Math.floor(seen.length * 0.85)) - ground)
  const darker = columns.map((one) => (one === null ? 0 : Math.max(0, ground - one)))
  const darkest = darker.indexOf(Math.max(...darker))
  if (nth(darker, darkest) < STANDS_OUT * spread) return tap
  let [sum, weights] = [0, 0]
  for (let i = Math.max(0, darkest - 2); i <= Math.min(darker.length - 1, darkest + 2); i++) {
    sum += nth(darker, i) * i
    weights += nth(darker, i)
  }
  return [x0 - half + sum / weights + 0.5, tap[1]]
}
