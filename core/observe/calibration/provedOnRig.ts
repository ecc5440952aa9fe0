import { isOneOf } from '../../schema/keys'
import { nth } from '../../math/list'
import type { Blade } from '../../records/blade/blade'
import type { KnownHold } from '../../records/job/knownHold'
import { edgePointAt } from '../../math/curve/edgePoints'
import { uncertaintyBudget, totalUncertaintyDeg } from '../../uncertainty/budget'
import type { Proof } from '../../log/entry'
import { settingOn } from '../../log/setupSnapshot'
import { heightOfSetting } from '../../records/rig/dial'
import { RIG_UNKNOWNS, type UnknownId } from '../../records/rig/unknowns'
import { fittedAt } from '../../records/rig/fittedAt'
import { restsOnTable } from '../../records/rig/kinds'
import type { Rig } from '../../records/rig/rig'
import { contactFor, type Setup } from '../../geometry/setup/setup'
import type { Stone } from '../../records/stone/stone'
import type { ProvedAngle, Unknown } from './fitRig'

/**
 * What may move on a rig of this kind. The arms of an upright one have each a height and a setback of their own. On a
 * table no jaws hold the blade.
 */
export function freeParameters(rig: Rig): UnknownId[] {
  const without: UnknownId[] = [
    ...(rig.pivotB ? [] : (['pivot-height-b', 'setback-b'] as const)),
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
  | 'not-cut'
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
  /** As it is on this rig. */
  stone(id: string | null): Stone | undefined
  /** How well it was known how the blade was held. */
  known(jobId: string | null): KnownHold
  /** Stones whose faces are surely right: they do not move, though others may. */
  readonly fixedStones?: readonly string[]
}

/**
 * The proofs of a rig, those that tell something of its measures and the others with the reason. Each is as uncertain
 * as its reading and all that differs from hold to hold; `moving`: what may move is not counted into it. Source:
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
  const { by, toApex, finish, setup: cutWith, side, deg } = proof
  if (by !== 'goniometer') return 'not-goniometer'
  if (finish === 'convex') return 'convex'
  if (toApex === null) return 'apex-not-said'
  if (!toApex) return 'not-to-apex'
  const setting = settingOn(cutWith, side)
  if (!cutWith?.hold || !setting) return 'not-cut'
  if (lookup.rig.calibratedBy.includes(proof.id)) return 'counted-before'
  const [blade, stone] = [lookup.blade(proof.bladeId), lookup.stone(proof.stoneId)]
  if (!blade || !stone) return 'blade-or-stone-gone'
  const setup: Setup = { rig: lookup.rig, blade, stone, hold: cutWith.hold }
  const height = heightOfSetting(lookup.rig, setting)
  const edgePoint = edgePointAt(blade.edge, proof.placeMm ?? 0)
  if (!height.ok || !contactFor(setup, side, setting, edgePoint).ok) return 'no-angle'
  const budget = uncertaintyBudget(setup, lookup.known(proof.jobId), side, height.heightMm, edgePoint)
  const fixedFace = lookup.fixedStones?.includes(proof.stoneId ?? '') ?? false
  const moves = (id: UnknownId) => moving.includes(id) && !(id === 'face-offset' && fixedFace)
  const differs = budget.filter(({ id }) => !(isOneOf(RIG_UNKNOWNS, id) && moves(id)))
  const { againOffsetMm, againTiltDeg } = lookup.rig.tolerance
  const again = (
    [
      ['centre-offset', againOffsetMm],
      ['tilt', againTiltDeg],
    ] as const
  ).map(([id, by]) => (moving.includes(id) ? by * (budget.find((share) => share.id === id)?.perUnitDeg ?? 0) : 0))
  return {
    setup,
    side,
    pivotHeightMm: height.heightMm,
    edgePoint,
    stoneId: proof.stoneId!,
    deg,
    uncertaintyDeg: Math.hypot(proof.uncertaintyDeg, totalUncertaintyDeg(differs), ...again),
  }
}

/** What may move on a rig with these stones, as they are on it; tolerances as they are known now. */
export function unknownsOf(
  rig: Rig,
  stones: readonly KnownStone[],
  { holdTolerance }: KnownHold,
): (Unknown & { readonly id: UnknownId })[] {
  const written: Record<Exclude<UnknownId, 'face-offset'>, number> = {
    'pivot-height': rig.tolerance.heightMm,
    'pivot-height-b': rig.tolerance.heightMm,
    setback: rig.tolerance.setbackMm,
    'setback-b': rig.tolerance.setbackMm,
    'centre-offset': holdTolerance.centreOffsetMm,
    tilt: holdTolerance.tiltDeg,
  }
  const known = (id: UnknownId, stone: KnownStone | null, tolerance: number) => {
    const before = rig.fitted?.measures[fittedAt(rig, id, stone)]
    return { id, stoneId: stone?.id ?? null, tolerance: before?.uncertainty ?? tolerance }
  }
  return [
    ...freeParameters(rig).flatMap((id) => (id === 'face-offset' ? [] : [known(id, null, written[id])])),
    ...stones.map((stone) => known('face-offset', stone, stone.faceOffsetToleranceMm)),
  ].filter(({ tolerance }) => tolerance > 0)
}
type KnownStone = Stone & { readonly id: string }

/** How unknowns hang together by what the rig was calibrated by before, as FitAsk has it. */
export function priorCorrelation(rig: Rig, stones: readonly KnownStone[], unknowns: readonly Unknown[]): number[][] {
  const rows = unknowns.map(({ id, stoneId }) =>
    fittedAt(rig, id, stones.find((stone) => stone.id === stoneId) ?? null),
  )
  return rows.map((row, k) =>
    rows.map((other, j) => (k === j ? 1 : row < 0 || other < 0 ? 0 : nth(nth(rig.fitted!.correlation, row), other))),
  )
}
