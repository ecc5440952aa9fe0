import { nth } from '../../math/list'
import type { Vec2 } from '../../math/vector/vec2'
import { brightness, type GrayPicture } from '../picture/grayPicture'

// Edge detection: how much brighter it is on one side of a chain of points than on the other, place by place.

/** The outline is looked at every so many pixels. */
export const EVERY_PX = 4

/** The picture is averaged along the outline over these places, and across it over so many pixels to either side. */
const ALONG_PX = [-8, -6, -4, -2, 0, 2, 4, 6, 8] as const

const ACROSS_PX = 3

/** Places so far apart have nothing of what they were averaged over in common. */
export const APART = 5

export interface ProfilePlace {
  readonly at: Vec2
  readonly direction: Vec2
  readonly normal: Vec2
  /** A mark stands here: the direction may change. */
  readonly mark: boolean
}

/** Places along a chain, evenly spaced, with the directions along and across it. */
export function spaced(chain: readonly Vec2[], every: number): ProfilePlace[] {
  const places: ProfilePlace[] = []
  for (let i = 1; i < chain.length; i++) {
    const [from, to] = [nth(chain, i - 1), nth(chain, i)]
    const size = Math.hypot(to[0] - from[0], to[1] - from[1])
    if (size < 1e-6) continue
    const direction: Vec2 = [(to[0] - from[0]) / size, (to[1] - from[1]) / size]
    const normal: Vec2 = [-direction[1], direction[0]]
    const across = { direction, normal }
    const count = Math.max(1, Math.round(size / every))
    for (let k = 0; k < count; k++) {
      const at: Vec2 = [from[0] + (direction[0] * size * k) / count, from[1] + (direction[1] * size * k) / count]
      places.push({ at, ...across, mark: k === 0 && i > 1 })
    }
    if (i === chain.length - 1) places.push({ at: to, ...across, mark: false })
  }
  return places
}

/** How much brighter it is on one side of each offset than on the other, averaged along the chain. */
export function jumpsAcross(
  picture: GrayPicture,
  { at, direction, normal }: ProfilePlace,
  reach: number,
): Float64Array {
  const from = -reach - ACROSS_PX
  const profile = new Float64Array(2 * (reach + ACROSS_PX) + 1)
  for (const along of ALONG_PX)
    for (let k = 0; k < profile.length; k++)
      profile[k]! +=
        brightness(
          picture,
          at[0] + direction[0] * along + normal[0] * (from + k),
          at[1] + direction[1] * along + normal[1] * (from + k),
        ) / ALONG_PX.length
  return Float64Array.from({ length: 2 * reach + 1 }, (_, i) => {
    let jump = 0
    for (let k = 1; k <= ACROSS_PX; k++) jump += profile[i + ACROSS_PX + k]! - profile[i + ACROSS_PX - k]!
    return jump / ACROSS_PX
  })
}

/** How far from a pixel the jump is highest, by a parabola through its neighbours; half a pixel at most. */
export function peakNear(across: Float64Array, best: number, sign: number): number {
  const jump = (by: number) => sign * (across[best + by] ?? nth(across, best))
  const [before, here, after] = [jump(-1), jump(0), jump(1)]
  const bend = before - 2 * here + after
  return bend >= 0 ? 0 : Math.max(-0.5, Math.min(0.5, (before - after) / (2 * bend)))
}

/** Of two lines the one that was asked for counts so many times as much, where it is so strong against the other. */
const ASKED = { times: 4, share: 0.3, apartPx: 2 } as const

/** Jumps of which those with another as strong, of the same kind, on the side that was asked for count for less. */
export function preferring(across: Float64Array, side: number): Float64Array {
  return across.map((jump, k) => {
    for (let j = k + side * (ASKED.apartPx + 1); side !== 0 && j >= 0 && j < across.length; j += side)
      if (across[j]! * jump > 0 && Math.abs(across[j]!) > ASKED.share * Math.abs(jump)) return jump / ASKED.times
    return jump
  })
}
