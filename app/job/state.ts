import { computed, shallowRef, watch, watchEffect, type ComputedRef } from 'vue'
import equal from 'fast-deep-equal'
import { fittedWith } from '#core/records/rig/jaws'
import { onRig } from '#core/records/rig/fittedAt'
import { rigMeasures } from '#core/records/rig/rig'
import { zonesOfBlade } from '#core/records/blade/zones'
import { lastOf } from '#core/math/list'
import { evenEdgePoints } from '#core/math/curve/edgePoints'
import { alongEdge, evaluateAt, type Evaluation, type SideSet } from '#core/uncertainty/evaluate'
import { gripOf } from '#core/geometry/hold/grip'
import type { Job } from '#core/records/job/job'
import type { StoneRecord } from '#core/records/storage/kinds'
import { positionAt, workedIn } from '#core/records/job/positions'
import { isForMicroBevel, stoneUses, wantedOf, wantedWith } from '#core/records/job/stoneUses'
import { meanProof, meanReading } from '#core/log/meanReading'
import { cutWith } from '#core/log/cutWith'
import { dialledState } from '#core/log/dialledState'
import { asSet } from '#core/uncertainty/asSet'
import { ofKind, onBlade } from '#core/log/activeEntries'
import type { Setup } from '#core/geometry/setup/setup'
import { otherSide, perSide, SIDES, type Side } from '#core/records/common/side'
import type { useCollections } from '~/stores/collections'
import type { useLog } from '~/stores/log'
import type { usePreferences } from '~/stores/preferences'
import { problemText } from '~/words/problemText'
import { noAngleText } from './noAngleText'
import type { JobSession } from './session'

const EDGE_POINTS_ALONG = 400

export interface Stores {
  readonly collections: ReturnType<typeof useCollections>
  readonly preferences: ReturnType<typeof usePreferences>
  readonly log: Pick<ReturnType<typeof useLog>, 'ofJob'>
}

/** A stone of the job, and whether it is on for the micro-bevel. */
export interface StoneOn {
  readonly stone: StoneRecord
  readonly forMicroBevel: boolean
}

/** What is missing of an opened job: it names a record that is not there, or that cannot be read. */
export type Missing = 'rig' | 'blade' | 'stone'
export function missingOf(job: Job, { rigs, blades, stones }: Stores['collections']): Missing | null {
  if (!rigs.some((rig) => rig.id === job.rigId)) return 'rig'
  if (!blades.some((blade) => blade.id === job.bladeId)) return 'blade'
  return stones.some((stone) => stone.id === job.stoneId) ? null : 'stone'
}

/** A value that is there when the view is made, and stays what it was last should it go. */
function lasting<T>(get: () => T | null | undefined): ComputedRef<T> {
  let last = get()!
  return computed(() => (last = get() ?? last))
}

/** What an opened job comes to. */
export function jobState(session: JobSession, { collections, preferences, log }: Stores) {
  const content = session.content

  /** The rig as it was measured for this job, with the jaws that are fitted. */
  const rig = lasting(() => {
    const asThen = collections.rigAt(content.value.rigId, content.value.rigRevision)
    return asThen && fittedWith(asThen, content.value.jawsName)
  })
  const blade = lasting(() => collections.blades.find((one) => one.id === content.value.bladeId))
  /** The box, each stone as it lies on this rig's rod. */
  const stones = computed(() => collections.stones.map((one) => onRig(rig.value, one)))
  const stone = lasting(() => stones.value.find((one) => one.id === content.value.stoneId))
  /** The stones of the job in their order, with what each is put on for; those that are no more are left out. */
  const uses = computed((): StoneOn[] => {
    const recordOf = (id: string) => stones.value.find((one) => one.id === id)
    return stoneUses(content.value, (id) => recordOf(id)?.kind).flatMap(({ stoneId, forMicroBevel }) => {
      const record = recordOf(stoneId)
      return record ? [{ stone: record, forMicroBevel }] : []
    })
  })
  /** The same rig with newer measures, where there are any. */
  const rigMeasuredAnew = computed(() => {
    const { rigId, rigRevision } = content.value
    const now = collections.rigs.find((one) => one.id === rigId)
    if (!now || rigRevision === null || now.revision === rigRevision) return null
    return equal(rigMeasures.parse(collections.rigAt(rigId, rigRevision)), rigMeasures.parse(now)) ? null : now
  })

  // What is looked at: of this opening, not of the job.
  const side = shallowRef<Side>('A')
  const turnOver = () => (side.value = otherSide(side.value))
  /** The sides that have a bevel. */
  const sides = computed((): readonly Side[] => (blade.value.bevels === 'A' ? ['A'] : SIDES))
  /** The place of the edge that is looked at, arc length from the heel; null: the one that the dial is for. */
  const lookAtMm = shallowRef<number | null>(null)
  // A place of another blade's edge says nothing of this one's, whoever changed it.
  watch(
    () => content.value.bladeId,
    () => (lookAtMm.value = null),
    { flush: 'sync' },
  )
  /** The place that the figures are for. */
  const placeMm = computed(() => lookAtMm.value ?? content.value.dialForMm)
  const wantedDeg = computed(() => content.value.wanted.deg[side.value])
  /** The stone on the rod, and what it is on for. */
  const onRod = computed((): StoneOn => ({ stone: stone.value, forMicroBevel: isForMicroBevel(content.value) }))
  /**
   * What a side is to be set to with a stone for one of its uses, degrees; without one, with that on the rod for what
   * it is on for.
   */
  const toSetOn = (of: Side, use: StoneOn = onRod.value) => wantedWith(content.value, of, use.stone, use.forMicroBevel)
  const toSetDeg = computed(() => toSetOn(side.value))

  // What the geometry gives.
  const setup = computed((): Setup => ({
    rig: rig.value,
    blade: blade.value,
    stone: stone.value,
    hold: content.value.hold,
    worked: workedIn(content.value),
  }))
  const edgePoints = computed(() => evenEdgePoints(blade.value.edge, EDGE_POINTS_ALONG))
  /** How long the edge is, mm along it. */
  const edgeMm = computed(() => lastOf(edgePoints.value).fromHeelMm)
  const zones = computed(() => zonesOfBlade(blade.value, edgePoints.value))
  const along = computed(() => alongEdge(setup.value, content.value, edgePoints.value))
  /** At the place that the dial is for: where one looks changes nothing of it. */
  const dialFor = computed(() => evaluateAt(setup.value, content.value, along.value, content.value.dialForMm))
  /** The same at the place that is looked at. */
  const evaluation = computed(() =>
    lookAtMm.value === null ? dialFor.value : evaluateAt(setup.value, content.value, along.value, lookAtMm.value),
  )
  /** What the jaws hold of this blade, and what stands against the hold as it is. */
  const grip = computed(() => gripOf(blade.value, rig.value))
  const gripTrouble = computed(() => grip.value.trouble(content.value.hold))
  const up = computed(() => evaluation.value.sides[side.value])
  /** Why there is no angle on the side that is up; empty when there is one. */
  const trouble = computed(() =>
    up.value.ok ? '' : noAngleText(up.value, { setup: setup.value, side: side.value }, preferences.unit),
  )

  // What is drawn: the last state that had an angle, so that a wrong figure does not take the picture away.
  const drawn = shallowRef<{ setup: Setup; evaluation: Evaluation; set: SideSet; side: Side } | null>(null)
  watchEffect(() => {
    const [now, set] = [setup.value, up.value]
    if (set.ok) drawn.value = { setup: now, evaluation: evaluation.value, set, side: side.value }
    else if (drawn.value && (drawn.value.setup.rig !== now.rig || drawn.value.setup.blade !== now.blade))
      drawn.value = null
  })

  // What happened on it.
  const entries = computed(() => log.ofJob(session.id))
  /** Those of the blade that is held. */
  const entriesOfBlade = computed(() => onBlade(entries.value, content.value.bladeId))
  const read = computed(() => perSide((of) => meanReading(ofKind(entriesOfBlade.value, 'reading'), of)))
  const proved = computed(() => perSide((of) => meanProof(ofKind(entriesOfBlade.value, 'proof'), of)))

  /** How the job is set now, as an entry of its log has it: with the set angles where the dial is for. */
  const setNow = computed(() => asSet(content.value, rig.value, dialFor.value))
  /** What every entry of this job's log that depends on the setup begins with. */
  const newEntry = () => ({ ...session.newEntry(), setup: setNow.value })

  /**
   * How the rig was set when steel was last taken off a side at a place, arc length from the heel; without a place,
   * anywhere on it. Null where no strokes were recorded: the bevel is the one that was found.
   */
  const cutAt = (of: Side, atMm: number | null) =>
    cutWith(entriesOfBlade.value, of, atMm === null ? null : positionAt(atMm, content.value.positions))

  /** What a side is to be proved at, degrees: its micro-bevel, where that was ground last; else the wanted angle. */
  const toProveDeg = (of: Side) => wantedOf(content.value, of, cutAt(of, null)?.forMicroBevel ?? false)

  /** Whether a hand has dialled what is dialled here. */
  const dialled = computed(() => perSide((of) => dialledState(entries.value, setNow.value, of)))

  /** What a change came to, in words; null when it was taken. */
  function change(label: string, patch: Partial<Job>, gesture: string | null = null): string | null {
    const [wrong] = session.change(label, patch, gesture)
    return wrong ? problemText(wrong, preferences.unit, wrong.field) : null
  }

  return {
    id: session.id,
    session,
    content,
    rig,
    blade,
    stones,
    stone,
    uses,
    onRod,
    rigMeasuredAnew,
    side,
    sides,
    lookAtMm,
    placeMm,
    turnOver,
    wantedDeg,
    toSetOn,
    toSetDeg,
    setup,
    edgePoints,
    edgeMm,
    zones,
    evaluation,
    dialFor,
    grip,
    gripTrouble,
    up,
    trouble,
    drawn,
    entries,
    entriesOfBlade,
    read,
    proved,
    dialled,
    setNow,
    newEntry,
    cutWith: cutAt,
    toProveDeg,
    change,
  }
}

export type JobState = ReturnType<typeof jobState>
