import { secantRoot } from '../contact/solve'
import type { Side } from '../../records/common/side'
import { rodPoseAt, type Setup } from '../setup/setup'

/**
 * The pivot height (mm above the clamp's centre plane, or the table) that must be exceeded for the stone to come down
 * to the edge at all. Source: docs/geometry.md, "Limits".
 */
export const lowestPivotHeightMm = (setup: Setup, side: Side): number =>
  secantRoot(
    (heightMm) => rodPoseAt(setup, side, heightMm).pivot.w - setup.stone.faceOffsetMm,
    setup.stone.faceOffsetMm,
  ) ?? setup.stone.faceOffsetMm
