import { ofKind } from '../log/activeEntries'
import type { LogEntry, Sharpness } from '../log/entry'

/** What a sharpness test said of an edge in use. */
export interface TestOfEdge {
  readonly at: string
  readonly cuts: boolean
}

/** When an edge was ground last (empty: not known), when it was put to use, and when it was ground again, if it was. */
interface InUse {
  readonly ground: string
  readonly at: string
  readonly until: string | null
}

/** A thread that takes so many times the force that it took at first is cut by a dull edge. */
const DULL_FORCE = 1.5
const meanForce = ({ forcesG }: Sharpness): number | null =>
  forcesG.length === 0 ? null : forcesG.reduce((sum, grams) => sum + grams, 0) / forcesG.length

/**
 * What sharpness tests say of an edge in use. Paper and light say by themselves whether it cuts; a thread does against
 * the force that it took before use, since the edge was ground; what a strop or a magnifier finds says neither. Log:
 * active entries with the blade, oldest first. Source: docs/use.md, "How long an edge lasts".
 */
export function testsOfEdge(log: readonly LogEntry[], { ground, at, until }: InUse): TestOfEdge[] {
  const tests = ofKind(log, 'sharpness')
  const first = tests.findLast((one) => one.test === 'thread' && one.at > ground && one.at <= at)
  const fresh = first ? meanForce(first) : null
  return tests
    .filter((one) => one.at > at && (until === null || one.at < until))
    .flatMap((one): TestOfEdge[] => {
      if (one.test === 'paper' || one.test === 'light') return [{ at: one.at, cuts: one.zones.length === 0 }]
      const force = one.test === 'thread' ? meanForce(one) : null
      return force === null || fresh === null ? [] : [{ at: one.at, cuts: force < DULL_FORCE * fresh }]
    })
}
