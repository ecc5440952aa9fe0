import { ofKind } from '../../log/activeEntries'
import { steelStrokes } from '../../log/steelStrokes'
import type { StepId } from '../../log/stepIds'
import { EXPECTED } from '../purposes'
import { angleAsGround } from './asGround'
import { decideStep, markStep } from './bevel'
import { wantedAtApexDeg } from '../../records/job/stoneUses'
import { burrStep, grindingIn, positionToGrind, stonesStep, stoneSteps } from './grinding'
import { asked, positionsOf, type JobAsked, type JobNow } from './jobNow'
import { done, doneUnless, MISSING, step } from './makeStep'
import { proofSteps } from './proving'
import { dialStep, heightSteps, holdStep, readStep, wantedStep } from './settingUp'
import { isOpen, type Step } from './step'

/**
 * The steps that a job's purpose expects, in the order of the work, each with the fact that completes it or what is
 * missing. Source: docs/process.md.
 */
export function stepsOf(job: JobNow): Step[] {
  const now = asked(job)
  const expected = (id: StepId) => EXPECTED[now.purpose].includes(id)
  const steps: Step[] = []
  if (expected('wanted')) steps.push(wantedStep(now))
  const grinding = expected('grind') ? positionsOf(now).map((position) => grindingIn(now, position)) : []
  steps.push(holdStep(now, positionToGrind(grinding)), ...heightSteps(now))
  const marks = expected('mark') ? markSteps(now) : []
  steps.push(...marks)
  // Where the person looks for no bevel there is nothing to decide about.
  const looked = marks.some(({ id, state }) => id === 'mark' && state.is !== 'left-out')
  if (expected('decide') && looked) steps.push(decideStep(now))
  if (expected('stones')) steps.push(stonesStep(now))
  if (!expected('grind')) return steps
  steps.push(...grinding.flatMap((one) => stoneSteps(now, one, expected('read'))))
  steps.push(burrStep(now), ...now.sides.flatMap((side) => proofSteps(now, side)))
  steps.push(...usingSteps(now, steps))
  return steps
}

/** The bevel of each side is looked for at a setting: the first one is that of the wanted angle. */
function markSteps(now: JobAsked): Step[] {
  return now.sides.flatMap((side) => {
    const mark = markStep(now, side)
    if (mark.state.is !== 'missing') return [mark]
    const reading = EXPECTED[now.purpose].includes('read') ? [readStep(now, side)] : []
    return [dialStep(now, side), ...reading, mark]
  })
}

function usingSteps(now: JobAsked, before: readonly Step[]): Step[] {
  // What was accepted as it is counts as much as what came out right.
  const off = before.flatMap(({ id, side, state }) => {
    const provedDeg = state.is === 'done' || state.is === 'left-out' ? state.fact?.deg : undefined
    return id === 'prove' && side && provedDeg !== undefined ? [provedDeg - wantedAtApexDeg(now.job, side)] : []
  })
  const worst = off.length > 0 ? off.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a)) : null
  const isReady = before.every(({ state }) => !isOpen(state))
  const along = isReady ? now.sides.flatMap((side) => angleAsGround(now, side) ?? []) : []
  const used = ofKind(now.found, 'put-to-use').at(-1)
  const ground = steelStrokes(now.found).at(-1)
  const since = used && ground && ground.at > used.at ? (['ground-since'] as const) : []
  const put = step(now, 'put-to-use', {
    state: used ? doneUnless({ at: used.at }, since) : MISSING,
    toDo: { does: 'put-to-use', offDeg: worst, along },
  })
  const became = ofKind(now.found, 'outcome').findLast((one) => used !== undefined && one.at > used.at)
  return [
    put,
    step(now, 'outcome', { state: became ? done({ at: became.at }) : MISSING, toDo: { does: 'note-outcome' } }),
  ]
}
