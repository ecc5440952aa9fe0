import type { Refusal } from '../../schema/refusal'
import { SIDES, type Side } from '../../records/common/side'
import type { ClampPosition } from '../../records/job/clampPosition'
import type { Evaluation, SideSet } from '../../uncertainty/evaluate'
import { expectedReadingDeg } from '../../geometry/gauge/expectedReading'
import { READ_TO_DEG } from '../../observe/gauge/likelyCauses'
import { adviseDial } from '../../geometry/dial/advised'
import { gripOf, type GripTrouble } from '../../geometry/hold/grip'
import { jawFit } from '../../geometry/hold/holdChecks'
import { gaugeUseOf, type Job } from '../../records/job/job'
import { provedAgainst, readAgainst, type JobAsSet } from '../../observe/ledger/against'
import { zonesOfBlade } from '../../records/blade/zones'
import { meanProof, meanReading } from '../../log/meanReading'
import type { LogEntry } from '../../log/entry'
import { dialledState } from '../../log/dialledState'
import { ofKind, onBlade } from '../../log/activeEntries'
import type { DialSetting } from '../../records/rig/dials/readings'
import { contactFor, type Setup } from '../../geometry/setup/setup'

/** The stations of the work, in their order. */
export const STATION_IDS = ['rig', 'blade', 'clamp', 'mark', 'grind', 'prove', 'use'] as const
export type StationId = (typeof STATION_IDS)[number]

/** What to do next on a job, where, and the figures that say why. Angles in degrees. */
export type NextStep =
  | { readonly does: 'say-wanted'; readonly at: 'blade' }
  | {
      readonly does: 'mend-grip'
      readonly at: 'clamp'
      readonly trouble: GripTrouble
      /** The nearest hold that can be; null where these jaws hold this blade nowhere. */
      readonly instead: ClampPosition | null
    }
  | { readonly does: 'mend-hold'; readonly at: 'clamp'; readonly side: Side; readonly refusal: Refusal }
  | { readonly does: 'hold-otherwise'; readonly at: 'clamp'; readonly spineMm: number; readonly mostMm: number }
  | { readonly does: 'clear-jaws'; readonly at: 'clamp'; readonly side: Side; readonly lowestDeg: number }
  | {
      readonly does: 'dial'
      readonly at: 'clamp'
      readonly side: Side
      readonly setting: DialSetting
      readonly givesDeg: number
      readonly offDeg: number
      readonly uncertaintyDeg: number
    }
  | {
      readonly does: 'read'
      readonly at: 'clamp'
      readonly side: Side
      readonly mustReadDeg: number
      readonly uncertaintyDeg: number
    }
  | { readonly does: 'explain-reading'; readonly at: 'clamp'; readonly side: Side; readonly offDeg: number }
  /** The bevel that is there is being looked for: the last thing that happened is a look at the ink. */
  | { readonly does: 'look-on'; readonly at: 'mark'; readonly side: Side }
  | { readonly does: 'prove'; readonly at: 'prove'; readonly side: Side }
  | {
      readonly does: 'explain-proof'
      readonly at: 'prove'
      readonly side: Side
      readonly offDeg: number
      readonly uncertaintyDeg: number
    }
  | { readonly does: 'put-to-use'; readonly at: 'use'; readonly offDeg: number }

export interface NextStepAsk {
  readonly setup: Setup
  readonly job: Pick<Job, 'rigId' | 'bladeId' | 'stoneId' | 'wanted' | 'dialled' | 'gaugeZero' | 'gaugeAxes'>
  /** At the place that the dial is for. */
  readonly evaluation: Evaluation
  /** What holds of the log of this job, oldest first. */
  readonly log: readonly LogEntry[]
  readonly stoneOf?: JobAsSet['stoneOf']
  /** The blade's, where they are known already. */
  readonly zones?: JobAsSet['zones']
}

/** What a job is begun with before anyone said what its edge should have, degrees. */
const BEGUN_WITH_DEG = 20
/** A dial that is nearer than this to the best the rig can do is dialled, degrees. */
const DIALLED_DEG = 0.05

/**
 * The one next step of a job: the first thing in the order of the work that is not settled yet. A person may always do
 * something else; a side that was proved needs no reading. Source: docs/geometry.md, "The next step".
 */
export function nextStep({ setup, job, evaluation, log, stoneOf, zones }: NextStepAsk): NextStep {
  const sides = setup.blade.bevels === 'A' ? (['A'] as const) : SIDES
  const found = onBlade(log, job.bladeId)
  const [readings, proofs] = [ofKind(found, 'reading'), ofKind(found, 'proof')]
  const { deg, why } = job.wanted
  const untouched = why === '' && sides.every((side) => deg[side] === BEGUN_WITH_DEG)
  if (untouched && readings.length + proofs.length === 0) return { does: 'say-wanted', at: 'blade' }

  const grip = gripOf(setup.blade, setup.rig)
  const trouble = grip.trouble(setup.hold)
  if (trouble) return { does: 'mend-grip', at: 'clamp', trouble, instead: grip.nearest(setup.hold) }

  const set = {} as Record<Side, SideSet>
  for (const side of sides) {
    const one = evaluation.sides[side]
    if (!one.ok) return { does: 'mend-hold', at: 'clamp', side, refusal: one }
    set[side] = one
  }
  const fit = jawFit(setup)
  if (fit?.verdict === 'bad')
    return { does: 'hold-otherwise', at: 'clamp', spineMm: fit.spineMm, mostMm: fit.falseEdge ? 0 : fit.mostMm }

  const last = log.findLast(({ kind }) => kind !== 'stone-wear' && kind !== 'sharpness')
  if (last?.kind === 'ink-look' && last.bladeId === job.bladeId) return { does: 'look-on', at: 'mark', side: last.side }

  const now: JobAsSet = {
    setup,
    job,
    dialFor: evaluation.edgePoint,
    get zones() {
      return (zones ??= zonesOfBlade(setup.blade))
    },
    stoneOf: stoneOf ?? (() => undefined),
  }
  /** What was read and proved as the rig is set now: of another setting, or another stone, it is the past. */
  const readOn = (side: Side) => {
    const amount = meanReading(readings, side)
    const against = amount && readAgainst(now, side, amount)
    return against?.set ? against : null
  }
  const provedOn = (side: Side) => {
    const amount = meanProof(proofs, side)
    const against = amount && provedAgainst(now, side, amount)
    return against?.asSetNow ? against : null
  }
  /** Who has read or proved a side has set the rig for it, noted or not. */
  const workedOn = (side: Side) => readOn(side) !== null || provedOn(side) !== null
  const bestOn = (side: Side) => adviseDial(setup, side, deg[side], evaluation.edgePoint)
  /** One dial for two sides that want the same: set to what is best for one of them, as good for both as it can be. */
  const bestShared = (): boolean => {
    if (!job.dialled.linked || sides.length < 2 || deg.A !== deg.B) return false
    const worst = (offDeg: (side: Side) => number) => Math.max(...SIDES.map((side) => Math.abs(offDeg(side))))
    const shared = SIDES.flatMap((of) => {
      const best = bestOn(of)
      if (!best.ok) return []
      return worst((side) => {
        const contact = contactFor(setup, side, best.setting, evaluation.edgePoint)
        return contact.ok ? contact.edgeAngleDeg - deg[side] : Infinity
      })
    })
    return worst((side) => set[side].contact.edgeAngleDeg - deg[side]) <= Math.min(...shared) + DIALLED_DEG
  }
  for (const side of sides) {
    const { contact, lowestOverJawsDeg, uncertaintyDeg } = set[side]
    const best = bestOn(side)
    if (!best.ok && best.code === 'stone-meets-jaws')
      return { does: 'clear-jaws', at: 'clamp', side, lowestDeg: Number(best.figures?.limitDeg) }
    if (!best.ok) return { does: 'mend-hold', at: 'clamp', side, refusal: best }
    const { setting, givesDeg, offDeg } = best
    const dialled = Math.abs(contact.edgeAngleDeg - deg[side]) - Math.abs(offDeg) <= DIALLED_DEG || bestShared()
    if (dialled && lowestOverJawsDeg !== null && lowestOverJawsDeg > contact.edgeAngleDeg)
      return { does: 'clear-jaws', at: 'clamp', side, lowestDeg: lowestOverJawsDeg }
    if (!dialled || !(workedOn(side) || dialledState(log, job, side).is === 'noted'))
      return { does: 'dial', at: 'clamp', side, setting, givesDeg, offDeg, uncertaintyDeg }
  }

  for (const side of sides) {
    if (provedOn(side)) continue
    const { contact, uncertaintyDeg } = set[side]
    const read = readOn(side)
    if (!read) {
      const mustReadDeg = expectedReadingDeg(setup, side, contact, gaugeUseOf(job))
      return { does: 'read', at: 'clamp', side, mustReadDeg, uncertaintyDeg }
    }
    const offDeg = read.differsDeg!
    if (Math.abs(offDeg) > Math.max(READ_TO_DEG, uncertaintyDeg))
      return { does: 'explain-reading', at: 'clamp', side, offDeg }
  }

  let worstDeg = 0
  for (const side of sides) {
    const proved = provedOn(side)
    if (!proved) return { does: 'prove', at: 'prove', side }
    const uncertaintyDeg = Math.hypot(proved.amount.uncertaintyDeg, set[side].uncertaintyDeg)
    const offDeg = proved.differsDeg ?? 0
    if (Math.abs(offDeg) > uncertaintyDeg) return { does: 'explain-proof', at: 'prove', side, offDeg, uncertaintyDeg }
    const fromWanted = proved.amount.deg - deg[side]
    if (Math.abs(fromWanted) > Math.abs(worstDeg)) worstDeg = fromWanted
  }
  return { does: 'put-to-use', at: 'use', offDeg: worstDeg }
}

/** How a station stands: what is before the next step is settled, what is behind it is still open. */
export type StationState = 'settled' | 'next' | 'open'
export function stationState(id: StationId, next: NextStep): StationState {
  const [of, at] = [STATION_IDS.indexOf(id), STATION_IDS.indexOf(next.at)]
  return of < at ? 'settled' : of === at ? 'next' : 'open'
}
