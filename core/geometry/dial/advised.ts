import { refuse, type Refusal } from '../../schema/refusal'
import { bladeHeightMm } from '../clamping/bladeHeight'
import type { Side } from '../../records/common/side'
import { bladeHeightFor, type BladeHeightFor } from './bladeHeightFor'
import { pivotHeightFor } from './pivotHeightFor'
import { otherwiseDialled, whatToDial, type DialAdvice } from './whatToDial'
import { gripOf } from '../hold/grip'
import { jawFit } from '../hold/holdChecks'
import type { DialSetting } from '../../records/rig/dials/readings'
import { nth } from '../../math/list'
import { contactAt, contactsAlong, type Contact } from '../contact/contact'
import { curveLength } from '../../math/curve/arcLength'
import { edgePointAt, evenEdgePoints, type EdgePoint } from '../../math/curve/edgePoints'
import { CLEARANCE_TOLERANCE_DEG, shortAtEach, shortOverJawsDeg } from '../hold/jawClearance'
import { heightOfSetting, settingOfHeight, stepSetting } from '../../records/rig/dial'
import { isWorked, rodPoseAt, type Setup } from '../setup/setup'

/**
 * What a person may be told to dial: the setting nearest to the wanted angle that can be used (whatToDial's, else
 * another slot of a plate, or a mark next to it on other dials). Nothing for a blade that the jaws do not hold
 * ('not-held') or that slips out of them ('slips-out': `limitMm` is the thickest spine they hold, mm; 'false-edge');
 * nothing at which some place that is worked has no angle, for the rod or its stops do not reach it (as contactAt
 * refuses there); and nothing at which the stone would meet the jaws ('stone-meets-jaws': `limitDeg` is the lowest edge
 * angle that clears them there, degrees; 'jaws-in-the-way' where none does).
 */
export function adviseDial(setup: Setup, side: Side, wantedDeg: number, edgePoint: EdgePoint): DialAdvice | Refusal {
  const slips = slipsOut(setup)
  if (slips) return slips
  if (gripOf(setup.blade, setup.rig).trouble(setup.hold)) return refuse('not-held')
  const advice = whatToDial(setup, side, wantedDeg, edgePoint)
  if (!advice.ok) return advice
  const objection = objectionAlong(setup, side, advice.setting, edgePoint)
  if (!objection) return advice
  const others = otherwiseDialled(setup, side, advice, wantedDeg, edgePoint)
  const usable = others.find((one) => !objectionAlong(setup, side, one.setting, edgePoint))
  return usable ? { ...usable, nearerBarredBy: objection } : objection
}

/** The spine is none that these jaws hold: it slips out of them. */
function slipsOut(setup: Setup): Refusal | null {
  const fit = jawFit(setup)
  if (fit?.verdict !== 'bad') return null
  return fit.falseEdge ? refuse('false-edge') : refuse('slips-out', { limitMm: fit.mostMm })
}

/** So many places of an edge are asked whether the stone reaches them and clears the jaws there. */
const PLACES_ALONG = 60
/** And so many more on both sides of where it comes nearest to the jaws. */
const FINER = 8
/** Where the stone clears the jaws by more than this, it does so between that place and the next as well, degrees. */
const NEAR_DEG = 0.5

/**
 * What stands against a setting somewhere along the edge that is worked: the stone does not reach that place, or would
 * meet the jaws there; null where nothing does. `limitDeg`: the angle at the edge point from which on it clears them.
 */
function objectionAlong(setup: Setup, side: Side, setting: DialSetting, edgePoint: EdgePoint): Refusal | null {
  const height = heightOfSetting(setup.rig, setting)
  return height.ok ? objectionAt(setup, side, height.heightMm, edgePoint) : height
}

function objectionAt(setup: Setup, side: Side, pivotHeightMm: number, edgePoint: EdgePoint): Refusal | null {
  const { edge } = setup.blade
  const { jaws } = setup.rig
  const over = rodPoseAt(setup, side, pivotHeightMm)
  const there = contactAt(edgePoint, setup.hold, over)
  if (!there.ok) return there
  const places = evenEdgePoints(edge, PLACES_ALONG).filter((place) => isWorked(setup, place))
  const along: Contact[] = []
  for (const contact of contactsAlong(places, setup.hold, over)) {
    if (!contact.ok) return contact
    along.push(contact)
  }
  if (!jaws) return null
  const shortAt = shortAtEach(setup, side, jaws, along, NEAR_DEG)
  const nextMm = curveLength(edge) / (PLACES_ALONG - 1)
  const finer = peaks(shortAt).flatMap((i) =>
    Array.from({ length: 2 * FINER - 1 }, (_, n) =>
      edgePointAt(edge, nth(places, i).fromHeelMm + nextMm * ((n + 1) / FINER - 1)),
    ),
  )
  const between = shortOverJawsDeg(setup, side, jaws, [there, ...contactsAlong(finer, setup.hold, over)])
  const shortDeg = Math.max(between, ...shortAt)
  if (shortDeg === Infinity) return refuse('jaws-in-the-way')
  return shortDeg > CLEARANCE_TOLERANCE_DEG
    ? refuse('stone-meets-jaws', { limitDeg: there.edgeAngleDeg + shortDeg })
    : null
}

/** Where a row of figures is no lower than at the two beside it; not where it is −Infinity. */
const peaks = (row: readonly number[]): number[] =>
  row.flatMap((here, i) =>
    here > -Infinity && here >= (row[i - 1] ?? -Infinity) && here >= (row[i + 1] ?? -Infinity) ? [i] : [],
  )

/** A setting below what is needed, and a collar under the pivot that makes up for it. */
export interface WithCollar {
  readonly setting: DialSetting
  readonly collarMm: number
}

/**
 * How a rig that has no setting near enough comes to a wanted angle exactly: its next lower setting, and a collar. Null
 * where it has none below, or what stands against a setting (as above) stands against that height.
 */
export function adviseCollar(setup: Setup, side: Side, wantedDeg: number, edgePoint: EdgePoint): WithCollar | null {
  const exact = pivotHeightFor(setup, side, wantedDeg, edgePoint)
  if (slipsOut(setup) || gripOf(setup.blade, setup.rig).trouble(setup.hold)) return null
  if (!exact.ok || objectionAt(setup, side, exact.heightMm, edgePoint)) return null
  const nearest = settingOfHeight(setup.rig, exact.heightMm)
  for (const setting of [nearest, stepSetting(setup.rig, nearest, -1)]) {
    const height = heightOfSetting(setup.rig, setting)
    if (height.ok && height.heightMm <= exact.heightMm) return { setting, collarMm: exact.heightMm - height.heightMm }
  }
  return null
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
