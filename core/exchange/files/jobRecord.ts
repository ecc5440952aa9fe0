import { z } from 'zod'
import { SIDES, type PerSide } from '../../records/common/side'
import {
  THINGS,
  type KeptBlade,
  type KeptInstrument,
  type KeptJob,
  type KeptRig,
  type KeptStone,
} from '../../records/kept/things'
import { ofKind, onBlade } from '../../log/inForce'
import { logEntry, type LogEntry } from '../../log/entry'
import { provedAmount, readAmount } from '../../log/amount'
import type { Evaluation } from '../../uncertainty/evaluate'
import type { Station } from '../../math/curve/stations'

/** An angle per side, degrees from the blade's centre plane, and the half-width of what holds 95 in 100; null: none. */
const angle = z.object({ deg: z.number(), doubtDeg: z.number().nullable() }).nullable()
const sideAngles = z.object({ wanted: angle, set: angle, read: angle, proved: angle })

/**
 * Everything of one job: JSON, lengths in mm, angles in degrees, as docs/geometry.md defines them. The things as they
 * are kept, the log as it holds, and the four angles that come of them.
 */
export const jobRecord = z.object({
  format: z.literal('jaw-tilt-job'),
  version: z.literal(1),
  writtenAt: z.iso.datetime(),
  job: THINGS.jobs.kept,
  /** As it was measured when the job was done with it. */
  rig: THINGS.rigs.kept,
  blade: THINGS.blades.kept,
  stones: z.array(THINGS.stones.kept),
  instruments: z.array(THINGS.instruments.kept),
  log: z.array(logEntry),
  /** At the place that the dial is for. */
  angles: z.object({ fromHeelMm: z.number(), A: sideAngles, B: sideAngles.nullable() }),
  /** Set along the edge, from heel to tip; null where the rig gives no angle there. */
  setAlong: z.array(z.object({ fromHeelMm: z.number(), A: z.number().nullable(), B: z.number().nullable() })),
})
export type JobRecord = z.infer<typeof jobRecord>

/** What a record is made of. `log`: of the job alone, as it holds. `evaluation`: at the place that the dial is for. */
export interface RecordedJob {
  readonly job: KeptJob
  readonly rig: KeptRig
  readonly blade: KeptBlade
  readonly stones: readonly KeptStone[]
  readonly instruments: readonly KeptInstrument[]
  readonly log: readonly LogEntry[]
  readonly evaluation: Evaluation
  readonly stations: readonly Station[]
}

/** The record of a job, written at an instant (ISO 8601). */
export function recordOf(of: RecordedJob, writtenAt: string): JobRecord {
  const { job, rig, blade, log, evaluation, stations } = of
  const named = new Set([job.stoneId, ...job.progression, ...log.flatMap(({ stoneId }) => stoneId ?? [])])
  const used = new Set(log.flatMap(({ instrumentId }) => instrumentId ?? []))
  const found = onBlade(log, blade.id)
  const angles = Object.fromEntries(
    SIDES.map((side) => {
      const set = evaluation.sides[side]
      const known = (amount: { deg: number; doubtDeg: number } | null) =>
        amount && { deg: amount.deg, doubtDeg: amount.doubtDeg }
      return [
        side,
        {
          wanted: { deg: job.wanted.deg[side], doubtDeg: null },
          set: set.ok ? { deg: set.contact.edgeAngleDeg, doubtDeg: set.doubtDeg } : null,
          read: known(readAmount(ofKind(found, 'reading'), side)),
          proved: known(provedAmount(ofKind(found, 'proof'), side)),
        },
      ]
    }),
  ) as unknown as PerSide<z.infer<typeof sideAngles>>
  const bothSides = blade.bevels === 'both'
  const setDeg = (side: 'A' | 'B', i: number): number | null => {
    const set = evaluation.sides[side]
    const contact = set.ok ? set.along[i] : undefined
    return contact?.ok ? contact.edgeAngleDeg : null
  }
  return {
    format: 'jaw-tilt-job',
    version: 1,
    writtenAt,
    job,
    rig,
    blade,
    stones: of.stones.filter(({ id }) => named.has(id)),
    instruments: of.instruments.filter(({ id }) => used.has(id)),
    log: [...log],
    angles: { fromHeelMm: evaluation.station.fromHeelMm, A: angles.A, B: bothSides ? angles.B : null },
    setAlong: stations.map(({ fromHeelMm }, i) => ({
      fromHeelMm,
      A: setDeg('A', i),
      B: bothSides ? setDeg('B', i) : null,
    })),
  }
}

/** The published JSON Schema of the record. */
export const jobRecordJsonSchema = (): object => ({ ...z.toJSONSchema(jobRecord), title: 'Jaw Tilt record of a job' })
