import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { decode } from 'jpeg-js'
import { describe, expect, it } from 'vitest'
import type { InkPattern } from '../../log/choices'
import type { Span } from '../../observe/marker/exposed'
import { inkPhotograph, type InkPhotographAsk } from '../../simulation/standIn/inkPhotograph'
import type { Vec2 } from '../../math/vector/vec2'
import reference from './fixtures/ink-photos/photos.json'
import { joinPictures } from './joinPictures'
import { readInkPhoto, type InkPhotoReading } from './readInkPhoto'

const folder = join(import.meta.dirname, 'fixtures/ink-photos')
const pictureOf = (file: string) => {
  const { width, height, data } = decode(readFileSync(join(folder, file)), { useTArray: true })
  return { width, height, pixels: data }
}
const THIRDS: Span[] = [
  [0, 1 / 3],
  [1 / 3, 2 / 3],
  [2 / 3, 1],
]
const seenWhere = (fraction: number, from: InkPattern): InkPattern =>
  fraction >= 0.975 ? 'all' : fraction < 0.02 ? 'nothing' : from

function expectParts(read: InkPhotoReading, fractions: readonly number[], from: InkPattern, name = '') {
  if (!read.ok) throw new Error(`${name}: ${read.code}`)
  read.parts.forEach((part, i) => {
    if (!part.ok) throw new Error(`${name}: ${part.code}`)
    expect(Math.abs(part.fraction - fractions[i]!), `${name}, part ${i + 1}`).toBeLessThan(0.05)
    expect(part.seen, name).toBe(from === 'above' ? from : seenWhere(fractions[i]!, from))
  })
}

describe('a look from a photograph', () => {
  for (const { file, edgeTapped, shoulderTapped, bareByThird, bareFrom } of reference.photos)
    it(file, () => {
      const taps = { edge: edgeTapped as unknown as Vec2[], shoulder: shoulderTapped as unknown as Vec2[] }
      const read = readInkPhoto({ picture: pictureOf(file), ...taps, ink: null, parts: THIRDS })
      expectParts(read, bareByThird, bareFrom as InkPattern)
    })
})

const made: InkPhotographAsk = {
  seed: 0.3,
  ink: 'black',
  cover: 1,
  background: 'dark',
  glare: false,
  tiltDeg: 0,
  bow: 0,
  blurPx: 1,
  bare: (along) => [[0, 0.3 + 0.3 * along]],
  inkAbove: 0.4,
  bareAbove: 0,
}
const readMade = (ask: InkPhotographAsk, tapsOff = 0) => {
  const { picture, edge, shoulder } = inkPhotograph(ask)
  const off =
    (sign: number) =>
    (tap: Vec2, i: number): Vec2 => [tap[0], tap[1] + (i % 2 ? -1 : 1) * sign * tapsOff]
  return readInkPhoto({ picture, edge: edge.map(off(1)), shoulder: shoulder.map(off(-1)), ink: null, parts: THIRDS })
}

describe('what must not fool it', () => {
  const grows = [0.35, 0.45, 0.55]
  const cases: [string, Partial<InkPhotographAsk>, readonly number[], InkPattern][] = [
    ['thin black ink in glare', { cover: 0.7, glare: true }, grows, 'shoulder'],
    ['nothing bare, thin black ink in glare', { cover: 0.7, glare: true, bare: () => [] }, [0, 0, 0], 'nothing'],
    ['green ink on a light ground, tilted', { ink: 'green', background: 'light', tiltDeg: 6 }, grows, 'shoulder'],
    ['a bowed band, soft', { ink: 'red', bow: 0.5, blurPx: 2 }, grows, 'shoulder'],
    [
      'bare at both ends',
      {
        ink: 'blue',
        bare: () => [
          [0, 0.2],
          [0.7, 1],
        ],
      },
      [0.5, 0.5, 0.5],
      'ends',
    ],
    ['gone only above the shoulder', { bare: () => [], inkAbove: 0.6, bareAbove: 0.15 }, [0, 0, 0], 'above'],
    ['only the bevel inked', { inkAbove: 0, bare: () => [[0.6, 1]] }, [0.4, 0.4, 0.4], 'apex'],
  ]
  for (const [name, of, fractions, from] of cases)
    it(name, () => expectParts(readMade({ ...made, ...of }, 4), fractions, from, name))

  it('says that there is no ink where steel alone is in the picture', () => {
    expect(readMade({ ...made, inkAbove: 0, bare: () => [[0, 1]] })).toEqual({ ok: false, code: 'no-ink' })
  })
  it('does not tell of ink and bare steel in a picture of something else', () => {
    const [width, height] = [600, 400]
    const pixels = new Uint8ClampedArray(4 * width * height).map((_, i) => {
      const [x, y] = [(i >> 2) % width, Math.floor((i >> 2) / width)]
      return Math.sin(x / 9) * Math.sin(y / 7) > 0 ? 220 : 30
    })
    const line = (y: number) => [20, 200, 400, 580].map((x): Vec2 => [x, y])
    const ask = { picture: { width, height, pixels }, edge: line(300), shoulder: line(200), ink: null, parts: THIRDS }
    const read = readInkPhoto(ask)
    expect(read.ok && read.parts).toEqual(THIRDS.map(() => ({ ok: false, code: 'patchy' })))
  })
  it('says which part lies outside of the picture', () => {
    const { picture, edge, shoulder } = inkPhotograph(made)
    const beyond = (taps: readonly Vec2[]): Vec2[] => [...taps, [2 * taps[4]![0], taps[4]![1]]]
    const read = readInkPhoto({ picture, edge: beyond(edge), shoulder: beyond(shoulder), ink: null, parts: THIRDS })
    expect(read.ok && read.parts.map((part) => part.ok || part.code)).toEqual([true, expect.anything(), 'outside'])
  })
  it('refuses taps that make no band', () => {
    const { picture, edge, shoulder } = inkPhotograph(made)
    const reason = (e: readonly Vec2[], s: readonly Vec2[]) => {
      const read = readInkPhoto({ picture, edge: e, shoulder: s, ink: null, parts: THIRDS })
      return read.ok ? 'ok' : read.code
    }
    expect(reason(edge.slice(0, 1), shoulder)).toBe('few-taps')
    expect(reason(edge.slice(0, 2), shoulder.slice(3))).toBe('taps-apart')
    expect(reason([edge[0]!, shoulder[4]!], [shoulder[0]!, edge[4]!])).toBe('lines-meet')
    expect(
      reason(
        edge,
        edge.map(([x, y]): Vec2 => [x, y - 4]),
      ),
    ).toBe('bevel-too-narrow')
  })
})

describe('several pictures of a zone', () => {
  it('count by what they show of it; of two patterns the one that is seen along more of it holds', () => {
    const one = { seen: 'shoulder', fraction: 0.2, shownMm: 10 } as const
    expect(joinPictures(one, { seen: 'shoulder', fraction: 0.5, shownMm: 20 })).toEqual({
      seen: 'shoulder',
      fraction: expect.closeTo(0.4, 9),
      shownMm: 30,
    })
    const other = { seen: 'apex', fraction: 0.5, shownMm: 6 } as const
    expect(joinPictures(one, other)).toEqual(one)
    expect(joinPictures(other, one)).toEqual(one)
  })
})
