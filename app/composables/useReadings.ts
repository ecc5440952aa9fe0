import { v7 as newId } from 'uuid'
import { SIDES, type PerSide, type Side } from '#core/clamping/centring'
import { logEntry, type LogEntry, type Proof, type Reading } from '#core/log/entry'
import { checked } from '#core/problem/problem'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { problemText } from '~/words/problemText'
import { useGauge } from './useGauge'

/** What a person reads off an instrument to a tenth of a degree, degrees. */
const DOUBT_DEG = 0.1

type Kind = 'reading' | 'proof'
const LABEL = { reading: 'read angle', proof: 'proved angle' } as const

/** What was read and proved, noted as entries of the log; each note is one step that can be undone. */
export function useReadings() {
  const job = useJob()
  const preferences = usePreferences()
  const { expected, zero } = useGauge()

  const about = (side: Side, deg: number) => ({
    id: newId(),
    at: new Date().toISOString(),
    jobId: job.id,
    bladeId: job.content.value.bladeId,
    stoneId: job.content.value.stoneId,
    instrumentId: null,
    side,
    deg,
    doubtDeg: DOUBT_DEG,
  })
  const reading = (side: Side, deg: number): Reading => ({
    ...about(side, deg),
    kind: 'reading',
    placeMm: job.evaluation.value.station.fromHeelMm,
    zero: zero.value,
    expectedDeg: expected.value[side],
  })
  const proof = (side: Side, deg: number, more: Partial<Proof> = {}): Proof => ({
    ...about(side, deg),
    kind: 'proof',
    placeMm: null,
    zone: null,
    by: 'not said',
    ...more,
  })

  /** Adds entries, or says in words what is wrong with the first that cannot be. */
  function add(label: string, entries: readonly LogEntry[], strikeOut: readonly string[] = []): string | null {
    for (const entry of entries) {
      const read = checked(logEntry, entry)
      const wrong = read.ok ? undefined : read.problems[0]
      if (wrong) return problemText(wrong, preferences.unit, wrong.field)
    }
    job.session.record(label, entries, strikeOut)
    return null
  }

  const amountOf = (kind: Kind, side: Side) => (kind === 'reading' ? job.read : job.proved).value[side]

  /**
   * Puts figures in the place of what they came to on the sides; null takes a side's away. Sides not named are left.
   */
  function putInstead(kind: Kind, deg: Partial<PerSide<number | null>>): string | null {
    const [entries, strikeOut]: [LogEntry[], string[]] = [[], []]
    for (const side of SIDES) {
      const now = deg[side]
      const before = amountOf(kind, side)
      if (now === undefined || now === (before?.deg ?? null)) continue
      strikeOut.push(...(before?.of ?? []).map((entry) => entry.id))
      if (now !== null) entries.push(kind === 'reading' ? reading(side, now) : proof(side, now))
    }
    return add(LABEL[kind], entries, strikeOut)
  }

  return {
    putInstead,
    /** One more reading beside those there are. */
    addReading: (side: Side, deg: number) => add(LABEL.reading, [reading(side, deg)]),
    addProof: (side: Side, deg: number, more: Pick<Proof, 'doubtDeg' | 'by' | 'zone'>) =>
      add(LABEL.proof, [proof(side, deg, more)]),
    strikeOut: (entry: LogEntry) => void job.session.record('strike out', [], [entry.id]),
  }
}
