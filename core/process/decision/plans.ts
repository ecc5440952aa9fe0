import equal from 'fast-deep-equal'
import { lastOf, nth } from '../../math/list'
import type { Refusal } from '../../schema/refusal'
import { bevelSectionOf } from '../../steel/bevel/bevelSectionOf'
import { asThickAs } from '../../records/blade/taper'
import { zoneAt, type Zone } from '../../records/blade/zones'
import type { Side } from '../../records/common/side'
import { evenEdgePoints, type EdgePoint } from '../../math/curve/edgePoints'
import { adviseDial } from '../../geometry/dial/advised'
import type { FoundFace } from '../../observe/marker/findBevel'
import type { DialSetting } from '../../records/rig/dials/readings'
import { contactFor, type Setup } from '../../geometry/setup/setup'
import type { Stone } from '../../records/stone/stone'
import { CHOICES, type Choice } from '../../log/choices'
import { decide, sharpeningsTo, type Decision } from './decide'
import {
  planSide,
  sharpeningsLeft,
  thickEnoughMm,
  thinningMm3,
  type PlannedPlace,
  type ZonePlan,
} from '../../steel/removal/plan'
import { coarsestSensible } from '../../steel/stones/coarsestSensible'
import { secondsPerStroke } from '../../steel/stones/pace'
import { stoneRate, strokesToRemove, type Range90, type StoneRate } from '../../steel/stones/rate'

/** What was found of one side zone by zone, and what is wanted of it. */
export interface SideFound {
  readonly side: Side
  readonly faces: readonly FoundFace[]
  readonly wantedDeg: number
}

/** What is there on a side: its mean along the edge, and the half-width of its uncertainty, degrees. */
export interface SideThere {
  readonly side: Side
  readonly thereDeg: number
  readonly uncertaintyDeg: number
  readonly wantedDeg: number
}

/** One side of a plan: what is dialled and what it comes to. */
export interface GroundSide {
  readonly ok: true
  readonly side: Side
  readonly deg: number
  readonly setting: DialSetting
  /** What the rig gives so dialled, at the place that the dial is for: it may have no nearer setting. */
  readonly setDeg: number
  readonly zones: readonly ZonePlan[]
  readonly removedMm3: number
  /** The same with the bevel as flat and as steep as it may be. */
  readonly rangeMm3: readonly [least: number, most: number]
  /** Of the new face. */
  readonly faceMm2: number
  /** On the plan's stone; null where there is none. */
  readonly strokes: Range90 | null
  readonly left: number
  /** What thinning takes first; 0 where it is thin enough. */
  readonly thinningMm3: number
  /** The place of the edge that has the fewest sharpenings left. */
  readonly firstDue: PlaceFromHeel
}

/** A place of the edge, and how far it is from the heel along it. */
export interface PlaceFromHeel {
  readonly place: PlannedPlace
  readonly fromHeelMm: number
}

/** A side that cannot be ground, and why. */
export interface RefusedSide {
  readonly ok: false
  readonly side: Side
  readonly deg: number
  readonly refusal: Refusal
}

export type SideOfPlan = GroundSide | RefusedSide

export interface Plan<S> {
  readonly choice: Choice
  readonly sides: readonly SideOfPlan[]
  /** Until the wanted angle is there. */
  readonly sharpenings: number
  /** A plan before this one that the rig dials alike on every side. */
  readonly sameAs: Choice | null
  /** The coarsest sensible one; null where a side cannot be ground, or no stone takes steel off. */
  readonly stone: S | null
  /** At that stone, all of its sides: one of a blade with a single bevel. */
  readonly minutes: number | null
}

export interface Plans<S> {
  readonly there: readonly SideThere[]
  readonly advised: Decision
  /** The advised one first. */
  readonly plans: readonly Plan<S>[]
}

const PLACES = 60
/** Sharpenings left are counted at one place in so many. */
const COUNTED_AT = 10
/** A tenth of a degree is the finest that is dialled for. */
const rounded = (deg: number): number => Math.round(deg * 10) / 10

/**
 * Follow the bevel that was found, cut the wanted one, or go step by step: each in full, with what the rig dials for it
 * at a place of the edge, and which is advised. Source: docs/ink.md, "Follow, cut, or step by step".
 */
export function plansFor<S extends Stone>(ask: {
  readonly setup: Setup
  /** The place that the dial is for. */
  readonly edgePoint: EdgePoint
  readonly zones: readonly Zone[]
  readonly sides: readonly SideFound[]
  readonly stones: readonly S[]
  /** How far the apex goes back, mm: past the deepest chip; absent: as far as a worn one. */
  readonly lostMm?: number
  /** What a stone takes with a stroke; absent: by its grain. */
  readonly rateOf?: (stone: S) => StoneRate
  /** As long as a stroke takes, seconds; absent: the usual. */
  readonly pace?: number
}): Plans<S> {
  const { setup, edgePoint, zones, sides, stones, lostMm, rateOf = byGrain, pace = secondsPerStroke([]) } = ask
  const edgePoints = evenEdgePoints(setup.blade.edge, PLACES)
  const there = sides.map((side) => sideThere(side, zones))
  const sharpenings = Math.max(...there.map(({ thereDeg, wantedDeg }) => sharpeningsTo(thereDeg, wantedDeg)))
  const degOf: Record<Choice, (of: SideThere) => number> = {
    follow: ({ thereDeg }) => thereDeg,
    cut: ({ wantedDeg }) => wantedDeg,
    nearer: ({ thereDeg, wantedDeg }) => thereDeg + (wantedDeg - thereDeg) / sharpenings,
  }
  const worked = CHOICES.filter((choice) => choice !== 'nearer' || sharpenings > 1).map((choice) => {
    const ground = sides.map((side, i) =>
      groundAt(side, rounded(degOf[choice](nth(there, i))), nth(there, i).uncertaintyDeg),
    )
    return { choice, sharpenings: choice === 'nearer' ? sharpenings : 1, ...onOneStone(ground, stones, rateOf, pace) }
  })
  const cut = worked.find(({ choice }) => choice === 'cut')
  const advised = decide(there, cut?.sides.every(({ ok }) => ok) ? (cut.minutes ?? Infinity) : null)
  const ordered = worked.sort((a, b) => Number(b.choice === advised.choice) - Number(a.choice === advised.choice))
  return {
    there,
    advised,
    plans: ordered.map((plan, i) => ({ ...plan, sameAs: sameDialled(ordered.slice(0, i), plan) })),
  }

  function groundAt({ side, faces }: SideFound, deg: number, uncertaintyDeg: number): Unstroked | RefusedSide {
    const advice = adviseDial(setup, side, deg, edgePoint)
    if (!advice.ok) return { ok: false, side, deg, refusal: advice }
    const along = placesOf(side, faces, advice.setting)
    if (!along.ok) return { ok: false, side, deg, refusal: along }
    const { places } = along
    const plan = planSide(places, lostMm)
    if (!plan.ok) return { ok: false, side, deg, refusal: plan }
    const ends = [-uncertaintyDeg, uncertaintyDeg].flatMap((byDeg) => {
      const other = planSide(
        places.map((place) => steeper(place, byDeg)),
        lostMm,
      )
      return other.ok ? [other.removedMm3] : []
    })
    const mostMm = thickEnoughMm(deg) * (setup.blade.bevels === 'A' ? 1 : 0.5)
    const due = places
      .map((place, i) => ({ place, fromHeelMm: nth(edgePoints, i).fromHeelMm }))
      .filter((_, i) => i % COUNTED_AT === 0)
      .map((at) => ({ ...at, left: sharpeningsLeft(at.place, mostMm) }))
      .reduce((first, one) => (one.left < first.left ? one : first))
    return {
      ...plan,
      side,
      deg,
      setting: advice.setting,
      setDeg: advice.givesDeg,
      rangeMm3: [Math.min(plan.removedMm3, ...ends), Math.max(plan.removedMm3, ...ends)] as const,
      left: due.left,
      thinningMm3: thinningMm3(places, mostMm),
      firstDue: due,
    }
  }

  /** The edge of a side as it would be ground with a setting; or why the stone cannot lie on all of it. */
  function placesOf(side: Side, faces: readonly FoundFace[], setting: DialSetting): Places | Refusal {
    const total = lastOf(edgePoints).fromHeelMm
    const places: PlannedPlace[] = []
    for (const [i, at] of edgePoints.entries()) {
      const contact = contactFor(setup, side, setting, at)
      if (!contact.ok) return contact
      const blade = asThickAs(setup.blade, at.fromHeelMm / total)
      const zone = zoneAt(zones, at.fromHeelMm)
      const section = bevelSectionOf(blade, side, nth(faces, zone).angle.middleDeg)
      places.push({
        zone,
        // The first and the last stand for half a stretch.
        lengthMm: (total / (PLACES - 1)) * (i === 0 || i === PLACES - 1 ? 0.5 : 1),
        shoulderMm: section.shoulderMm,
        primaryDeg: section.primaryHalfAngleDeg,
        face: section.face,
        heightMm: blade.widthMm,
        thereDeg: { apex: nth(faces, zone).angle.middleDeg, shoulder: nth(faces, zone).shoulder.middleDeg },
        newDeg: contact.edgeAngleDeg,
      })
    }
    return { ok: true, places }
  }
}

interface Places {
  readonly ok: true
  readonly places: readonly PlannedPlace[]
}

function sideThere({ side, faces, wantedDeg }: SideFound, zones: readonly Zone[]): SideThere {
  // Zones set by hand need not cover the edge.
  const coveredMm = zones.reduce((sum, { fromMm, toMm }) => sum + toMm - fromMm, 0)
  const mean = (of: (face: FoundFace) => number) =>
    zones.reduce((sum, { fromMm, toMm }, i) => sum + of(nth(faces, i)) * (toMm - fromMm), 0) / coveredMm
  return {
    side,
    wantedDeg,
    thereDeg: mean(({ angle, shoulder }) => (angle.middleDeg + shoulder.middleDeg) / 2),
    uncertaintyDeg: mean(({ angle }) => (angle.toDeg - angle.fromDeg) / 2),
  }
}

/** A bevel cannot be flatter than this, degrees. */
const FLATTEST_DEG = 1
const steeper = (place: PlannedPlace, byDeg: number): PlannedPlace => {
  const { apex, shoulder } = place.thereDeg
  const moved = (deg: number) => Math.max(FLATTEST_DEG, deg + byDeg)
  return { ...place, thereDeg: { apex: moved(apex), shoulder: moved(shoulder) } }
}

type Unstroked = Omit<GroundSide, 'strokes'>

/** One stone for all sides: the one with the least to take for its face says what is too coarse. */
function onOneStone<S extends Stone>(
  ground: readonly (Unstroked | RefusedSide)[],
  stones: readonly S[],
  rateOf: (stone: S) => StoneRate,
  pace: number,
) {
  const done = ground.filter((one) => one.ok)
  const [least] = [...done].sort((a, b) => a.removedMm3 / a.faceMm2 - b.removedMm3 / b.faceMm2)
  const stone =
    least && done.length === ground.length ? coarsestSensible(stones, least.removedMm3, least.faceMm2) : null
  const strokes = (mm3: number) => stone && strokesToRemove(mm3, rateOf(stone))
  const all = done.reduce((sum, { removedMm3 }) => sum + (strokes(removedMm3)?.middle ?? 0), 0)
  return {
    stone,
    minutes: stone && (all * pace) / 60,
    sides: ground.map((one): SideOfPlan => (one.ok ? { ...one, strokes: strokes(one.removedMm3) } : one)),
  }
}
const byGrain = ({ grainUm }: Stone): StoneRate => stoneRate(grainUm, [])

type Dialled = Pick<Plan<Stone>, 'choice' | 'sides'>
const settingOf = (side: SideOfPlan) => (side.ok ? side.setting : null)
const sameDialled = (before: readonly Dialled[], plan: Dialled): Choice | null =>
  before.find(({ sides }) => sides.every((side, i) => side.ok && equal(side.setting, settingOf(nth(plan.sides, i)))))
    ?.choice ?? null
