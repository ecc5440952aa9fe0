import { placeOfProof } from '#core/observe/ledger/against'
import { SIDES, type PerSide, type Side } from '#core/records/common/side'
import { ANGLE_ALONE, logEntry, type LogEntry, type Proof, type Reading } from '#core/log/entry'
import { checked, type FieldProblem } from '#core/schema/problem'
import { useJob } from '~/job/useJob'
import { useGauge } from './useGauge'
import { useInstrument, type ReadFor } from './useInstrument'

const LABEL = { reading: 'read angle', proof: 'proved angle' } as const
/** A figure as it stands in a field, degrees: two decimals. */
const asTyped = (deg: number): number => Math.round(deg * 100) / 100

/** What was read and proved, noted as entries of the log; each note is one step that can be undone. */
export function useReadings() {
  const job = useJob()
  const { expected, use } = useGauge()
  const [gauge, goniometer] = [useInstrument('reading'), useInstrument('proof')]

  const about = (side: Side) => ({ ...job.newEntry(), side })
  /** What a gauge showed: what its zero adds is taken off. */
  const reading = (side: Side, shownDeg: number): Reading => ({
    ...about(side),
    kind: 'reading',
    instrumentId: gauge.instrument.value?.id ?? null,
    deg: shownDeg - gauge.zeroDeg(side),
    uncertaintyDeg: gauge.uncertaintyDeg.value,
    placeMm: job.evaluation.value.edgePoint.fromHeelMm,
    zero: use.value.zero,
    expectedDeg: expected.value[side],
  })
  function proof(side: Side, shownDeg: number, more: Partial<Proof> = {}): Proof {
    const on = more.by === 'goniometer' ? goniometer : null
    return {
      ...about(side),
      kind: 'proof',
      instrumentId: on?.instrument.value?.id ?? null,
      deg: shownDeg - (on?.zeroDeg(side) ?? 0),
      uncertaintyDeg: goniometer.uncertaintyDeg.value,
      placeMm: null,
      zone: null,
      by: 'not said',
      ...ANGLE_ALONE,
      ...more,
      setup: job.cutWith(side, placeOfProof(more, job.zones.value)),
    }
  }

  /** Adds entries; else what is wrong with the first that cannot be. */
  function add(label: string, entries: readonly LogEntry[], retract: readonly string[] = []): FieldProblem | null {
    for (const entry of entries) {
      const read = checked(logEntry, entry)
      const wrong = read.ok ? undefined : read.problems[0]
      if (wrong) return wrong
    }
    job.session.record(label, entries, retract)
    return null
  }

  const meanOf = (kind: ReadFor, side: Side) => (kind === 'reading' ? job.read : job.proved).value[side]
  /** What a side's figures come to as the instrument in use shows it; null while there are none. */
  function shownDeg(kind: ReadFor, side: Side): number | null {
    const amount = meanOf(kind, side)
    return amount && asTyped(amount.deg + (kind === 'reading' ? gauge.zeroDeg(side) : 0))
  }

  /**
   * Puts figures, as the instrument showed them, in the place of what they came to on the sides; null takes a side's
   * away. Sides not named, and what still stands as it is shown, are left.
   */
  function putInstead(kind: ReadFor, deg: Partial<PerSide<number | null>>): FieldProblem | null {
    const [entries, retract]: [LogEntry[], string[]] = [[], []]
    for (const side of SIDES) {
      const now = deg[side]
      const before = meanOf(kind, side)
      if (now === undefined || now === shownDeg(kind, side)) continue
      retract.push(...(before?.of ?? []).map((entry) => entry.id))
      if (now !== null) entries.push(kind === 'reading' ? reading(side, now) : proof(side, now))
    }
    return add(LABEL[kind], entries, retract)
  }

  return {
    putInstead,
    shownDeg,
    /** One more reading beside those there are. */
    addReading: (side: Side, deg: number) => add(LABEL.reading, [reading(side, deg)]),
    addProof: (side: Side, deg: number, more: Pick<Proof, 'uncertaintyDeg' | 'by' | 'zone' | 'placeMm'>) =>
      add(LABEL.proof, [proof(side, deg, more)]),
    /** What a goniometer showed of both sides, its zero taken off already: one step. */
    addShown: (shown: readonly (Partial<Proof> & Pick<Proof, 'side' | 'deg'>)[]) =>
      add(
        LABEL.proof,
        shown.map(({ side, deg, ...more }) => ({
          ...proof(side, deg, more),
          instrumentId: goniometer.instrument.value?.id ?? null,
          by: 'goniometer' as const,
        })),
      ),
    retract: (entry: LogEntry) => void job.session.record('remove an entry', [], [entry.id]),
  }
}
