import { secantRoot } from '../contact/solve'
import type { Side } from '../../records/common/side'
import type { Station } from '../../math/curve/stations'
import { reacherAt, type Setup } from '../setup/setup'

/**
 * The pivot height (mm above the clamp's centre plane, or the table) that must be exceeded for the stone to come down
 * to the edge at a station at all. Source: docs/geometry.md, "Limits".
 */
export const lowestPivotHeightMm = (setup: Setup, side: Side, station: Station): number =>
  secantRoot(
    (heightMm) => reacherAt(setup, side, heightMm, station).pivot.w - setup.stone.faceOffsetMm,
    setup.stone.faceOffsetMm,
  ) ?? setup.stone.faceOffsetMm
