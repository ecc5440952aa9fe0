import { nth } from '../../math/list'
import type { Side } from '../../records/common/side'
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
 * Finds the bevel of one side of a hidden blade as the advice says: the first look at the angle it is thought to have,
 * each next one where the advice sends it, of settings a quarter of a degree apart, until it says to stop.
 */
export function followAdvice(ask: HiddenBladeAsk, neededDeg: number, side: Side = 'A'): ClosedTestResult {
  const blade = hiddenBlade(ask)
  const looks: InkLook[][] = ask.zones.map(() => [])
  const terms: InkTerms = { depthUm: LIGHT_PASS_UM, setUncertaintyDeg: ask.setUncertaintyDeg }
  let faces: LookedAt[] = []
  const settings = Array.from({ length: 33 }, (_, i) => ask.aroundDeg - 4 + i / 4)
  const candidates = settings.map((deg) => ({ setDeg: ask.zones.map(() => deg) }))
  const knownAfter: (number | null)[] = ask.zones.map(() => null)
  let setDeg = ask.aroundDeg
  const dialled: number[] = []
  let taken = 0
  while (taken < MOST_LOOKS) {
    ask.zones.forEach((zone, i) => nth(looks, i).push({ setDeg, ...blade.look(side, zone, setDeg, taken) }))
    dialled.push(setDeg)
    taken++
    faces = looks.map((of) => ({ widthMm: ask.widthMm, primaryDeg: 3, looks: [...of] }))
    findBevel(faces, terms).faces.forEach((face, i) => {
      const known = face && face.angle.toDeg - face.angle.fromDeg <= 2 * neededDeg
      if (known) knownAfter[i] ??= taken
    })
    const next = nextSetting(faces, terms, candidates, neededDeg)
    if (next.best === null) break
    setDeg = nth(settings, next.best)
  }
  const found = findBevel(faces, terms)
  return {
    looks: taken,
    setDeg: dialled,
    zones: ask.zones.map((zone, i) => {
      const { shoulderDeg, apexDeg } = blade.face(side, zone)
      const face = nth(found.faces, i)
      if (face === null) throw new Error('A zone that was tested has a face.')
      const { kind, angle } = face
      const truth = kind === 'flat' ? (shoulderDeg + apexDeg) / 2 : apexDeg
      return {
        knownAfter: nth(knownAfter, i),
        offDeg: angle.middleDeg - truth,
        inside: truth >= angle.fromDeg && truth <= angle.toDeg,
        halfWidthDeg: (angle.toDeg - angle.fromDeg) / 2,
      }
    }),
  }
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
  const ways: (readonly number[])[] = []
  for (const side of sides) {
    ways.push(followAdvice(blade, neededDeg, side).setDeg)
    yield ways.length / sides.length
  }
  return ways
}
