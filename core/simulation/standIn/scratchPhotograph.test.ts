import { expect, it } from 'vitest'
import { bandThrough } from '../../photo/marker/band'
import { toGray } from '../../photo/picture/grayPicture'
import { leanDeg } from '../../photo/scratches/faceGrid'
import { readScratchPhoto, type ScratchPart } from '../../photo/scratches/readScratchPhoto'
import type { Vec2 } from '../../math/vector/vec2'
import { scratchPhotograph } from './scratchPhotograph'

const part = (oldLeft: number, unreached: number): ScratchPart => ({ oldLeft, unreached })
const parts = [
  [0, 1 / 3],
  [1 / 3, 2 / 3],
  [2 / 3, 1],
] as const
function readOf(seed: number, thirds: readonly [ScratchPart, ScratchPart, ScratchPart], newDeg: number) {
  const { picture, taps } = scratchPhotograph({ seed, newDeg, oldDeg: newDeg - 40, thirds })
  const gray = toGray(picture.pixels, picture.width, picture.height)
  const { edge, shoulder } = taps
  const band = bandThrough(edge, shoulder)
  if (!band.ok) throw new Error(band.code)
  const lean = ([one, other]: readonly Vec2[]) => leanDeg(band, [one!, other!])
  const directions = { newDeg: lean(taps.new), oldDeg: lean(taps.old) }
  expect(directions.newDeg).toBeCloseTo(newDeg, 0)
  const read = readScratchPhoto({ picture: gray, edge, shoulder, ...directions, oldPx: null, parts: [...parts] })
  if (!read.ok) throw new Error(read.code)
  return read.parts.map((one) => (one.ok ? one : part(NaN, NaN)))
}

it.each([
  [1, 12],
  [3, 25],
])('the stand-in’s close-up is read as it was made (seed %i, %i°)', (seed, newDeg) => {
  const made = [part(0.7, 0), part(0.35, 0), part(0, 0.2)] as const
  const read = readOf(seed, made, newDeg)
  made.forEach(({ oldLeft, unreached }, i) => {
    expect(Math.abs(read[i]!.oldLeft - oldLeft), `old, third ${i}`).toBeLessThan(0.2)
    expect(Math.abs(read[i]!.unreached - unreached), `band, third ${i}`).toBeLessThan(0.08)
  })
})
