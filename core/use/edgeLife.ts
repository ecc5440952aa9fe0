import type { Outcome, UseUnit } from '../log/choices'
import { kaplanMeier, medianLife, type Lifetime, type SurvivalStep } from '../math/statistics/kaplanMeier'
import type { Sharpening } from './sharpenings'

/** What the life of an edge is counted in. */
export type LifeUnit = 'days' | UseUnit

/** How long edges of one setting have cut. */
export interface EdgeLife {
  /** Degrees per side, to the nearest whole one; null where the angle is not known. */
  readonly deg: number | null
  readonly edges: number
  /** Of these: dull or damaged by now; the others still cut when they were last asked of. */
  readonly ended: number
  readonly curve: readonly SurvivalStep[]
  readonly median: ReturnType<typeof medianLife>
}

/** Fewer edges than these that came to their end tell nothing of others. */
const LEAST_ENDED = 2
const DAY_MS = 24 * 3600_000
const daysBetween = (from: string, to: string): number => Math.max(0, (Date.parse(to) - Date.parse(from)) / DAY_MS)

/**
 * How long one edge cut, or has cut so far: up to the first time that it was said or found to be dull or damaged, else
 * up to the last that it still cut. Null where nothing is known in this unit.
 */
function lastedIn({ at, outcomes, tests }: Sharpening, unit: LifeUnit): Lifetime | null {
  if (unit === 'days') {
    const said = outcomes.map((one) => ({ at: one.at, cuts: one.outcome === 'cuts-well' }))
    const all = [...said, ...tests].sort((one, other) => (one.at < other.at ? -1 : 1))
    const last = all.find(({ cuts }) => !cuts) ?? all.at(-1)
    return last ? { time: daysBetween(at, last.at), ended: !last.cuts } : null
  }
  const end = outcomes.find(({ outcome }) => outcome !== 'cuts-well')
  const of = end ?? outcomes.at(-1)
  if (!of) return null
  return of.amount?.unit === unit ? { time: of.amount.count, ended: end !== undefined } : null
}

/** How long edges last, angle by angle, the flattest first. Source: docs/use.md, "How long an edge lasts". */
export function edgeLives(sharpenings: readonly Sharpening[], unit: LifeUnit): EdgeLife[] {
  const known = sharpenings.flatMap((one) => {
    const lasted = lastedIn(one, unit)
    return lasted ? [{ deg: one.deg === null ? null : Math.round(one.deg), lasted }] : []
  })
  const degs = [...new Set(known.map(({ deg }) => deg))].sort((a, b) => (a ?? Infinity) - (b ?? Infinity))
  return degs.map((deg) => ({
    deg,
    ...lifeOf(known.filter((one) => one.deg === deg).map(({ lasted }) => lasted)),
  }))
}

/** The same of all edges of a blade together, whatever their angle. */
const edgeLife = (sharpenings: readonly Sharpening[], unit: LifeUnit): Omit<EdgeLife, 'deg'> =>
  lifeOf(sharpenings.flatMap((one) => lastedIn(one, unit) ?? []))

function lifeOf(lasted: readonly Lifetime[]): Omit<EdgeLife, 'deg'> {
  const curve = kaplanMeier(lasted)
  return {
    edges: lasted.length,
    ended: lasted.filter(({ ended }) => ended).length,
    ...{ curve, median: medianLife(curve) },
  }
}

/**
 * Whether edges of some angles last longer than those of others by more than chance explains: where the ranges of two
 * medians do not meet. Null where fewer than two angles have two edges that came to their end.
 */
export function livesDiffer(lives: readonly EdgeLife[]): boolean | null {
  const known = lives.filter(({ ended, median }) => ended >= LEAST_ENDED && median.least !== null)
  if (known.length < 2) return null
  const ranges = known.map(({ median }) => ({ least: median.least ?? 0, most: median.most ?? Infinity }))
  return ranges.some((one) => ranges.some((other) => other.least > one.most))
}

/** That the edge in use is dull: somebody said so, or it has been in use for longer than half of the others lasted. */
export type Dull =
  | { readonly is: 'said'; readonly outcome: Exclude<Outcome, 'cuts-well'> }
  | { readonly is: 'likely'; readonly days: number; readonly usualDays: number }

/** The edge that a blade was last given, and what tells when it is dull. */
export interface LastEdge {
  readonly jobId: string
  /** When it was put to use. */
  readonly at: string
  /** The last that was said of it; null where nothing was. */
  readonly said: Outcome | null
  /** Half of this blade's other edges lasted so many days; null where too few came to their end. */
  readonly usualDays: number | null
}

/** Half of a blade's edges lasted so many days; null where too few came to their end. */
export function usualDaysOf(sharpenings: readonly Sharpening[]): number | null {
  const { ended, median } = edgeLife(sharpenings, 'days')
  return ended >= LEAST_ENDED ? median.middle : null
}

/** Null where no edge was put to use. */
export function lastEdgeOf(sharpenings: readonly Sharpening[]): LastEdge | null {
  const last = sharpenings.at(-1)
  if (!last) return null
  const usualDays = usualDaysOf(sharpenings.slice(0, -1))
  const outcome = last.outcomes.at(-1)
  const test = last.tests.at(-1)
  // What was tried after the last that was said of it counts as said.
  const tried = test && (!outcome || test.at > outcome.at) ? (test.cuts ? 'cuts-well' : 'dulled') : null
  return { jobId: last.jobId, at: last.at, said: tried ?? outcome?.outcome ?? null, usualDays }
}

/** From when on an edge counts as dull: at once where somebody said so. Null where that cannot be said. */
export function dullFrom({ at, said, usualDays }: Pick<LastEdge, 'at' | 'said' | 'usualDays'>): string | null {
  if (said !== null && said !== 'cuts-well') return at
  return usualDays === null ? null : new Date(Date.parse(at) + usualDays * DAY_MS).toISOString()
}

/** Whether an edge is dull by now. Null where it is not, or cannot be said. */
export function dullBy(edge: Pick<LastEdge, 'at' | 'said' | 'usualDays'>, now: string): Dull | null {
  const from = dullFrom(edge)
  if (from === null || from > now) return null
  const { at, said, usualDays } = edge
  if (said !== null && said !== 'cuts-well') return { is: 'said', outcome: said }
  return usualDays === null ? null : { is: 'likely', days: daysBetween(at, now), usualDays }
}
