import { expect, it } from 'vitest'
import type { Vec2 } from '../../math/vector/vec2'
import { findSheet, type SheetFound } from './findSheet'
import type { GrayPicture } from '../picture/grayPicture'

const SIZE = { width: 720, height: 540 }
/** What is drawn is given for a picture of 1200 pixels. */
const SCALE = 0.6

/** Polygons of a brightness one over the other on a ground, their borders soft, with noise and a shade to one side. */
function drawn(ground: number, shapes: readonly { of: readonly Vec2[]; bright: number }[], noise = 12): GrayPicture {
  const { width, height } = SIZE
  const pixels = new Uint8Array(width * height)
  let seed = 11
  const inside = (of: readonly Vec2[], x: number, y: number) =>
    of.reduce((is, a, i) => {
      const b = of[(i + 1) % of.length]!
      return a[1] <= y !== b[1] <= y && a[0] + ((y - a[1]) / (b[1] - a[1])) * (b[0] - a[0]) < x ? !is : is
    }, false)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      let sum = 0
      // Four looks a pixel make its border soft.
      for (const [dx, dy] of [
        [0.25, 0.25],
        [0.75, 0.25],
        [0.25, 0.75],
        [0.75, 0.75],
      ] as const)
        sum +=
          shapes.reduce(
            (bright, one) => (inside(one.of, (x + dx) / SCALE, (y + dy) / SCALE) ? one.bright : bright),
            ground,
          ) / 4
      seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0
      pixels[y * width + x] = Math.max(0, Math.min(255, sum - (x / width) * 25 + (seed / 2 ** 32 - 0.5) * 2 * noise))
    }
  return { width, height, pixels }
}
const SHEET: Vec2[] = [
  [140, 110],
  [1050, 150],
  [1130, 790],
  [60, 740],
]
const BLADE: Vec2[] = [
  [300, 400],
  [900, 420],
  [870, 480],
  [320, 500],
]

const off = (found: SheetFound | null, corners: readonly Vec2[]) =>
  Math.max(
    ...corners.map(([x, y], i) =>
      found ? Math.hypot(found.corners[i]![0] - SCALE * x, found.corners[i]![1] - SCALE * y) : Infinity,
    ),
  )

it('the corners of a sheet are found to two pixels, whatever lies on it or over its border', () => {
  const handle: Vec2[] = [
    [900, 400],
    [1180, 410],
    [1180, 500],
    [870, 490],
  ]
  const sheet = { of: SHEET, bright: 225 }
  expect(off(findSheet(drawn(90, [sheet, { of: BLADE, bright: 120 }])), SHEET)).toBeLessThan(2)
  expect(off(findSheet(drawn(90, [sheet, { of: BLADE, bright: 60 }, { of: handle, bright: 40 }])), SHEET)).toBeLessThan(
    2,
  )
  // On a table nearly as bright as the paper the dark blade stands out more than the sheet.
  expect(off(findSheet(drawn(190, [sheet, { of: BLADE, bright: 50 }], 4)), SHEET)).toBeLessThan(2)
  expect(off(findSheet(drawn(150, [sheet, { of: BLADE, bright: 120 }], 25)), SHEET)).toBeLessThan(2)
})

it('the longer side comes first: of a sheet that stands upright the one down its side', () => {
  const upright: Vec2[] = [
    [400, 80],
    [800, 90],
    [830, 800],
    [380, 780],
  ]
  const found = findSheet(drawn(80, [{ of: upright, bright: 230 }]))
  expect(off(found, [upright[1]!, upright[2]!, upright[3]!, upright[0]!])).toBeLessThan(2)
})

it('there is none where nothing bright has four sides, or all is bright', () => {
  const round = Array.from({ length: 40 }, (_, i): Vec2 => [
    600 + 300 * Math.cos((i / 40) * 2 * Math.PI),
    450 + 300 * Math.sin((i / 40) * 2 * Math.PI),
  ])
  expect(findSheet(drawn(90, [{ of: round, bright: 220 }]))).toBeNull()
  expect(findSheet(drawn(90, [{ of: BLADE, bright: 200 }]))).toBeNull()
  expect(findSheet(drawn(225, [{ of: BLADE, bright: 90 }]))).toBeNull()
})
