import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { PNG } from 'pngjs'
import { describe, expect, it } from 'vitest'
import { patternOf } from '../../observe/goniometer/pattern'
import type { Screen } from '../../observe/goniometer/scale'
import { slantOf } from '../../observe/goniometer/turned'
import type { Vec2 } from '../../math/vector/vec2'
import { goniometerPhotograph, type GoniometerPhotographAsk } from '../../simulation/standIn/goniometerPhotograph'
import type { ThrownSide } from '../../simulation/standIn/thrownPattern'
import reference from './fixtures/goniometer/frames.json'
import { snapTick } from './snapTick'
import { besideDeg, readGoniometerPhoto, shownSides } from './readGoniometerPhoto'

interface Truth {
  readonly primaryDeg: number
  readonly finish: string
  readonly edgeDeg?: number
  readonly edgeFromDeg?: number
  readonly edgeToDeg?: number
}
const SQUARE = { readDeg: 0.1, screen: null, slant: 0 }
const folder = join(import.meta.dirname, 'fixtures/goniometer')
const pictureOf = (file: string) => {
  const { width, height, data } = PNG.sync.read(readFileSync(join(folder, file)))
  return { width, height, pixels: data }
}
const screenOf = (frame: (typeof reference.frames)[number]): Screen =>
  frame.screen === 'flat' ? { kind: 'flat', distanceMm: frame.distanceMm! } : { kind: 'arc' }

describe('a photograph of a goniometer’s screen', () => {
  it.each(reference.frames)('$image', (frame) => {
    const ticks = Object.entries(frame.tickPx).map(([deg, at]) => ({ deg: Number(deg), at: at as unknown as Vec2 }))
    const read = readGoniometerPhoto({ picture: pictureOf(frame.image), ticks, screen: screenOf(frame) })
    if (!read.ok) throw new Error(read.code)
    const { sides } = patternOf(shownSides(read.marks, 'A'), SQUARE)
    for (const [side, truth] of [
      ['A', frame.truth.left as Truth],
      ['B', frame.truth.right as Truth],
    ] as const) {
      const found = sides.find((one) => one.side === side)
      if (truth.finish === 'none') {
        expect(found).toBeUndefined()
        continue
      }
      expect(found?.finish).toBe(truth.finish)
      expect(Math.abs(found!.primaryDeg! - truth.primaryDeg)).toBeLessThan(0.15)
      if (truth.edgeDeg !== undefined) expect(Math.abs(found!.edgeDeg - truth.edgeDeg)).toBeLessThan(0.15)
      else {
        expect(Math.abs(found!.fromDeg - truth.edgeFromDeg!)).toBeLessThan(0.4)
        expect(Math.abs(found!.toDeg - truth.edgeToDeg!)).toBeLessThan(0.4)
      }
    }
  })
})

const crisp = (deg: number, primaryDeg: number | null = 3): ThrownSide => ({
  primaryDeg,
  edge: { finish: 'crisp', fromDeg: deg, toDeg: deg },
})
const hazy = (deg: number): ThrownSide => ({
  primaryDeg: 2.5,
  edge: { finish: 'hazy', fromDeg: deg - 2, toDeg: deg + 2 },
})
const made: GoniometerPhotographAsk = {
  seed: 0.4,
  screen: { kind: 'arc' },
  sides: [crisp(17.4), crisp(15.2)],
  askewDeg: 0.5,
  tiltDeg: 1.5,
  laser: 'red',
  bright: 0.9,
  noise: 4,
}
function readMade(ask: GoniometerPhotographAsk) {
  const { picture, ticks } = goniometerPhotograph(ask)
  const read = readGoniometerPhoto({ picture, ticks, screen: ask.screen })
  if (!read.ok) throw new Error(read.code)
  return { pattern: patternOf(shownSides(read.marks, 'A'), SQUARE), marks: read.marks }
}

describe('a made-up screen is read for what was thrown on it', () => {
  it.each<[string, Partial<GoniometerPhotographAsk>]>([
    ['a red dot', {}],
    ['a green laser', { laser: 'green' }],
    ['overexposed', { bright: 2.5 }],
    ['faint in noise', { bright: 0.35, noise: 8 }],
    ['a flat screen', { screen: { kind: 'flat', distanceMm: 120 } }],
    ['tilted', { tiltDeg: -7 }],
    ['far askew', { askewDeg: -2.4 }],
    ['hazy', { sides: [hazy(17.4), hazy(15.2)] }],
  ])('%s', (_, more) => {
    const { sides, shiftDeg } = readMade({ ...made, ...more }).pattern
    expect(Math.abs(sides[0]!.edgeDeg - 17.4)).toBeLessThan(0.15)
    expect(Math.abs(sides[1]!.edgeDeg - 15.2)).toBeLessThan(0.15)
    // Side A lies at lower degrees: a shift towards greater ones is away from it.
    expect(Math.abs(shiftDeg + (more.askewDeg ?? 0.5))).toBeLessThan(0.1)
  })

  it.each<Screen>([{ kind: 'arc' }, { kind: 'flat', distanceMm: 120 }])(
    'an edge turned in the beam stands beside the scale’s line: $kind',
    (screen) => {
      for (const turnedDeg of [0, 6]) {
        const { marks, pattern } = readMade({ ...made, screen, tiltDeg: -3, turnedDeg, sides: [crisp(21), crisp(19)] })
        const slant = slantOf(besideDeg(marks, screen)!, pattern.includedDeg! / 2, screen)
        const found = patternOf(shownSides(marks, 'A'), { ...SQUARE, slant })
        expect(Math.abs(found.turnedDeg! - turnedDeg)).toBeLessThan(0.7)
        expect(Math.abs(found.includedDeg! - 40)).toBeLessThan(0.08)
        if (turnedDeg > 0) expect(pattern.includedDeg).toBeLessThan(39.9)
      }
    },
  )

  it('one side alone has an edge', () => {
    const { pattern } = readMade({ ...made, sides: [crisp(17.4), { primaryDeg: 3, edge: null }] })
    expect(pattern.sides.map(({ side }) => side)).toEqual(['A'])
    expect(pattern.includedDeg).toBeNull()
  })

  it('a primary face that throws nothing leaves the shift open, and the uncertainty says so', () => {
    const { pattern } = readMade({ ...made, askewDeg: 0, sides: [crisp(17.4, null), crisp(15.2, null)] })
    expect(pattern.shiftBy).toBe('not-known')
    expect(pattern.sides.every(({ uncertaintyDeg }) => uncertaintyDeg > 0.5)).toBe(true)
    expect(pattern.includedUncertaintyDeg).toBeLessThan(0.2)
  })

  it('a dark screen, two ticks on one place and a single tick are told', () => {
    const dark = { ...made, bright: 0 }
    const { picture, ticks } = goniometerPhotograph(dark)
    const reasonOf = (of: typeof ticks) => readGoniometerPhoto({ picture, ticks: of, screen: made.screen })
    expect(reasonOf(ticks)).toEqual({ ok: false, code: 'no-light' })
    expect(reasonOf(ticks.slice(1, 2))).toEqual({ ok: false, code: 'few-ticks' })
    expect(reasonOf([ticks[0]!, { ...ticks[1]!, deg: -20 }])).toEqual({ ok: false, code: 'ticks-alike' })
    expect(reasonOf([ticks[0]!, { ...ticks[1]!, deg: 20 }, { ...ticks[2]!, deg: 0 }])).toEqual({
      ok: false,
      code: 'ticks-out-of-order',
    })
  })
})

describe('a tap on the scale', () => {
  const { picture, ticks } = goniometerPhotograph({ ...made, tiltDeg: 2 })

  it('snaps to the tick beside it', () => {
    for (const { at } of ticks) {
      const [x] = snapTick(picture, [at[0] + 4, at[1]])
      expect(Math.abs(x - at[0])).toBeLessThan(0.8)
    }
  })

  it('stays where it is where there is none', () => {
    expect(snapTick(picture, [640, 120])).toEqual([640, 120])
  })
})
