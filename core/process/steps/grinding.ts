import { ofKind } from '../../log/activeEntries'
import type { Strokes } from '../../log/entry'
import { steelStrokes } from '../../log/steelStrokes'
import { isOfUse, stoneDoneOn } from '../../log/stoneDone'
import { isOfEarlierVersion, type SetupSnapshot } from '../../log/setupSnapshot'
import { lastOf, nth } from '../../math/list'
import type { Side } from '../../records/common/side'
import { isForMicroBevel, stoneUses, wantedWith, type StoneUse } from '../../records/job/stoneUses'
import { changedSince, done, doneUnless, HELD_WITH, MISSING, step } from './makeStep'
import { heldIn, type JobAsked } from './jobNow'
import { nearestDialDeg } from './nearestDial'
import { dialStep, holdPositionStep, readStep } from './settingUp'
import type { OutOfDate, Step, StepState } from './step'

/** Strokes made nearer than this to what is wanted now were made for it, degrees. */
export const SAME_ANGLE_DEG = 0.5
/** And this much further off than the best the rig can do, as near as it comes, degrees. */
const AS_NEAR_DEG = 0.1

/** The strokes that took steel off a side; of a long blade those of one clamping position, or, null, of all. */
export const strokesOn = ({ found }: Pick<JobAsked, 'found'>, side: Side, position: number | null): Strokes[] =>
  onSide(steelStrokes(found), side, position)
const onSide = (strokes: readonly Strokes[], side: Side, position: number | null): Strokes[] =>
  strokes.filter((one) => one.side === side && (position === null || one.setup?.position === position))

const usesOf = ({ job, against }: JobAsked): StoneUse[] => stoneUses(job, (id) => against.stoneOf(id)?.kind)

export function stonesStep(now: JobAsked): Step {
  const state = now.job.progression.length > 0 ? done({ at: null, count: now.job.progression.length }) : MISSING
  return step(now, 'stones', { state, toDo: { does: 'choose-stones' } })
}

/** What is ground in a clamping position (null: in the one hold there is): for each use of a stone, each side. */
export interface Grinding {
  readonly position: number | null
  readonly byStone: readonly (readonly Step[])[]
}
export function grindingIn(now: JobAsked, position: number | null): Grinding {
  const held = heldIn(now, position)
  const byStone = usesOf(now).map((use) => now.sides.map((side) => grindStep(held, use, side, position)))
  return { position, byStone }
}
const areDone = (steps: readonly Step[]): boolean => steps.every(({ state }) => state.is === 'done')

/** The first clamping position that is not ground with every stone; null where there is none. */
export const positionToGrind = (all: readonly Grinding[]): number | null =>
  all.find(({ position, byStone }) => position !== null && !areDone(byStone.flat()))?.position ?? null

/**
 * What is done in a clamping position: the blade is held in it; then each stone in its order is put on, dialled (and
 * read with the first), and ground with, side by side.
 */
export function stoneSteps(now: JobAsked, { position, byStone }: Grinding, reading: boolean): Step[] {
  if (position !== null && now.setNow.position !== position && !areDone(byStone.flat()))
    return [holdPositionStep(now, position), ...byStone.flat()]
  return byStone.flatMap((grinds, i) => {
    const use = nth(usesOf(now), i)
    if (areDone(grinds)) return grinds
    if (use.stoneId !== now.job.stoneId || use.forMicroBevel !== isForMicroBevel(now.job))
      return [step(now, 'put-on', { ...use, position, state: MISSING, toDo: { does: 'put-on' } }), ...grinds]
    return now.sides.flatMap((side, k) => {
      const grind = nth(grinds, k)
      if (grind.state.is === 'done') return [grind]
      const read = reading && i === 0 ? [readStep(now, side)] : []
      return [dialStep(now, side), ...read, grind]
    })
  })
}

/**
 * Strokes were made on a side with a stone, at this hold and for the angle that is wanted now, and a person said that
 * the stone has done its work: strokes alone say nothing of what they came to. Who puts the edge to use says it of all.
 */
function grindStep(now: JobAsked, use: StoneUse, side: Side, position: number | null): Step {
  const of = { side, ...use, position }
  const all = onSide(ofKind(now.found, 'strokes'), side, position)
  const made = all.filter((one) => isOfUse(one, use))
  // A proof of an earlier version says that its bevel was cut, and knows of no strokes.
  const cut = ofKind(now.found, 'proof').findLast(
    (one) => one.side === side && one.setup !== null && isOfEarlierVersion(one.setup),
  )
  if (all.length === 0 && cut && !use.forMicroBevel) return step(now, 'grind', { ...of, state: done({ at: cut.at }) })
  if (made.length === 0) return step(now, 'grind', { ...of, state: MISSING, toDo: { does: 'grind', strokes: 0 } })

  /** Why what was done with a setup is not what is to be done now. */
  function since(setup: SetupSnapshot | null): OutOfDate[] {
    // Worked in positions that were let go since, it was held otherwise in each.
    const letGo = position === null && setup !== null && setup.position !== null
    const parts = HELD_WITH.filter((part) => part !== 'hold' || !letGo)
    const because: OutOfDate[] = changedSince(now, setup, side, parts)
    const setDeg = setup?.setDeg[side] ?? null
    const isOff = setDeg !== null && because.length === 0 && !forWanted(now, side, use, setDeg)
    return isOff ? [...because, 'wanted'] : because
  }
  const { at, setup } = lastOf(made)
  const count = made.reduce((sum, one) => sum + one.count, 0)
  const because = since(setup)
  const toDo = { does: 'grind', strokes: because.length > 0 ? 0 : count } as const
  if (because.length > 0)
    return step(now, 'grind', { ...of, state: { is: 'out-of-date', fact: { at, count }, because }, toDo })
  const word = stoneDoneOn(now.found, of)
  const isDone = (word !== undefined && since(word.setup).length === 0) || wasUsedAfter(now, at)
  const state: StepState = isDone ? done({ at, count }) : { is: 'under-way', done: count, of: null }
  return step(now, 'grind', { ...of, state, toDo })
}
const wasUsedAfter = ({ found }: Pick<JobAsked, 'found'>, at: string): boolean =>
  ofKind(found, 'put-to-use').some((used) => used.at > at)

/** Whether a set angle is that of what is wanted now: near enough, or as near as the rig comes with that stone. */
function forWanted(now: JobAsked, side: Side, { stoneId, forMicroBevel }: StoneUse, setDeg: number): boolean {
  const { setup, job, against } = now
  const stone = stoneId === job.stoneId ? setup.stone : against.stoneOf(stoneId)
  if (!stone) return Math.abs(setDeg - job.wanted.deg[side]) <= SAME_ANGLE_DEG
  const offDeg = Math.abs(setDeg - wantedWith(job, side, stone, forMicroBevel))
  return offDeg <= SAME_ANGLE_DEG || offDeg <= nearestDialDeg(now, side, stone, forMicroBevel) + AS_NEAR_DEG
}

/** No burr is left, found after the last strokes. */
export function burrStep(now: JobAsked): Step {
  const toDo = { does: 'remove-burr' } as const
  const last = ofKind(now.found, 'sharpness').findLast(({ burr }) => burr !== null)
  const ground = steelStrokes(now.found).at(-1)
  const of = { toDo, askedSince: ground?.at }
  if (!last || last.burr !== 'none') return step(now, 'burr', { ...of, state: MISSING })
  const since = ground && ground.at > last.at ? (['ground-since'] as const) : []
  return step(now, 'burr', { ...of, state: doneUnless({ at: last.at }, since) })
}

/** Whether a burr was felt since a side was first ground: the bevel reaches the apex then. */
export function burrFelt(now: JobAsked, side: Side): boolean {
  const first = strokesOn(now, side, null)[0]
  const burrs = ofKind(now.found, 'sharpness').filter(({ burr }) => burr !== null && burr !== 'none')
  return first !== undefined && burrs.some(({ at }) => at > first.at)
}
