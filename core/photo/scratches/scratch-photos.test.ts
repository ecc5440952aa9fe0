import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { decode } from 'jpeg-js'
import { describe, expect, it } from 'vitest'
import type { Span } from '../../observe/marker/exposed'
import type { Vec2 } from '../../math/vector/vec2'
import { toGray } from '../picture/grayPicture'
import reference from './fixtures/scratch-photos/photos.json'
import { bandThrough } from '../marker/band'
import { leanDeg } from './faceGrid'
import { isDone, readScratchPhoto, type ScratchPart, type ScratchPhotoAsk } from './readScratchPhoto'

const folder = join(import.meta.dirname, 'fixtures/scratch-photos')
const THIRDS: Span[] = [
  [0, 1 / 3],
  [1 / 3, 2 / 3],
  [2 / 3, 1],
]
type Photo = (typeof reference.photos)[number]
const taps = (of: readonly (readonly number[])[]) => of as unknown as Vec2[]
function askOf({ file, edgeTapped, shoulderTapped, newDegAbout, oldDegAbout, oldPx }: Photo): ScratchPhotoAsk {
  const { width, height, data } = decode(readFileSync(join(folder, file)), { useTArray: true })
  const lines = { edge: taps(edgeTapped), shoulder: taps(shoulderTapped) }
  return {
    picture: toGray(data, width, height),
    ...lines,
    newDeg: newDegAbout,
    oldDeg: oldDegAbout,
    oldPx,
    parts: THIRDS,
  }
}
const partsOf = (ask: ScratchPhotoAsk): ScratchPart[] => {
  const read = readScratchPhoto(ask)
  if (!read.ok) throw new Error(read.code)
  return read.parts.map((part) => {
    if (!part.ok) throw new Error(part.code)
    return part
  })
}

describe('a bevel between two stones', () => {
  const read = reference.photos.map((photo) => ({ photo, parts: partsOf(askOf(photo)) }))
  const thirds = read.flatMap(({ photo, parts }) =>
    parts.map((part, i) => ({
      name: `${photo.file}, third ${i + 1}`,
      part,
      oldLeft: photo.oldLeftByThird[i]!,
      unreached: photo.unreachedByThird[i]!,
    })),
  )
  it('shows how many of the old scratches are left', () => {
    const off = thirds.filter(({ part, oldLeft }) => Math.abs(part.oldLeft - oldLeft) > 0.15)
    expect(off.length, off.map(({ name }) => name).join('; ')).toBeLessThanOrEqual(thirds.length / 8)
  })
  it('shows what at the edge is not reached', () => {
    for (const { name, part, unreached } of thirds)
      expect(Math.abs(part.unreached - unreached), name).toBeLessThan(0.06)
  })
  it('is never done where a fifth of the old scratches or of the width is left', () => {
    for (const { name, part, oldLeft, unreached } of thirds) {
      if (oldLeft >= 0.2 || unreached >= 0.2) expect(isDone(part), name).toBe(false)
      if (oldLeft === 0 && unreached === 0) expect(isDone(part), name).toBe(true)
    }
  })
})

describe('however the picture is taken', () => {
  const half = askOf(reference.photos.find(({ file }) => file.startsWith('05'))!)
  const left = (ask: ScratchPhotoAsk) => partsOf(ask).map(({ oldLeft }) => oldLeft)
  const far = (a: readonly number[], b: readonly number[]) => Math.max(...a.map((one, i) => Math.abs(one - b[i]!)))

  it('one that stands on its head reads from the other end', () => {
    const { picture, edge, shoulder } = half
    const { width, height } = picture
    const turned = (of: readonly Vec2[]): Vec2[] => of.map(([x, y]) => [width - x, height - y])
    const read = left({
      ...half,
      picture: { width, height, pixels: picture.pixels.slice().reverse() },
      edge: turned(edge),
      shoulder: turned(shoulder),
    })
    expect(far(read, left(half).reverse())).toBeLessThan(0.1)
  })
  it('light from the other side turns bright to dark, and reads alike', () => {
    const { picture } = half
    const pixels = picture.pixels.map((one) => 255 - one)
    expect(far(left({ ...half, picture: { ...picture, pixels } }), left(half))).toBeLessThan(0.15)
  })
  it('the width of a scratch is measured where it is not told', () => {
    expect(far(left({ ...half, oldPx: null }), left(half))).toBeLessThan(0.2)
  })
  it('a line that was tapped along a scratch leans as it does, whichever end came first', () => {
    const band = bandThrough(half.edge, half.shoulder)
    if (!band.ok) throw new Error(band.code)
    // Across a face whose edge is level, 30 pixels to the right for 100 up.
    const level = bandThrough(
      [
        [0, 200],
        [400, 200],
      ],
      [
        [0, 100],
        [400, 100],
      ],
    )
    if (!level.ok) throw new Error(level.code)
    const line: readonly [Vec2, Vec2] = [
      [100, 200],
      [130, 100],
    ]
    expect(leanDeg(level, line)).toBeCloseTo(16.7, 1)
    expect(leanDeg(level, [line[1], line[0]])).toBeCloseTo(16.7, 1)
    const headDown = bandThrough(
      [
        [0, 100],
        [400, 100],
      ],
      [
        [0, 200],
        [400, 200],
      ],
    )
    expect(headDown.ok && leanDeg(headDown, line)).toBeCloseTo(16.7, 1)
    expect(
      leanDeg(band, [
        [0, 0],
        [0, 100],
      ]),
    ).toBeCloseTo(0, 0)
  })
  it('what cannot be told apart or seen is said', () => {
    expect(readScratchPhoto({ ...half, oldDeg: half.newDeg + 10 })).toMatchObject({ code: 'directions-alike' })
    expect(readScratchPhoto({ ...half, oldPx: 0.8 })).toMatchObject({ code: 'scratches-too-fine' })
    const { picture } = half
    let seed = 1
    const noise = picture.pixels.map(() => 118 + ((seed = (seed * 16807) % 2147483647) % 21))
    expect(readScratchPhoto({ ...half, picture: { ...picture, pixels: noise } })).toMatchObject({
      code: 'no-scratches',
    })
  })
})
