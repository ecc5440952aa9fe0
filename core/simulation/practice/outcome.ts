import type { Side } from '../../records/common/side'
import type { InkPattern } from '../../log/choices'
import { seenAs, type Exposed } from '../../observe/marker/exposed'
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

/** What was told of one zone after a pass, and what an eye that errs in nothing would have observed. */
export interface ObservedAndShown {
  readonly side: Side
  readonly zone: string
  readonly observed: { readonly seen: InkPattern; readonly fraction: number }
  readonly shown: Exposed
}

export interface PracticeOutcome {
  readonly zones: readonly ZoneOutcome[]
  readonly observed: readonly ObservedAndShown[]
  /** What the passes that were told took off the blade, mm³. */
  readonly steelMm3: number
}

/** One zone as it was told after a pass. */
export interface PracticeObservation {
  readonly side: Side
  readonly zone: string
  readonly lengthMm: number
  /** The number of the pass. */
  readonly pass: number
  readonly setDeg: number
  readonly seen: InkPattern
  readonly fraction: number
}

/**
 * What a practice came to, held against the hidden blade: each zone of the sides that were looked at, each telling, and
 * the steel: half of the contact depth, where a pass exposed the face. Source: docs/ink.md, "Practice".
 */
export function outcomeOf(
  blade: HiddenBlade,
  zones: readonly string[],
  found: readonly { readonly side: Side; readonly faces: readonly (FoundFace | null)[] }[],
  observed: readonly PracticeObservation[],
): PracticeOutcome {
  const passes = observed.map((one) => ({ ...one, bare: blade.pass(one.side, one.zone, one.setDeg, one.pass) }))
  return {
    zones: found.flatMap(({ side, faces }) =>
      zones.map((zone, i): ZoneOutcome => {
        const { shoulderDeg, apexDeg } = blade.face(side, zone)
        const face = faces[i] ?? null
        const hidden = face && face.kind !== 'flat' ? apexDeg : (shoulderDeg + apexDeg) / 2
        return { side, zone, truthDeg: hidden - blade.rigErrorDeg, foundDeg: face && face.angle.middleDeg }
      }),
    ),
    observed: passes.map(({ side, zone, seen, fraction, bare }) => ({
      side,
      zone,
      observed: { seen, fraction },
      shown: seenAs(bare),
    })),
    steelMm3: passes.reduce((sum, { side, zone, lengthMm, bare }) => {
      const fraction = bare.reduce((all, [from, to]) => all + to - from, 0)
      return sum + fraction * blade.face(side, zone).widthMm * lengthMm * (blade.depthUm / 2000)
    }, 0),
  }
}
