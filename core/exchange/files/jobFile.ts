import { z } from 'zod'
import { moment } from '../../schema/moment'
import { perSide } from '../../records/common/side'
import {
  RECORDS,
  type BladeRecord,
  type InstrumentRecord,
  type JobRecord,
  type RigRecord,
  type StoneRecord,
} from '../../records/storage/kinds'
import { ofKind, onBlade } from '../../log/activeEntries'
import { logEntry, type LogEntry } from '../../log/entry'
import { meanProof, meanReading } from '../../log/meanReading'
import type { Evaluation } from '../../uncertainty/evaluate'
import type { EdgePoint } from '../../math/curve/edgePoints'

/** An angle per side, degrees from the blade's centre plane, and the half-width of what holds 95 in 100; null: none. */
const angle = z.object({ deg: z.number(), uncertaintyDeg: z.number().nullable() }).nullable()
const sideAngles = z.object({ wanted: angle, set: angle, read: angle, proved: angle })

/**
 * Everything of one job: JSON, lengths in mm, angles in degrees, as docs/geometry.md defines them. The records as they
 * are kept, the log as it holds, and the four angles that come of them.
 */
export const jobFile = z.object({
  format: z.literal('jaw-tilt-job'),
  version: z.literal(2),
  writtenAt: moment,
  job: RECORDS.jobs.kept,
  /** As it was measured when the job was done with it. */
  rig: RECORDS.rigs.kept,
  blade: RECORDS.blades.kept,
  stones: z.array(RECORDS.stones.kept),
  instruments: z.array(RECORDS.instruments.kept),
  log: z.array(logEntry),
  /** At the place that the dial is for. */
  angles: z.object({ fromHeelMm: z.number(), A: sideAngles, B: sideAngles.nullable() }),
  /** Set along the edge, from heel to tip; null where the rig gives no angle there. */
  setAlong: z.array(z.object({ fromHeelMm: z.number(), A: z.number().nullable(), B: z.number().nullable() })),
})
export type JobFile = z.infer<typeof jobFile>

/** What a record is made of. `log`: of the job alone, as it holds. `evaluation`: at the place that the dial is for. */
export interface RecordedJob {
  readonly job: JobRecord
  readonly rig: RigRecord
  readonly blade: BladeRecord
  readonly stones: readonly StoneRecord[]
  readonly instruments: readonly InstrumentRecord[]
  readonly log: readonly LogEntry[]
  readonly evaluation: Evaluation
  readonly edgePoints: readonly EdgePoint[]
}

/** The record of a job, written at an instant (ISO 8601). */
export function recordOf(of: RecordedJob, writtenAt: string): JobFile {
  const { job, rig, blade, log, evaluation, edgePoints } = of
  const inLog = log.flatMap(({ stoneId }) => stoneId ?? [])
  const named = new Set([job.stoneId, ...job.progression, job.microBevel?.stoneId, ...inLog])
  const used = new Set(log.flatMap(({ instrumentId }) => instrumentId ?? []))
  const found = onBlade(log, blade.id)
  const known = (amount: { deg: number; uncertaintyDeg: number } | null) =>
    amount && { deg: amount.deg, uncertaintyDeg: amount.uncertaintyDeg }
  const angles = perSide((side) => {
    const set = evaluation.sides[side]
    return {
      wanted: { deg: job.wanted.deg[side], uncertaintyDeg: null },
      set: set.ok ? { deg: set.contact.edgeAngleDeg, uncertaintyDeg: set.uncertaintyDeg } : null,
      read: known(meanReading(ofKind(found, 'reading'), side)),
      proved: known(meanProof(ofKind(found, 'proof'), side)),
    }
  })
  const bothSides = blade.bevels === 'both'
  const setDeg = (side: 'A' | 'B', i: number): number | null => {
    const set = evaluation.sides[side]
    const contact = set.ok ? set.along[i] : undefined
    return contact?.ok ? contact.edgeAngleDeg : null
  }
  return {
    format: 'jaw-tilt-job',
    version: 2,
    writtenAt,
    job,
    rig,
    blade,
    stones: of.stones.filter(({ id }) => named.has(id)),
    instruments: of.instruments.filter(({ id }) => used.has(id)),
    log: [...log],
    angles: { fromHeelMm: evaluation.edgePoint.fromHeelMm, A: angles.A, B: bothSides ? angles.B : null },
    setAlong: edgePoints.map(({ fromHeelMm }, i) => ({
      fromHeelMm,
      A: setDeg('A', i),
      B: bothSides ? setDeg('B', i) : null,
    })),
  }
}

/** The published JSON Schema of the record. */
export const jobRecordJsonSchema = (): object => ({ ...z.toJSONSchema(jobFile), title: 'Jaw Tilt record of a job' })
