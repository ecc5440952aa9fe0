import { computed, shallowRef } from 'vue'
import equal from 'fast-deep-equal'
import { v7 as newId } from 'uuid'
import { useWords } from '~/words/useWords'
import { nth } from '#core/math/list'
import { rawOf, renamed, type Raw } from '#core/schema/versioned'
import { bevelThicknessMm } from '#core/records/blade/bevelThickness'
import { primaryFaceDeg } from '#core/records/blade/primaryFace'
import { asThickAs } from '#core/records/blade/taper'
import { zoneMiddleMm } from '#core/records/blade/zones'
import { bevelWidthMm } from '#core/steel/bevel/bevelWidth'
import type { Side } from '#core/records/common/side'
import { edgePointAt } from '#core/math/curve/edgePoints'
import { adviseDial } from '#core/geometry/dial/advised'
import type { InkPattern } from '#core/log/choices'
import type { InkAsk } from '#core/observe/marker/inkSays'
import { knownBefore } from '#core/observe/marker/knownBefore'
import { neededToDecide } from '#core/observe/marker/neededToDecide'
import { looksAtZones } from '#core/observe/marker/looksAtZones'
import type { Candidate } from '#core/observe/marker/nextSetting'
import { logEntry, type BevelFound, type InkLookEntry, type InkZone, type LogEntry } from '#core/log/entry'
import { testsSinceGround } from '#core/log/groundAt'
import { byTime, ofKind } from '#core/log/activeEntries'
import { EXPECTED } from '#core/process/purposes'
import { checked } from '#core/schema/problem'
import type { DialSetting } from '#core/records/rig/dials/readings'
import { contactFor } from '#core/geometry/setup/setup'
import { isHeavyHand, lightPassUm } from '#core/observe/marker/look'
import { useForm } from '~/forms/useForm'
import { purposeOf } from '~/job/purpose'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'
import { useCollections } from '~/stores/collections'
import { useLog } from '~/stores/log'
import { zoneName } from '~/words/zoneText'
import { useAnswer } from '~/workers/useAnswer'

/** What is told of one zone: the pattern, and the fraction of it that is bare. */
export interface Observed {
  readonly seen: InkPattern
  readonly fraction: number
  /** Of the zone's edge, where pictures told it, mm. */
  readonly shownMm?: number
}

/** A bevel known so well needs no further look, degrees; no better than the set angle backs. */
const NEEDED_DEG = 0.5
const OVER_SET_UNCERTAINTY = 1.25
/** What of earlier jobs tells of the bevel that is there. */
const EARLIER_KINDS = ['proof', 'bevel-found', 'strokes'] as const
/** Settings that are weighed for a next look: so far around what was set and is wanted, and so far apart, degrees. */
const AROUND_DEG = 4
const APART_DEG = 0.25

/** A look that was kept half noted by an earlier version: it said `told`, and a `share` of the face. */
function migrateLookForm({ told }: Raw): Raw {
  const fraction = renamed({ share: 'fraction' })
  const zones = Object.entries(rawOf(told))
  return { observed: Object.fromEntries(zones.map(([zone, one]) => [zone, fraction(rawOf(one))])) }
}

/** The looks at the ink, what they say of each zone, and what to dial for the next one. */
export function useInk() {
  return useJob().share(ink)
}

function ink(job: JobView) {
  const words = useWords()
  const collections = useCollections()
  const logs = useLog()
  const { sides, zones } = job
  const names = computed(() => zones.value.map((_, i) => zoneName(zones.value, i)))
  const middles = computed(() => zones.value.map((zone) => edgePointAt(job.blade.value.edge, zoneMiddleMm(zone))))
  /** Those at the blade that is held: another one that the job had before tells nothing of it. */
  const looks = computed(() =>
    ofKind(job.entries.value, 'ink-look').filter(({ bladeId }) => bladeId === job.content.value.bladeId),
  )

  /** Those that tell of the bevel as it is now: what was tested before its side was ground is no more. */
  const counted = computed(() => testsSinceGround(job.entriesOfBlade.value))

  const setWith = (side: Side, setting: DialSetting): (number | null)[] =>
    middles.value.map((edgePoint) => {
      const contact = contactFor(job.setup.value, side, setting, edgePoint)
      return contact.ok ? contact.edgeAngleDeg : null
    })
  /** What is set at the middle of each zone on the side that is up; null where there is no angle. */
  const setDeg = computed(() => setWith(job.side.value, job.content.value.dialled[job.side.value]))

  /** The face in a zone as its measures have it: how wide at an angle, and the primary half-angle behind it. */
  function faceOf(index: number, side: Side, deg: number): Pick<InkZone, 'widthMm' | 'primaryDeg'> {
    const total = job.edgeMm.value
    const there = asThickAs(job.blade.value, zoneMiddleMm(nth(zones.value, index)) / total)
    return {
      widthMm: bevelWidthMm(bevelThicknessMm(there), job.blade.value.bevelDeg?.[side] ?? deg),
      primaryDeg: Math.max(0, primaryFaceDeg(there, side)),
    }
  }

  /** A look that is being observed, zone by zone: kept until it is noted. */
  const { form: draft } = useForm<{ observed: Record<string, Observed> }>(
    `ink:${job.keptAs}`,
    () => ({ observed: {} }),
    undefined,
    [migrateLookForm],
  )
  const keyOf = (i: number) => `${job.side.value}:${names.value[i]}`
  const observed = computed(() => zones.value.map((_, i): Observed | null => draft.value.observed[keyOf(i)] ?? null))
  function tell(i: number, one: Observed | null) {
    const { [keyOf(i)]: _, ...others } = draft.value.observed
    draft.value.observed = one ? { ...others, [keyOf(i)]: one } : others
  }

  /** Notes a look at the side that is up; zones that nothing is told of are left out. Answers what is wrong with it. */
  function note(): string | null {
    const side = job.side.value
    const set = job.up.value
    if (!set.ok) return job.trouble.value
    const looked = observed.value.flatMap((one, i): InkZone[] => {
      const deg = setDeg.value[i]
      if (!one || deg === null || deg === undefined) return []
      const { kind, fromMm, toMm } = nth(zones.value, i)
      return [{ kind, fromMm, toMm, setDeg: deg, ...faceOf(i, side, deg), seen: one.seen, fraction: one.fraction }]
    })
    if (looked.length === 0) return words.problem({ code: 'no-zone-described' })
    const entry: InkLookEntry = {
      ...job.newEntry(),
      kind: 'ink-look',
      side,
      setUncertaintyDeg: Math.max(0.01, set.uncertaintyDeg),
      zones: looked,
    }
    const read = checked(logEntry, entry)
    const [wrong] = read.ok ? [] : read.problems
    if (wrong) return words.problem(wrong, wrong.field)
    job.session.record('marker test', [entry])
    zones.value.forEach((_, i) => tell(i, null))
    return null
  }
  /** Looks at this blade from other jobs, newest first, that were not taken over yet. */
  const earlier = computed(() =>
    (job.practising ? [] : logs.ofKind('ink-look'))
      .filter(({ bladeId, jobId }) => bladeId === job.content.value.bladeId && jobId !== job.id)
      .filter((then) => !looks.value.some(({ at, side }) => at === then.at && side === then.side))
      .toReversed(),
  )
  /** Counts an earlier look in this job too: as it was entered, when it was. */
  const countToo = (then: InkLookEntry) =>
    void job.session.record('count an earlier test', [{ ...then, id: newId(), jobId: job.id }])
  /** What the tests say of the side that is up, taken for known; null where a zone of it is not known yet. */
  const bevelFound = computed((): BevelFound['zones'] | null => {
    const faces = zones.value.map((_, i) => foundOn(job.side.value)[i] ?? null)
    if (faces.length === 0 || faces.some((face) => face === null)) return null
    return faces.flatMap((face, i) => {
      if (!face) return []
      const { kind, fromMm, toMm } = nth(zones.value, i)
      const { middleDeg, toDeg, fromDeg } = face.angle
      return [{ kind, fromMm, toMm, deg: middleDeg, uncertaintyDeg: Math.max(0.01, (toDeg - fromDeg) / 2) }]
    })
  })
  function recordFound() {
    if (!bevelFound.value) return
    const about = { ...job.session.newEntry(), kind: 'bevel-found' as const, side: job.side.value }
    job.session.record('the bevel that was found', [{ ...about, zones: bevelFound.value }])
  }
  const retract = (entry: InkLookEntry) => void job.session.record('remove a marker test', [], [entry.id])

  /** Settings of this rig that may be advised for the side that is up, with what they give in each zone. */
  const settings = computed((): (Candidate & { setting: DialSetting })[] => {
    const side = job.side.value
    // Whatever stands on the dial now, the same settings are weighed: one that was advised stays the advice.
    const around = [
      job.content.value.wanted.deg[side],
      ...counted.value.filter((look) => look.side === side).flatMap((look) => look.zones.map((zone) => zone.setDeg)),
    ].map((deg) => Math.round(deg / APART_DEG) * APART_DEG)
    const [from, to] = [Math.min(...around) - AROUND_DEG, Math.max(...around) + AROUND_DEG]
    const known = new Map<string, Candidate & { setting: DialSetting }>()
    for (let deg = from; deg <= to; deg += APART_DEG) {
      const advice = adviseDial(job.setup.value, side, deg, job.dialFor.value.edgePoint)
      if (!advice.ok) continue
      const key = JSON.stringify(advice.setting)
      if (!known.has(key)) known.set(key, { setting: advice.setting, setDeg: setWith(side, advice.setting) })
    }
    return [...known.values()]
  })

  const setUncertaintyDeg = computed(() => Math.max(0.05, ...counted.value.map((look) => look.setUncertaintyDeg)))
  const grainsUm = computed(() =>
    counted.value.flatMap(({ stoneId }) => collections.stones.find((stone) => stone.id === stoneId)?.grainUm ?? []),
  )
  const neededDeg = computed(() => Math.max(NEEDED_DEG, OVER_SET_UNCERTAINTY * setUncertaintyDeg.value))
  /** Whether the first test is planned too: where its sheet is open. */
  const plansFirst = shallowRef(false)
  /** What earlier jobs say of the blade: of a blade that is practised on nothing. */
  const before = computed(() => {
    if (job.practising) return []
    const { bladeId } = job.content.value
    const log = EARLIER_KINDS.flatMap((kind) => logs.ofKind(kind))
    // What was ground on this job, too, is no longer as it was.
    const tells = (entry: LogEntry) => entry.jobId !== job.id || entry.kind === 'strokes'
    const there = log.filter((entry) => entry.bladeId === bladeId && tells(entry)).sort(byTime)
    return knownBefore(there, zones.value, setUncertaintyDeg.value)
  })
  /** Whether the bevel is looked for to decide about it, not to find its angle. */
  const decides = computed(() => {
    const purpose = purposeOf({ ...job.content.value, id: job.id }, job.blade.value, logs)
    return !job.practising && EXPECTED[purpose].includes('decide')
  })
  /** What light passes with the stones of these tests reach, micrometres. */
  const lightPass = computed(() => lightPassUm(grainsUm.value))
  const ask = computed((): InkAsk | null =>
    counted.value.length === 0 && !plansFirst.value
      ? null
      : {
          faces: sides.value.map((side) => ({ side, zones: looksAtZones(counted.value, side, zones.value) })),
          terms: { depthUm: lightPass.value, setUncertaintyDeg: setUncertaintyDeg.value },
          side: job.side.value,
          candidates: settings.value.map(({ setDeg: of }) => ({ setDeg: of })),
          neededDeg: neededDeg.value,
          wantedDeg: decides.value ? job.wantedDeg.value : null,
          thoughtDeg: job.blade.value.bevelDeg?.[job.side.value] ?? job.wantedDeg.value,
          before: before.value,
        },
  )
  const {
    answered,
    answer,
    running: weighing,
    failure: weighFailure,
    again: weighAgain,
  } = useAnswer('inkSays', () => ask.value)

  /** Of other settings that are weighed the looks themselves say the same. */
  const isNow = computed(() => {
    const looksOf = (of: InkAsk | null | undefined) => of && [of.faces, of.terms]
    return equal(looksOf(answered.value?.ask), looksOf(ask.value))
  })
  const found = computed(() => (isNow.value ? answered.value?.result?.found : undefined))
  /** Per zone of a side what the ink says; null while nothing was seen there, or it is being weighed. */
  const foundOn = (side: Side) => found.value?.[side]?.faces ?? []
  /** How far the passes of these tests reach, where that is further than light ones do, micrometres; else null. */
  const heavy = computed(() => {
    const depthUm = found.value?.[job.side.value]?.depthUm ?? 0
    return isHeavyHand(depthUm, lightPass.value) ? { depthUm, lightUm: lightPass.value[1] } : null
  })
  /** How well each zone of a side must be known, degrees; of a half-width. */
  const neededOn = (side: Side): number => {
    const means = foundOn(side).flatMap((face) => face?.angle.middleDeg ?? [])
    return decides.value ? neededToDecide(means, job.content.value.wanted.deg[side], neededDeg.value) : neededDeg.value
  }
  /** What it said of these zones before the looks that are being weighed; none where nothing is being weighed. */
  const formerOn = (side: Side) => {
    const former = !isNow.value && weighing.value && ask.value ? answered.value?.result?.found[side]?.faces : undefined
    return former?.length === zones.value.length ? former : []
  }
  /** Looks at the side that is up which cannot well be true with the others. */
  const against = computed(() => {
    if (!answer.value) return []
    return answer.value.against
      .filter(({ side }) => side === job.side.value)
      .map(({ zone, look, culprit }) => ({
        name: nth(names.value, zone),
        look: nth(nth(looksAtZones(counted.value, job.side.value, zones.value), zone).looks, look),
        culprit,
      }))
  })
  const next = computed(() => {
    if (!answer.value) return null
    const { next: found } = answer.value
    return { ...found, setting: found.best === null ? null : nth(settings.value, found.best).setting }
  })

  return {
    sides,
    zones,
    names,
    looks,
    counted,
    setDeg,
    faceOf,
    observed,
    tell,
    note,
    earlier,
    countToo,
    retract,
    foundOn,
    formerOn,
    bevelFound,
    recordFound,
    against,
    heavy,
    plansFirst,
    next,
    neededDeg,
    neededOn,
    weighing,
    weighFailure,
    weighAgain,
  }
}
