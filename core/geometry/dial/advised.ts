import { refuse, type Refusal } from '../../schema/refusal'
import { bladeHeightMm } from '../clamping/bladeHeight'
import type { Side } from '../../records/common/side'
import type { EdgePoint } from '../../math/curve/edgePoints'
import { bladeHeightFor, type BladeHeightFor } from './bladeHeightFor'
import { whatToDial, type DialAdvice } from './whatToDial'
import { gripOf } from '../hold/grip'
import { jawFit } from '../hold/holdChecks'
import type { DialSetting } from '../../records/rig/dials/readings'
import { contactsAlong } from '../contact/contact'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import { CLEARANCE_TOLERANCE_DEG, shortOverJawsDeg } from '../hold/jawClearance'
import { heightOfSetting } from '../../records/rig/dial'
import { isWorked, rodPosesAt, type Setup } from '../setup/setup'

/**
 * What a person may be told to dial: whatToDial, but nothing for a blade that the jaws do not hold ('not-held') or that
 * slips out of them ('slips-out': `limitMm` is the thickest spine they hold, mm; 'false-edge'); nothing at which some
 * place that is worked has no angle, for the rod or its stops do not reach it (as contactAt refuses there); and nothing
 * at which the stone would meet the jaws ('stone-meets-jaws': `limitDeg` is the lowest edge angle that clears them
 * there, degrees; 'jaws-in-the-way' where none does).
 */
export function adviseDial(setup: Setup, side: Side, wantedDeg: number, edgePoint: EdgePoint): DialAdvice | Refusal {
  const slips = slipsOut(setup)
  if (slips) return slips
  if (gripOf(setup.blade, setup.rig).trouble(setup.hold)) return refuse('not-held')
  const advice = whatToDial(setup, side, wantedDeg, edgePoint)
  return advice.ok ? (objectionAlong(setup, side, advice.setting, edgePoint) ?? advice) : advice
}

/** The spine is none that these jaws hold: it slips out of them. */
function slipsOut(setup: Setup): Refusal | null {
  const fit = jawFit(setup)
  if (fit?.verdict !== 'bad') return null
  return fit.falseEdge ? refuse('false-edge') : refuse('slips-out', { limitMm: fit.mostMm })
}

/** So many places of an edge are asked whether the stone reaches them and clears the jaws there. */
const PLACES_ALONG = 60

/**
 * What stands against a setting somewhere along the edge that is worked: the stone does not reach that place, or would
 * meet the jaws there; null where nothing does. `limitDeg`: the angle at the edge point from which on it clears them.
 */
function objectionAlong(setup: Setup, side: Side, setting: DialSetting, edgePoint: EdgePoint): Refusal | null {
  const height = heightOfSetting(setup.rig, setting)
  if (!height.ok) return height
  const over = rodPosesAt(setup, side, height.heightMm)
  const places = evenEdgePoints(setup.blade.edge, PLACES_ALONG).filter((place) => isWorked(setup, place))
  const along = contactsAlong([edgePoint, ...places], setup.hold, over)
  const [contact] = along
  for (const there of along) if (!there.ok) return there
  if (!setup.rig.jaws || !contact?.ok) return null
  const shortDeg = shortOverJawsDeg(setup, side, setup.rig.jaws, along)
  if (shortDeg === Infinity) return refuse('jaws-in-the-way')
  return shortDeg > CLEARANCE_TOLERANCE_DEG
    ? refuse('stone-meets-jaws', { limitDeg: contact.edgeAngleDeg + shortDeg })
    : null
}

/**
 * How far out a person may be told to stand the blade: bladeHeightFor, but never so that the stone would not reach all
 * that is worked or would meet the jaws (as above), or that the jaws would not hold it
 * ('jaws-reach-to': `limitMm` is the blade height, mm, that they hold it to, in the direction that was needed;
 * 'not-held' where they hold it at no height here; 'slips-out' as above).
 */
export function adviseBladeHeight(
  setup: Setup,
  side: Side,
  setting: DialSetting,
  wantedDeg: number,
  edgePoint: EdgePoint,
): BladeHeightFor | Refusal {
  const slips = slipsOut(setup)
  if (slips) return slips
  const solved = bladeHeightFor(setup, side, setting, wantedDeg, edgePoint)
  if (!solved.ok) return solved
  const grip = gripOf(setup.blade, setup.rig)
  if (!grip.trouble(solved.hold))
    return objectionAlong({ ...setup, hold: solved.hold }, side, setting, edgePoint) ?? solved
  const heights = grip.heightsMm(setup.hold, edgePoint)
  if (!heights) return refuse('not-held')
  const furtherOut = solved.bladeHeightMm > bladeHeightMm(edgePoint, setup.hold)
  return refuse('jaws-reach-to', { limitMm: heights[furtherOut ? 1 : 0] })
}
