import { nth } from '../../math/list'
import { expectedOf, type FacePlace, type KnownFace } from './expected'
import { othersOn, type InkTerms } from './findBevel'
import { knownOf } from './knownFace'
import { depthOdds, expecting, weighedFace, type LookedAt } from './weigh'

/**
 * The faces of a blade, each with what the looks at the others let expect of it, and what was known before anyone
 * looked. What a face's own looks say is no part of what is expected of it. Source: docs/ink.md, "The prior of a face".
 */
export function expectFaces(
  faces: readonly LookedAt[],
  places: readonly FacePlace[],
  before: readonly KnownFace[],
  terms: InkTerms,
): LookedAt[] {
  const weighed = faces.map((face) => weighedFace(face, terms.depthUm))
  const { odds } = depthOdds(weighed)
  const seen = weighed.map((face, i): KnownFace | null => {
    if (!face) return null
    const { meanDeg: deg, sigmaDeg } = knownOf(face, nth(faces, i), othersOn(face, odds), terms)
    return { ...nth(places, i), deg, sigmaDeg }
  })
  return faces.map((face, i) => {
    const others = seen.flatMap((one, j) => (one && j !== i ? [one] : []))
    const expected = expectedOf(nth(places, i), [...before, ...others])
    return expected ? expecting(face, expected, terms.depthUm) : face
  })
}
