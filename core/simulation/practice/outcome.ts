import type { Side } from '../../records/common/side'
import type { InkPattern } from '../../log/choices'
import { seenAs, type Bared } from '../../observe/marker/bared'
import type { FoundFace } from '../../observe/marker/findBevel'
import type { HiddenBlade } from '../standIn/hiddenBlade'

/** What one zone of a practice blade came to. */
export interface ZoneOutcome {
  readonly side: Side
  readonly zone: string
  /** What the ink can tell on this rig: the hidden angle less what the rig sets more than it says, degrees. */
  readonly truthDeg: number
  /** The middle of what was found; null where nobody looked. */
  readonly foundDeg: number | null
}

/** What was told of one zone after a pass, and what an eye that errs in nothing would have told. */
export interface ToldAgainst {
  readonly side: Side
  readonly zone: string
  readonly told: { readonly seen: InkPattern; readonly share: number }
  readonly shown: Bared
}

export interface PracticeOutcome {
  readonly zones: readonly ZoneOutcome[]
  readonly told: readonly ToldAgainst[]
  /** What the passes that were told took off the blade, mm³. */
  readonly steelMm3: number
}

/** One zone as it was told after a pass. */
export interface PracticeTold {
  readonly side: Side
  readonly zone: string
  readonly lengthMm: number
  /** The number of the pass. */
  readonly pass: number
  readonly setDeg: number
  readonly seen: InkPattern
  readonly share: number
}

/**
 * What a practice came to, held against the hidden blade: each zone of the sides that were looked at, each telling, and
 * the steel: half of the contact depth, where a pass bared the face. Source: docs/ink.md, "Practice".
 */
export function outcomeOf(
  blade: HiddenBlade,
  zones: readonly string[],
  found: readonly { readonly side: Side; readonly faces: readonly (FoundFace | null)[] }[],
  told: readonly PracticeTold[],
): PracticeOutcome {
  const passes = told.map((one) => ({ ...one, bare: blade.pass(one.side, one.zone, one.setDeg, one.pass) }))
  return {
    zones: found.flatMap(({ side, faces }) =>
      zones.map((zone, i): ZoneOutcome => {
        const { shoulderDeg, apexDeg } = blade.face(side, zone)
        const face = faces[i] ?? null
        const hidden = face && face.kind !== 'flat' ? apexDeg : (shoulderDeg + apexDeg) / 2
        return { side, zone, truthDeg: hidden - blade.rigErrorDeg, foundDeg: face && face.angle.middleDeg }
      }),
    ),
    told: passes.map(({ side, zone, seen, share, bare }) => ({
      side,
      zone,
      told: { seen, share },
      shown: seenAs(bare),
    })),
    steelMm3: passes.reduce((sum, { side, zone, lengthMm, bare }) => {
      const share = bare.reduce((all, [from, to]) => all + to - from, 0)
      return sum + share * blade.face(side, zone).widthMm * lengthMm * (blade.depthUm / 2000)
    }, 0),
  }
}
