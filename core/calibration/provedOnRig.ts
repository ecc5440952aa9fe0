import type { Blade } from '../blade/blade'
import type { KnownHold } from '../clamping/knownHold'
import { stationAt } from '../curve/stations'
import { doubtBudget } from '../doubt/budget'
import type { MeasureId } from '../doubt/measures'
import type { Proof } from '../log/entry'
import { heightOfSetting } from '../rig/dial'
import { restsOnTable } from '../rig/kinds'
import type { Rig } from '../rig/rig'
import { contactFor, type Setup } from '../setup/setup'
import type { Stone } from '../stone/stone'
import type { ProvedAngle, Unknown } from './fitRig'

/** What may be off by as much each time. */
export const RIG_UNKNOWNS = [
  'pivot-height',
  'setback',
  'setback-b',
  'centre-offset',
  'tilt',
  'face-offset',
] as const satisfies readonly MeasureId[]
export type UnknownId = (typeof RIG_UNKNOWNS)[number]

/**
 * What may move on a rig of this kind. The arms of an upright one share a dial though each has a height of its own: its
 * zero is nobody’s. On a table no jaws hold the blade.
 */
export function movableOn(rig: Rig): UnknownId[] {
  const arms = rig.pivotB !== null
  const without: UnknownId[] = [
    ...(arms ? (['pivot-height'] as const) : (['setback-b'] as const)),
    ...(restsOnTable(rig) ? (['centre-offset', 'tilt'] as const) : []),
  ]
  return RIG_UNKNOWNS.filter((id) => !without.includes(id))
}

/** Why a proof tells nothing of a rig. */
export type NotCounted =
  /** Ink tells an angle against the set one, which is what is asked. */
  | 'not-goniometer'
  | 'not-to-apex'
  | 'apex-not-said'
  | 'convex'
  | 'not-dialled'
  | 'counted-before'
  | 'blade-or-stone-gone'
  | 'no-angle'

export interface CountedProof {
  readonly proof: Proof
  readonly angle: ProvedAngle
}
export interface ProvedOnRig {
  readonly counted: readonly CountedProof[]
  readonly left: readonly { readonly proof: Proof; readonly why: NotCounted }[]
}

/** What a proof was made with, as far as it is still there. */
export interface Lookup {
  readonly rig: Rig
  blade(id: string | null): Blade | undefined
  stone(id: string | null): Stone | undefined
  /** How well it was known how the blade was held. */
  known(jobId: string | null): KnownHold
}

/**
 * The proofs of a rig, those that tell something of its measures and the others with the reason. Each is as doubtful as
 * its reading and all that differs from hold to hold; `moving`: what may move is not counted into it. Source:
 * docs/calibration.md, "What counts".
 */
export function provedOnRig(proofs: readonly Proof[], moving: readonly UnknownId[], lookup: Lookup): ProvedOnRig {
  const [counted, left]: [CountedProof[], { proof: Proof; why: NotCounted }[]] = [[], []]
  for (const proof of proofs) {
    const found = angleOf(proof, moving, lookup)
    if (typeof found === 'string') left.push({ proof, why: found })
    else counted.push({ proof, angle: found })
  }
  return { counted, left }
}

function angleOf(proof: Proof, moving: readonly UnknownId[], lookup: Lookup): ProvedAngle | NotCounted {
  const { by, toApex, finish, cut, side, deg } = proof
  if (by !== 'goniometer') return 'not-goniometer'
  if (finish === 'convex') return 'convex'
  if (toApex === null) return 'apex-not-said'
  if (!toApex) return 'not-to-apex'
  if (!cut) return 'not-dialled'
  if (lookup.rig.mendedBy.includes(proof.id)) return 'counted-before'
  const [blade, stone] = [lookup.blade(proof.bladeId), lookup.stone(proof.stoneId)]
  if (!blade || !stone) return 'blade-or-stone-gone'
  const setup: Setup = { rig: lookup.rig, blade, stone, hold: cut.hold }
  const height = heightOfSetting(lookup.rig, cut.setting)
  const station = stationAt(blade.edge, proof.placeMm ?? 0)
  if (!height.ok || !contactFor(setup, side, cut.setting, station).ok) return 'no-angle'
  const differs = doubtBudget(setup, lookup.known(proof.jobId), side, height.heightMm, station).filter(
    ({ id }) => !moving.includes(id as UnknownId),
  )
  return {
    setup,
    side,
    pivotHeightMm: height.heightMm,
    station,
    stoneId: proof.stoneId!,
    deg,
    doubtDeg: Math.hypot(proof.doubtDeg, ...differs.map(({ shareDeg }) => shareDeg)),
  }
}

/** What may move on a rig with these stones; tolerances as they are known now. */
export function unknownsOf(
  rig: Rig,
  stones: readonly (Stone & { readonly id: string })[],
  { holdTolerance }: KnownHold,
): (Unknown & { readonly id: UnknownId })[] {
  const { heightMm, setbackMm } = rig.tolerance
  const ofRig = {
    'pivot-height': heightMm,
    setback: setbackMm,
    'setback-b': setbackMm,
    'centre-offset': holdTolerance.centreOffsetMm,
    tilt: holdTolerance.tiltDeg,
  } as const
  return [
    ...movableOn(rig).flatMap((id) => (id === 'face-offset' ? [] : [{ id, stoneId: null, tolerance: ofRig[id] }])),
    ...stones.map(({ id, faceOffsetToleranceMm }) => ({
      id: 'face-offset' as const,
      stoneId: id,
      tolerance: faceOffsetToleranceMm,
    })),
  ].filter(({ tolerance }) => tolerance > 0)
}
