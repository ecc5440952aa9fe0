import { ofKind } from '../log/activeEntries'
import type { LogEntry, OutcomeEntry } from '../log/entry'
import { meanProof } from '../log/meanReading'
import { steelStrokes } from '../log/steelStrokes'
import type { Blade } from '../records/blade/blade'
import { SIDES, type Side } from '../records/common/side'
import { testsOfEdge, type TestOfEdge } from './testsOfEdge'
import type { AngleUsed } from './threshold'

/** What became of an edge: it held, it failed, or a burr was left on it, which tells nothing of its angle. */
export type Became = 'held' | 'rolled' | 'chipped' | 'burr'

/** One sharpening of a blade, from the job that put the edge to use, and what became of it. */
export interface Sharpening {
  readonly jobId: string
  /** When the edge was put to use. */
  readonly at: string
  /** The angle of its apex, degrees per side, the mean of both sides; null where neither proof nor setting says it. */
  readonly deg: number | null
  /** Whether that was proved on all its sides; else it is what the rig was set to when it was ground last. */
  readonly isProved: boolean
  readonly outcomes: readonly OutcomeEntry[]
  /** What sharpness tests said of it in use, on this job or before the next one. */
  readonly tests: readonly TestOfEdge[]
  /** Null: nobody has said yet. */
  readonly became: Became | null
}

/** The factory edge of a new blade was overheated: so many of its first sharpenings tell nothing of its steel. */
export const FIRST_LEFT_OUT = 3

/**
 * The sharpenings of a blade, oldest first: one for each time that a job put its edge to use, also where it did so
 * again after more strokes. Log: active entries with the blade, oldest first.
 */
export function sharpeningsOf(log: readonly LogEntry[], { bevels }: Pick<Blade, 'bevels'>): Sharpening[] {
  const sides = bevels === 'A' ? (['A'] as const) : SIDES
  return ofKind(log, 'put-to-use').flatMap((put, i, all): Sharpening[] => {
    const { jobId, at } = put
    if (jobId === null) return []
    const again = all.slice(i + 1).find((later) => later.jobId === jobId)?.at ?? null
    const ofJob = log.filter((one) => one.jobId === jobId && (again === null || one.at < again))
    const ground = steelStrokes(ofJob).filter((one) => one.at < at)
    // What was ground after it is a new edge, whether that was put to use or not.
    const reground = steelStrokes(ofJob).find((one) => one.at > at)?.at ?? null
    const ofEdge = reground === null ? ofJob : ofJob.filter((one) => one.at < reground)
    const edges = sides.map((side) => edgeOfSide(ofEdge, side, ground))
    const degs = edges.flatMap((edge) => edge?.deg ?? [])
    const outcomes = ofKind(ofEdge, 'outcome').filter((one) => one.at >= at)
    const nextGround = steelStrokes(log).find((one) => one.at > at)?.at ?? null
    return [
      {
        ...{ jobId, at, outcomes },
        tests: testsOfEdge(log, { ground: ground.at(-1)?.at ?? '', at, until: nextGround }),
        deg: degs.length === sides.length ? degs.reduce((sum, deg) => sum + deg, 0) / sides.length : null,
        isProved: edges.every((edge) => edge?.is === 'proved'),
        became: becameOf(outcomes, ofEdge),
      },
    ]
  })
}

/** The angle of a side's apex, degrees: as it was proved, with its half-width, or as the rig was set for it. */
export type EdgeOfSide =
  | { readonly is: 'proved'; readonly deg: number; readonly uncertaintyDeg: number }
  | { readonly is: 'set'; readonly deg: number }

/**
 * What a job gave a side: what was proved since it was ground last, else what the rig was set to for that. Null where
 * it was not ground, or neither is known. Log: active entries of the job, oldest first. `ground`: strokes on stones.
 */
export function edgeOfSide(log: readonly LogEntry[], side: Side, ground = steelStrokes(log)): EdgeOfSide | null {
  const last = steelStrokes(log).findLast((one) => one.side === side)
  const since = ofKind(log, 'proof').filter(({ at, setup, toApex }) => {
    const isOfNow = last === undefined ? setup !== null : at > last.at
    return isOfNow && toApex !== false
  })
  const proved = meanProof(since, side)
  if (proved) return { is: 'proved', deg: proved.deg, uncertaintyDeg: proved.uncertaintyDeg }
  const deg = ground.findLast((one) => one.side === side)?.setup?.setDeg[side] ?? null
  return deg === null ? null : { is: 'set', deg }
}

/** An edge that failed once at its angle has failed there. */
function becameOf(outcomes: readonly OutcomeEntry[], log: readonly LogEntry[]): Became | null {
  const each = outcomes.map((one) => becameIn(one, log))
  return each.find((one) => one === 'chipped' || one === 'rolled') ?? each.at(-1) ?? null
}

/** Dull soon with nothing to see: chipped too small to see where the burr was removed with care, else a burr. */
function becameIn({ outcome, burrRemoved }: OutcomeEntry, log: readonly LogEntry[]): Became {
  if (outcome === 'rolled' || outcome === 'chipped') return outcome
  if (outcome !== 'dulled-soon') return 'held'
  return (burrRemoved ?? isBurrGone(log)) ? 'chipped' : 'burr'
}

/** Whether a burr was looked for after the last strokes on a stone, and none was left. */
export function isBurrGone(log: readonly LogEntry[]): boolean {
  const last = ofKind(log, 'sharpness').findLast(({ burr }) => burr !== null)
  return last !== undefined && last.burr === 'none' && last.at > (steelStrokes(log).at(-1)?.at ?? '')
}

/** The sharpenings that tell of the steel: those of a new blade's factory edge are left out. */
export function countedSharpenings<S extends Sharpening>(
  sharpenings: readonly S[],
  { sharpenedBefore }: Pick<Blade, 'sharpenedBefore'>,
): { readonly counted: readonly S[]; readonly leftOut: number } {
  const leftOut = sharpenedBefore === null ? 0 : Math.max(0, FIRST_LEFT_OUT - sharpenedBefore)
  return { counted: sharpenings.slice(leftOut), leftOut: Math.min(leftOut, sharpenings.length) }
}

/** What these say of the angle at which an edge fails: those whose angle and outcome are known. */
export const anglesUsed = (sharpenings: readonly Sharpening[]): AngleUsed[] =>
  sharpenings.flatMap(({ deg, became }) =>
    deg === null || became === null || became === 'burr' ? [] : [{ deg, failed: became !== 'held' }],
  )
