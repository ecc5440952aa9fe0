import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { InkPattern } from '../../log/choices'
import { exposedAboveMm, exposedSpans, seenAs } from './exposed'
import { contradictions } from './contradictions'
import reference from './fixtures/ink.json'
import { findBevel } from './findBevel'
import { lightPassUm } from './look'
import { nextSetting } from './nextSetting'
import { picturedSpans } from './pictured'

const fraction = (face: Parameters<typeof exposedSpans>[0], setDeg: number, depthUm: number) =>
  seenAs(exposedSpans(face, setDeg, depthUm))
const RAD = Math.PI / 180

describe('what a light pass bares', () => {
  it('is pictured by a face that shows the pattern, with as much of it bare', () => {
    for (const seen of ['shoulder', 'apex', 'middle', 'ends'] as const)
      for (const bare of [0.1, 0.35, 0.8])
        expect(seenAs(picturedSpans(seen, bare))).toEqual({ pattern: seen, fraction: expect.closeTo(bare, 6) })
    expect(seenAs(picturedSpans('all', 1))).toEqual({ pattern: 'all', fraction: 1 })
    expect(picturedSpans('nothing', 0)).toEqual([])
  })

  const face = { shoulderDeg: 20, apexDeg: 20, widthMm: 0.8 }
  it('from the shoulder where the stone is flatter, from the apex where it is steeper, by depth over the difference', () => {
    const bare = 0.003 / (1.5 * RAD) / 0.8
    expect(fraction(face, 18.5, 3)).toEqual({ pattern: 'shoulder', fraction: expect.closeTo(bare, 9) })
    expect(fraction(face, 21.5, 3)).toEqual({ pattern: 'apex', fraction: expect.closeTo(bare, 9) })
    expect(fraction(face, 20 + (0.003 / 0.8 / RAD) * 0.9, 3).pattern).toBe('all')
  })

  it('a convex face in the middle, 2·√(2e / k) long, where its own angle is the set one; a hollow one at both ends', () => {
    const convex = { shoulderDeg: 18, apexDeg: 22, widthMm: 0.8 }
    const k = (4 * RAD) / 0.8
    const bare = (2 * Math.sqrt((2 * 0.001) / k)) / 0.8
    expect(fraction(convex, 20, 1)).toEqual({ pattern: 'middle', fraction: expect.closeTo(bare, 9) })
    const [[from, to]] = exposedSpans(convex, 19, 0.1) as [[number, number]]
    expect((from + to) / 2).toBeCloseTo(0.25, 9)
    const [atShoulder, atApex] = exposedSpans({ shoulderDeg: 22, apexDeg: 18, widthMm: 0.8 }, 20, 1)
    expect([atShoulder![0], atApex![1]]).toEqual([0, 1])
    expect(atShoulder![1]).toBeCloseTo(1 - atApex![0], 9)
    expect(fraction({ shoulderDeg: 22, apexDeg: 18, widthMm: 0.8 }, 15, 1).pattern).toBe('shoulder')
  })

  it('a dull apex keeps its ink though the face matches', () => {
    const [[from, to]] = exposedSpans({ ...face, apexRadiusUm: 20 }, 20, 2) as [[number, number]]
    const dull = 0.02 / Math.tan(20 * RAD) / 0.8
    expect(from).toBe(0)
    expect(to).toBeCloseTo(1 - dull + Math.sqrt(2 * 20 * 2) / 1000 / 0.8, 9)
  })

  it('deeper with a coarse stone; with several stones as far as any of them', () => {
    expect(lightPassUm([])).toEqual([0.4, 4])
    expect(lightPassUm([53])).toEqual([1, 10])
    expect(lightPassUm([14, 53])).toEqual([0.4, 10])
  })

  it('above the shoulder too where the stone lies nearly on the primary face, and all of it when it does', () => {
    expect(exposedAboveMm(face, 3, 4, 2)).toBeCloseTo(0.002 / Math.sin(RAD), 9)
    expect(exposedAboveMm(face, 3, 2.5, 2)).toBe(Infinity)
    expect(exposedAboveMm(face, 3, 24, 2)).toBe(0)
  })

  it('the deeper the contact the more goes, whatever the face', () => {
    const deg = fc.double({ min: 12, max: 30, noNaN: true })
    const depth = fc.double({ min: 0.3, max: 8, noNaN: true })
    const bareShare = (of: readonly (readonly [number, number])[]) => of.reduce((sum, [a, b]) => sum + b - a, 0)
    fc.assert(
      fc.property(deg, deg, deg, depth, (shoulderDeg, apexDeg, setDeg, depthUm) => {
        const of = { shoulderDeg, apexDeg, widthMm: 0.6 }
        const [less, more] = [depthUm, depthUm * 1.2].map((one) => bareShare(exposedSpans(of, setDeg, one)))
        expect(more! - less!).toBeGreaterThan(-1e-9)
        expect(less).toBeGreaterThan(0)
      }),
    )
  })
})

/** A look of the reference, in the words of the model. */
const asSeen = ({ setDeg, seen, share }: (typeof reference.cases)[number]['looks'][number]) => ({
  setDeg,
  seen: seen as InkPattern,
  fraction: share,
})

describe('from looks to an angle', () => {
  const flats: { truth: number; from: number; to: number; wide: number; wideThere: number }[] = []
  const kinds: string[] = []
  for (const { faces, looks, ...blade } of reference.cases) {
    const looked = faces.map(({ side, zone, widthMm }) => ({
      widthMm,
      primaryDeg: blade.primaryHalfAngleDeg,
      looks: looks.filter((look) => look.side === side && look.zone === zone).map(asSeen),
    }))
    const depthUm = blade.contactDepthUm as [number, number]
    const found = findBevel(looked, { depthUm, setUncertaintyDeg: blade.setDoubtDeg })
    faces.forEach((face, i) => {
      const { angle, kind } = found.faces[i]!
      if (face.kind === 'convex') kinds.push(kind)
      else
        flats.push({
          truth: face.edgeAngleDeg!,
          from: angle.fromDeg,
          to: angle.toDeg,
          wide: angle.toDeg - angle.fromDeg,
          wideThere: face.interval95![1]! - face.interval95![0]!,
        })
    })
  }
  const median = (of: number[]) => of.sort((a, b) => a - b)[of.length >> 1]!

  it('the truth lies in the stated interval as often as it says, and the interval is as narrow as can be', () => {
    const inside = flats.filter(({ truth, from, to }) => truth >= from && truth <= to).length / flats.length
    expect(inside).toBeGreaterThanOrEqual(0.93)
    expect(inside).toBeLessThanOrEqual(0.98)
    expect(median(flats.map(({ wide }) => wide))).toBeLessThanOrEqual(
      1.1 * median(flats.map(({ wideThere }) => wideThere)),
    )
  })

  it('a convex face is called convex', () => {
    expect(kinds.filter((kind) => kind === 'convex').length / kinds.length).toBeGreaterThan(0.9)
  })

  const face = (looks: [setDeg: number, seen: InkPattern, fraction: number][]) => ({
    widthMm: 0.7,
    primaryDeg: 3,
    looks: looks.map(([setDeg, seen, part]) => ({ setDeg, seen, fraction: part })),
  })
  const terms = { depthUm: [0.4, 4] as const, setUncertaintyDeg: 0.3 }
  it('shoulder and apex bracket the angle; a side nobody looked at has none', () => {
    const found = findBevel(
      [
        face([
          [18, 'shoulder', 0.1],
          [20, 'apex', 0.2],
        ]),
        face([]),
      ],
      terms,
    )
    expect(found.faces[1]).toBeNull()
    const { fromDeg, middleDeg, toDeg } = found.faces[0]!.angle
    expect(fromDeg).toBeGreaterThan(17.5)
    expect(toDeg).toBeLessThan(20.5)
    expect(middleDeg).toBeGreaterThan(18.7)
  })

  it('both ends bare is a hollow face, its angle steeper at the shoulder', () => {
    const found = findBevel(
      [
        face([
          [18, 'shoulder', 0.1],
          [20, 'ends', 0.3],
          [22, 'apex', 0.1],
        ]),
      ],
      terms,
    ).faces[0]!
    expect(found.kind).toBe('hollow')
    expect(found.shoulder.middleDeg).toBeGreaterThan(found.angle.middleDeg + 1)
  })

  it('what other faces say of the contact depth makes this one surer', () => {
    const one = face([[19, 'shoulder', 0.3]])
    const other = face([
      [19, 'shoulder', 0.5],
      [19.6, 'apex', 0.5],
    ])
    const others = [other, other]
    const width = (found: ReturnType<typeof findBevel>) => found.faces[0]!.angle.toDeg - found.faces[0]!.angle.fromDeg
    expect(width(findBevel([one, ...others], terms))).toBeLessThan(0.9 * width(findBevel([one], terms)))
  })
})

describe('the next setting', () => {
  const looked = (looks: [number, InkPattern, number][]) => ({
    widthMm: 0.7,
    primaryDeg: 3,
    looks: looks.map(([setDeg, seen, part]) => ({ setDeg, seen, fraction: part })),
  })
  const terms = { depthUm: [0.4, 4] as const, setUncertaintyDeg: 0.2 }
  const settings = (degs: number[]) => degs.map((deg) => ({ setDeg: [deg] }))
  const ask = (neededDeg: number, asked = { from: 0, count: 1 }, wantedDeg: number | null = null) => ({
    neededDeg,
    wantedDeg,
    asked,
  })

  it('lies between shoulder and edge, not beyond them', () => {
    const next = nextSetting(
      [
        looked([
          [17, 'shoulder', 0.05],
          [21, 'apex', 0.05],
        ]),
      ],
      terms,
      settings([14, 17, 19, 21, 24]),
      ask(0.5),
    )
    expect(next.best).toBe(2)
    expect(next.thenDeg).toBeLessThan(next.nowDeg)
    expect(next.looksLeft).toBeGreaterThanOrEqual(1)
  })

  it('is none where every face is known well enough, and where no setting tells more', () => {
    const bracketed = looked([
      [19.8, 'shoulder', 0.8],
      [20, 'all', 1],
      [20.2, 'apex', 0.8],
    ])
    expect(nextSetting([bracketed], terms, settings([20]), ask(0.6))).toMatchObject({
      best: null,
      stop: 'known',
      looksLeft: 0,
    })
    const open = looked([
      [17, 'shoulder', 0.05],
      [21, 'apex', 0.05],
    ])
    expect(nextSetting([open], terms, settings([5, 44]), ask(0.3))).toMatchObject({ best: null, stop: 'no-gain' })
  })

  it('asks for the faces that are asked for, whatever the others still leave open', () => {
    const open = looked([
      [17, 'shoulder', 0.05],
      [21, 'apex', 0.05],
    ])
    const known = looked([
      [19.8, 'shoulder', 0.8],
      [20, 'all', 1],
      [20.2, 'apex', 0.8],
    ])
    const both = [{ setDeg: [19, 19] }]
    expect(nextSetting([open, known], terms, both, ask(0.6, { from: 1, count: 1 })).stop).toBe('known')
    expect(nextSetting([open, known], terms, both, ask(0.6, { from: 0, count: 2 })).stop).toBeNull()
  })
})

describe('looks that cannot all be true', () => {
  const looked = (looks: [number, InkPattern, number][]) => ({
    widthMm: 0.7,
    primaryDeg: 3,
    looks: looks.map(([setDeg, seen, part]) => ({ setDeg, seen, fraction: part })),
  })
  const bracket: [number, InkPattern, number][] = [
    [18, 'shoulder', 0.1],
    [20, 'apex', 0.1],
  ]
  const culprits = (faces: ReturnType<typeof looked>[], opposite: (number | null)[] = faces.map(() => null)) =>
    contradictions(faces, opposite, [0.4, 4]).map(({ face, look, culprit }) => [face, look, culprit])

  it('are none where they go together', () => {
    expect(culprits([looked([...bracket, [19, 'all', 1]]), looked([])])).toEqual([])
  })

  it('are pointed out, the newest of those that fit as badly, with what most likely went wrong', () => {
    expect(
      culprits([
        looked([
          [18, 'apex', 0.1],
          [21, 'shoulder', 0.1],
        ]),
      ]),
    ).toEqual([[0, 1, 'misjudged']])
    expect(culprits([looked([...bracket, [24, 'all', 1]])])).toEqual([[0, 2, 'ink-wiped']])
    expect(culprits([looked([...bracket, [25, 'ends', 0.3]])])).toEqual([[0, 2, 'dished-stone']])
    expect(culprits([looked([...bracket, [17, 'shoulder', 0.5]])])).toEqual([[0, 2, 'pressed-hard']])
    const moved = looked([...bracket, [23, 'shoulder', 0.2]])
    expect(culprits([moved, moved])).toEqual([
      [0, 2, 'blade-moved'],
      [1, 2, 'blade-moved'],
    ])
  })

  it('fit the other side where the sides were mixed up', () => {
    const other = looked([
      [22, 'shoulder', 0.1],
      [25, 'apex', 0.1],
    ])
    expect(culprits([looked([...bracket, [23, 'shoulder', 0.3]]), other], [1, 0])).toEqual([[0, 2, 'side-mixed-up']])
  })

  it('are seldom called so where nothing went wrong', () => {
    let [called, of] = [0, 0]
    for (const { faces, looks, ...blade } of reference.cases.slice(0, 12)) {
      const all = faces.map(({ side, zone, widthMm }) => ({
        widthMm,
        primaryDeg: blade.primaryHalfAngleDeg,
        looks: looks.filter((look) => look.side === side && look.zone === zone).map(asSeen),
      }))
      const none = all.map(() => null)
      called += contradictions(all, none, blade.contactDepthUm as [number, number]).length
      of += all.length
    }
    expect(called / of).toBeLessThan(0.03)
  })
})
