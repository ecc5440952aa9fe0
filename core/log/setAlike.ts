import equal from 'fast-deep-equal'
import type { ClampPosition } from '../records/job/clampPosition'
import type { Side } from '../records/common/side'
import type { SetupSnapshot } from './setupSnapshot'

/** What of a setup can have changed, in the order in which it is set. */
const SETUP_PARTS = ['rig', 'rig-measures', 'jaws', 'hold', 'stone', 'dial'] as const
export type SetupPart = (typeof SETUP_PARTS)[number]

const DIFFERS: Readonly<Record<SetupPart, (one: SetupSnapshot, other: SetupSnapshot, side: Side) => boolean>> = {
  rig: (one, other) => differ(one.rigId, other.rigId),
  'rig-measures': (one, other) => one.rigId === other.rigId && differ(one.rigRevision, other.rigRevision),
  jaws: (one, other) => differ(one.jawsName, other.jawsName),
  hold: (one, other) => differ(one.hold && placeOf(one.hold), other.hold && placeOf(other.hold)),
  stone: (one, other) => differ(one.stoneId, other.stoneId),
  dial: (one, other, side) => differ(one.setting[side], other.setting[side]),
}
/** Where the blade lies in the jaws: its centring may be known better since, and is no other hold. */
const placeOf = ({ bladeXMm, bladeYMm, turnDeg, restsOn }: ClampPosition) => [bladeXMm, bladeYMm, turnDeg, restsOn]
/** Whether both are known and not the same: what one entry did not say is not held against it. */
const differ = (one: unknown, other: unknown): boolean => one !== null && other !== null && !equal(one, other)

/** What differs between two setups for a side, as far as both said it. */
export const setupChanges = (one: SetupSnapshot, other: SetupSnapshot, side: Side): SetupPart[] =>
  SETUP_PARTS.filter((part) => DIFFERS[part](one, other, side))

/**
 * Whether a rig was set alike for a side, as far as both said it: its measures may be known better since, which turns
 * no screw.
 */
export const setAlike = (one: SetupSnapshot, other: SetupSnapshot, side: Side): boolean =>
  setupChanges(one, other, side).every((part) => part === 'rig-measures')
