import { nth } from '../../math/list'
import type { Side } from '../../records/common/side'
import { expectFaces } from '../../observe/marker/expectFaces'
import { findBevel, type InkTerms } from '../../observe/marker/findBevel'
import { LIGHT_PASS_UM, type InkLook } from '../../observe/marker/look'
import { nextSetting } from '../../observe/marker/nextSetting'
import type { LookedAt } from '../../observe/marker/weigh'
import { hiddenBlade, type HiddenBladeAsk } from './hiddenBlade'

/** How the advice did on one side of one hidden blade. */
export interface ClosedTestResult {
  readonly looks: number
  /** What was dialled for each of them, degrees. */
  readonly setDeg: readonly number[]
  /** What the tests make of the hand: how far its passes reach, micrometres. */
  readonly depthUm: number
  /**
   * Per zone: after how many looks it was known as well as is needed (null: never), how far the middle of what was
   * found is off the truth, and whether the truth lies in the interval.
   */
  readonly zones: readonly {
    readonly knownAfter: number | null
    readonly offDeg: number
    readonly inside: boolean
    readonly halfWidthDeg: number
  }[]
}

const MOST_LOOKS = 8

/**
 * Finds the bevels of a hidden blade, side by side, as the advice says: the first look at a side at the angle that is
 * expected of it, each next one where the advice sends it, of settings a quarter of a degree apart, until it says to
 * stop. Yields how many sides are done.
 */
export function* followAdvice(
  ask: HiddenBladeAsk,
  neededDeg: number,
  sides: readonly Side[] = ['A'],
  wantedDeg: number | null = null,
): Generator<number, ClosedTestResult[], void> {
  const blade = hiddenBlade(ask)
  const terms: InkTerms = { depthUm: LIGHT_PASS_UM, setUncertaintyDeg: ask.setUncertaintyDeg }
  const places = sides.flatMap((side) => ask.zones.map((_, zone) => ({ side, zone })))
  const looks: InkLook[][] = places.map(() => [])
  const settings = Array.from({ length: 33 }, (_, i) => ask.aroundDeg - 4 + i / 4)
  const facesNow = () =>
    expectFaces(
      looks.map((of): LookedAt => ({ widthMm: ask.widthMm, primaryDeg: 3, looks: [...of] })),
      places,
      [],
      terms,
    )
  const results: ClosedTestResult[] = []
  for (const [k, side] of sides.entries()) {
    const asked = { from: k * ask.zones.length, count: ask.zones.length }
    const here = (i: number) => i >= asked.from && i < asked.from + asked.count
    const candidates = settings.map((deg) => ({ setDeg: places.map((_, i) => (here(i) ? deg : null)) }))
    const nextOf = (faces: readonly LookedAt[]) =>
      nextSetting(faces, terms, candidates, { neededDeg, wantedDeg, asked }).best
    const knownAfter: (number | null)[] = ask.zones.map(() => null)
    const expected = facesNow()
    let next = expected.some((face) => face.expected) ? nextOf(expected) : null
    let setDeg = next === null ? ask.aroundDeg : nth(settings, next)
    const dialled: number[] = []
    do {
      const number = dialled.length
      ask.zones.forEach((zone, i) =>
        nth(looks, asked.from + i).push({ setDeg, ...blade.look(side, zone, setDeg, number) }),
      )
      dialled.push(setDeg)
      const faces = facesNow()
      findBevel(faces, terms).faces.forEach((face, i) => {
        const known = here(i) && face && face.angle.toDeg - face.angle.fromDeg <= 2 * neededDeg
        if (known) knownAfter[i - asked.from] ??= dialled.length
      })
      next = nextOf(faces)
      if (next !== null) setDeg = nth(settings, next)
    } while (next !== null && dialled.length < MOST_LOOKS)
    const found = findBevel(facesNow(), terms)
    const zones = ask.zones.map((zone, i) => {
      const { shoulderDeg, apexDeg } = blade.face(side, zone)
      const face = nth(found.faces, asked.from + i)
      if (face === null) throw new Error('A zone that was tested has a face.')
      const { kind, angle } = face
      const truth = kind === 'flat' ? (shoulderDeg + apexDeg) / 2 : apexDeg
      return {
        knownAfter: nth(knownAfter, i),
        offDeg: angle.middleDeg - truth,
        inside: truth >= angle.fromDeg && truth <= angle.toDeg,
        halfWidthDeg: (angle.toDeg - angle.fromDeg) / 2,
      }
    })
    results.push({ looks: dialled.length, setDeg: dialled, depthUm: found.depthUm, zones })
    yield results.length / sides.length
  }
  return results
}

/** What the advice dials, look by look, at each of some sides of a hidden blade. Yields how far it is. */
export function* advisedWay({
  blade,
  sides,
  neededDeg,
}: {
  readonly blade: HiddenBladeAsk
  readonly sides: readonly Side[]
  readonly neededDeg: number
}): Generator<number, (readonly number[])[], void> {
  const results = yield* followAdvice(blade, neededDeg, sides)
  return results.map(({ setDeg }) => setDeg)
}
