import { finished } from '../../math/finished.fixture'
import equal from 'fast-deep-equal'
import { cutWith } from '../../log/cutWith'
import { activeEntries } from '../../log/activeEntries'
import type { SetupSnapshot } from '../../log/setupSnapshot'
import { ANGLE_ALONE, OUTCOME_ALONE, type LogEntry } from '../../log/entry'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import type { Blade } from '../../records/blade/blade'
import { zonesOfBlade } from '../../records/blade/zones'
import type { Side } from '../../records/common/side'
import { gaugeUseOf, job as jobSchema, type Job } from '../../records/job/job'
import { heldAs, positionAt, workedIn } from '../../records/job/positions'
import type { Purpose } from '../../records/job/purpose'
import type { DialSetting } from '../../records/rig/dials/readings'
import type { Rig } from '../../records/rig/rig'
import type { Stone } from '../../records/stone/stone'
import { expectedReadingDeg } from '../../geometry/gauge/expectedReading'
import { asSet } from '../../uncertainty/asSet'
import { setThere } from '../../observe/ledger/against'
import { evaluate, type Evaluation } from '../../uncertainty/evaluate'
import { findPlacement, placementRange } from '../../placement/findPlacement'
import { facetPositions } from '../../placement/facetPositions'
import { keptPositions, positionsFor } from '../../placement/longBlade'
import { bellyBlade } from '../../geometry/setup/sampleSetup.fixture'
import { startingDial, startingHold } from '../card/starting'
import type { JobNow } from './jobNow'
import { nextStep, type NextStep } from './nextStep'

export const robotId = (n: number) => `0197a000-0000-7000-8000-${String(n).padStart(12, '0')}`
export const STONES = [robotId(5), robotId(6)] as const

/** One of 360 mm. */
export const longBlade: Blade = {
  ...bellyBlade,
  edge: [
    {
      type: 'bezier',
      points: [
        [0, 30],
        [119, 33],
        [288, 33],
        [360, -6],
      ],
    },
  ],
  widthMm: 34,
  primaryGrindHeightMm: 18,
}

/** A job on a bench without a hand: it does what it is told, and what it did stands in its log. */
export interface Bench {
  readonly now: () => JobNow
  readonly next: () => NextStep | null
  /** Does a step as a careful hand would; false where the line alone cannot. */
  press(step: NextStep): boolean
  leaveOut(step: Pick<NextStep, 'id' | 'side' | 'zone' | 'position' | 'placeMm'>): void
  /** Strokes, and the word that the stone has done its work with them. */
  grind(side: Side): void
  strokes(side: Side): void
  prove(side: Side, offDeg?: number): void
  test(side: Side): void
  read(side: Side): void
  change(patch: Partial<Job>): void
  /** Finds the positions of a long blade and keeps them; false where one does, or none. */
  keepPositions(toleranceDeg: number): boolean
  readonly log: LogEntry[]
  readonly job: () => Job
}

/** `searches`: it looks for a better hold, and for positions, before it accepts how the angle runs along the edge. */
export function bench(rig: Rig, blade: Blade, stone: Stone, purpose: Purpose, searches = false): Bench {
  const hold = startingHold(rig, blade)
  const wanted = { deg: { A: 20, B: 20 }, linked: true, why: '' }
  let job = jobSchema.parse({
    name: blade.name,
    rigId: robotId(1),
    bladeId: robotId(3),
    stoneId: STONES[0],
    hold,
    dialled: startingDial({ rig, blade, stone, hold }, wanted, null),
    wanted,
  })
  const log: LogEntry[] = []
  const edgePoints = evenEdgePoints(blade.edge, 40)
  const zones = zonesOfBlade(blade)
  let takenBest = false
  const setup = () => ({ rig, blade, stone, hold: job.hold, worked: workedIn(job) })
  let evaluated: { readonly of: Job; readonly is: Evaluation } | null = null
  const evaluation = () => {
    if (evaluated?.of !== job) evaluated = { of: job, is: evaluate(setup(), job, edgePoints) }
    return evaluated.is
  }
  const snapshot = () => asSet(job, { ...rig, revision: 1 }, evaluation())
  const now = (): JobNow => ({
    setup: setup(),
    job,
    purpose,
    evaluation: evaluation(),
    setNow: snapshot(),
    log: activeEntries(log),
    zones,
    stoneOf: () => stone,
  })
  const about = () => ({
    id: robotId(1000 + log.length),
    at: new Date(Date.UTC(2026, 4, 1, 9, log.length)).toISOString(),
    jobId: robotId(9),
    bladeId: job.bladeId,
    stoneId: job.stoneId,
    instrumentId: null,
  })
  const setDeg = (side: Side) => {
    const set = evaluation().sides[side]
    return set.ok ? set.contact.edgeAngleDeg : 20
  }
  const change = (patch: Partial<Job>) => void (job = { ...job, ...patch })
  function dial(side: Side, setting: DialSetting) {
    const both = job.dialled.linked && blade.bevels === 'both'
    const dialled = job.dialled.linked ? { A: setting, B: setting } : { ...job.dialled, [side]: setting }
    change({ dialled: { ...job.dialled, ...dialled } })
    for (const of of both ? (['A', 'B'] as const) : [side])
      log.push({ ...about(), kind: 'dialled', side: of, setup: snapshot() })
  }
  const test = (side: Side) =>
    void log.push({
      ...about(),
      kind: 'ink-look',
      side,
      setup: snapshot(),
      setUncertaintyDeg: 0.3,
      zones: zones.map((zone) => ({
        ...zone,
        setDeg: setDeg(side),
        widthMm: 0.7,
        primaryDeg: 3,
        seen: 'all',
        fraction: 1,
      })),
    })
  const found = (side: Side) =>
    void log.push({
      ...about(),
      kind: 'bevel-found',
      side,
      zones: zones.map((zone) => ({ ...zone, deg: setDeg(side), uncertaintyDeg: 0.3 })),
    })
  const strokes = (side: Side) =>
    void log.push({ ...about(), kind: 'strokes', side, count: 40, zone: null, strop: false, setup: snapshot() })
  const stoneDone = (side: Side) =>
    void log.push({
      ...about(),
      kind: 'stone-done',
      side,
      removedMm3: null,
      strokes: 40,
      minutes: null,
      setup: snapshot(),
    })
  function grind(side: Side) {
    strokes(side)
    stoneDone(side)
  }
  function read(side: Side) {
    const set = evaluation().sides[side]
    if (!set.ok) return
    const deg = expectedReadingDeg(setup(), side, set.contact, gaugeUseOf(job))
    const placeMm = evaluation().edgePoint.fromHeelMm
    const { gaugeZero: zero } = job
    log.push({
      ...about(),
      kind: 'reading',
      side,
      placeMm,
      deg,
      uncertaintyDeg: 0.1,
      zero,
      expectedDeg: deg,
      setup: snapshot(),
    })
  }
  const proveAt = (side: Side, zone: NextStep['zone'], at: number | null, offDeg = 0) => {
    const placeMm = at ?? evaluation().edgePoint.fromHeelMm
    const cut = cutWith(activeEntries(log), side, positionAt(placeMm, job.positions))
    log.push({
      ...about(),
      ...ANGLE_ALONE,
      kind: 'proof',
      side,
      placeMm,
      zone,
      deg: setDegAt(side, placeMm, cut) + offDeg,
      uncertaintyDeg: 0.3,
      by: 'goniometer',
      toApex: true,
      setup: cut,
    })
  }
  /** What is set at a place with the hold and the dial that it was cut with; as it is now, where nothing was cut. */
  const setDegAt = (side: Side, placeMm: number, cut: SetupSnapshot | null) => {
    const setting = cut?.setting[side] ?? job.dialled[side]
    const there = setThere({ ...setup(), hold: cut?.hold ?? job.hold }, side, setting, placeMm)
    return there?.contact.edgeAngleDeg ?? 20
  }
  const leaveOut: Bench['leaveOut'] = ({ id, side, zone, position, placeMm }) =>
    void log.push({ ...about(), kind: 'left-out', step: id, side, zone, position, placeMm, setup: snapshot() })

  /** Takes the best hold that the search finds, once; false where there is none, or it was taken already. */
  function holdBetter(side: Side): boolean {
    const task = findPlacement({
      setup: setup(),
      side,
      wantedDeg: job.wanted.deg[side],
      edgePoints,
      aim: 'even',
      onMarks: false,
      thereDeg: null,
    })
    const { best, atMark } = finished(task)
    if (!best || !atMark || equal(best.hold, job.hold) || takenBest) return false
    takenBest = true
    change({ hold: best.hold, dialForMm: atMark.evenAtMm })
    dial(side, atMark.setting)
    return true
  }
  function keepPositions(toleranceDeg = 1): boolean {
    const about = { side: 'A' as const, wantedDeg: job.wanted.deg.A, toleranceDeg } as const
    const range = placementRange(setup())
    const found = finished(positionsFor({ setup: { ...setup(), worked: undefined }, ...about, edgePoints, range }))
    const positions = found.ok ? keptPositions(found, about) : null
    if (positions) change({ positions })
    return positions !== null
  }

  function press(step: NextStep): boolean {
    const side = step.side ?? 'A'
    const { toDo } = step
    switch (toDo.does) {
      case 'say-wanted':
        change({ wanted: { deg: { A: 21, B: 21 }, linked: true, why: 'Because.' } })
        return true
      case 'mend-grip':
        if (!toDo.instead) return false
        change({ hold: toDo.instead })
        return true
      case 'hold-position':
      case 'set-for-facet': {
        const kept = job.positions!.each[toDo.position - 1]!
        change({ hold: heldAs(kept, job.hold), dialForMm: kept.dialForMm })
        return true
      }
      case 'keep-facets': {
        const positions = facetPositions(setup(), side, job.wanted.deg[side], edgePoints, zones)
        if (positions) change({ positions })
        return positions !== null
      }
      case 'find-positions':
        return keepPositions()
      case 'even-angle':
        if (!searches || !(holdBetter(side) || keepPositions())) leaveOut(step)
        return true
      case 'clear-jaws':
      case 'mend-hold':
        if (holdBetter(side)) return true
        if (step.leavable) leaveOut(step)
        return step.leavable
      case 'explain-reading':
      case 'explain-proof':
        leaveOut(step)
        return true
      case 'measure-height':
        log.push({ ...about(), kind: 'blade-height', heightMm: toDo.heightMm, setup: snapshot() })
        return true
      case 'dial':
        dial(side, toDo.setting)
        return true
      case 'read':
        read(side)
        return true
      case 'mark':
        if (toDo.looked < toDo.of) test(side)
        else found(side)
        return true
      case 'decide': {
        const { deg } = job.wanted
        log.push({ ...about(), kind: 'decided', choice: 'cut', deg, why: '' })
        return true
      }
      case 'choose-stones':
        change({ progression: [...STONES] })
        return true
      case 'put-on':
        change({ stoneId: step.stoneId!, onMicroBevel: step.forMicroBevel })
        return true
      case 'grind':
        grind(side)
        return true
      case 'remove-burr':
        log.push({ ...about(), kind: 'sharpness', test: 'paper', zones: [], forcesG: [], burr: 'none', burrZones: [] })
        return true
      case 'prove':
        proveAt(side, step.zone, step.placeMm)
        return true
      case 'put-to-use':
        log.push({ ...about(), kind: 'put-to-use' })
        return true
      case 'note-outcome':
        log.push({ ...about(), kind: 'outcome', outcome: 'cuts-well', ...OUTCOME_ALONE })
        return true
      default:
        return false
    }
  }
  return {
    now,
    next: () => nextStep(now()),
    press,
    leaveOut,
    grind,
    strokes,
    prove: (side, offDeg) => proveAt(side, null, null, offDeg),
    test,
    read,
    change,
    keepPositions,
    log,
    job: () => job,
  }
}

const keyOf = ({ id, side, zone, stoneId, forMicroBevel, position, toDo }: NextStep) =>
  [
    id,
    side,
    zone,
    stoneId,
    ...(forMicroBevel ? ['micro-bevel'] : []),
    toDo.does,
    ...(position === null ? [] : [position]),
  ].join(' ')
/** Presses what the line offers until nothing is left; what it pressed, in order. */
export function pressAll(of: Bench, most = 80): string[] {
  const pressed: string[] = []
  for (let next = of.next(); next; next = of.next()) {
    pressed.push(keyOf(next))
    if (pressed.length > most) throw new Error(`no end: ${pressed.slice(-12).join(' | ')}`)
    if (!of.press(next)) throw new Error(`cannot be done: ${keyOf(next)} ${JSON.stringify(next.toDo)}`)
  }
  return pressed
}
