import { randomLcg, randomNormal, randomUniform } from 'd3-random'
import { nth } from '../../math/list'
import { radians } from '../../math/units/angle'
import type { Vec2 } from '../../math/vector/vec2'
import type { ColourPicture } from '../../photo/picture/colourPicture'
import type { ScratchPart } from '../../photo/scratches/readScratchPhoto'

export interface ScratchPhotographAsk {
  readonly seed: number
  /** How the scratches lie, degrees from the edge's normal, leaning right going up; the edge is below. */
  readonly newDeg: number
  readonly oldDeg: number
  /** What is to be seen in each third, from the left. */
  readonly thirds: readonly [ScratchPart, ScratchPart, ScratchPart]
}

const [WIDTH, HEIGHT] = [1200, 360]
const [SHOULDER_PX, EDGE_PX] = [90, 270]
/** Scratches are so wide, pixels, so deep, and so many are there for each width. */
const OLD = { widthPx: 5, depth: 0.2, perWidth: 0.22 } as const
const NEW = { widthPx: 2.6, depth: 0.1, perWidth: 0.8 } as const
const [PRIMARY, FACE, BEHIND] = [112, 150, 28]
const NOISE = 3
/** Of scratches side by side as many stay as are to stay: those whose turn it is, evenly spread. */
const GOLDEN = (Math.sqrt(5) - 1) / 2
/** Profiles reach so far to either side of the picture. */
const MARGIN = HEIGHT + 40

/** A made-up close-up of a bevel between two stones, and where its lines and one scratch of each stone lie. */
export function scratchPhotograph({ seed, newDeg, oldDeg, thirds }: ScratchPhotographAsk): {
  readonly picture: ColourPicture
  readonly taps: Readonly<Record<'edge' | 'shoulder' | 'old' | 'new', Vec2[]>>
} {
  const source = randomLcg(seed)
  const [normal, uniform] = [randomNormal.source(source)(0, 1), randomUniform.source(source)(0, 1)]
  /** Across the scratches of a direction, pixels: the same along each of them. */
  const acrossOf = (deg: number) => (x: number, y: number) =>
    x * Math.cos(radians(deg)) + (y - EDGE_PX) * Math.sin(radians(deg)) + MARGIN
  const third = (x: number) => nth(thirds, Math.min(2, Math.max(0, Math.floor((3 * x) / WIDTH))))

  /** Scratches as dark on one side and bright on the other; of those that are kept in a profile of their own. */
  function scratches(
    { widthPx, depth, perWidth }: typeof OLD | typeof NEW,
    isKept: (across: number, turn: number) => boolean,
  ) {
    const [all, kept] = [new Float32Array(WIDTH + 2 * MARGIN), new Float32Array(WIDTH + 2 * MARGIN)]
    const apart = widthPx / perWidth
    for (let i = 0; (i + 1) * apart < all.length; i++) {
      const at = (i + uniform()) * apart
      const deep = depth * (0.6 + 0.8 * uniform())
      const keeps = isKept(at, (i * GOLDEN) % 1)
      for (let x = Math.max(0, Math.floor(at - 3 * widthPx)); x < Math.min(all.length, at + 3 * widthPx); x++) {
        const off = (x - at) / (widthPx / 2)
        const light = deep * off * Math.exp(0.5 - off ** 2 / 2)
        all[x]! += light
        if (keeps) kept[x]! += light
      }
    }
    return { all, kept }
  }
  const middlePx = (SHOULDER_PX + EDGE_PX) / 2
  const [acrossOld, acrossNew] = [acrossOf(oldDeg), acrossOf(newDeg)]
  // A scratch belongs to the third that it crosses the middle of the face in.
  const crossesAt = (across: number) => (across - acrossOld(0, middlePx)) / Math.cos(radians(oldDeg))
  const old = scratches(OLD, (across, turn) => turn < third(crossesAt(across)).oldLeft)
  const fresh = scratches(NEW, () => true).all

  const pixels = new Uint8ClampedArray(4 * WIDTH * HEIGHT)
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const down = (y - SHOULDER_PX) / (EDGE_PX - SHOULDER_PX)
      let light = down < 0 ? PRIMARY : down > 1 ? BEHIND : FACE
      if (down >= 0 && down <= 1) {
        const isReached = down < 1 - third(x).unreached
        const was = (isReached ? old.kept : old.all)[Math.round(acrossOld(x, y))] ?? 0
        const is = isReached ? (fresh[Math.round(acrossNew(x, y))] ?? 0) : 0
        light *= 1 + was + is
      }
      const at = 4 * (y * WIDTH + x)
      pixels.fill(light + NOISE * normal(), at, at + 3)
      pixels[at + 3] = 255
    }

  const along = (y: number): Vec2[] => Array.from({ length: 5 }, (_, i) => [20 + ((WIDTH - 40) * i) / 4, y])
  /** Two places along a scratch through the middle of the face. */
  const alongScratch = (deg: number): Vec2[] =>
    [-60, 60].map((up): Vec2 => [WIDTH / 2 + up * Math.tan(radians(deg)), middlePx - up])
  return {
    picture: { width: WIDTH, height: HEIGHT, pixels },
    taps: { edge: along(EDGE_PX), shoulder: along(SHOULDER_PX), old: alongScratch(oldDeg), new: alongScratch(newDeg) },
  }
}
