import { computed } from 'vue'
import equal from 'fast-deep-equal'
import { bevelThicknessMm } from '#core/blade/bevelThickness'
import { primaryFaceDeg } from '#core/blade/primaryFace'
import { asThickAs } from '#core/blade/taper'
import type { Side } from '#core/clamping/centring'
import { evenStations } from '#core/curve/stations'
import { CHOICES, decide, nearer, type Choice } from '#core/decision/decide'
import {
  planSide,
  sharpeningsLeft,
  thickEnoughMm,
  thinningMm3,
  type Place,
  type SidePlan,
  type ZonePlan,
} from '#core/decision/plan'
import { coarsestSensible, SECONDS_PER_STROKE, strokesFor } from '#core/decision/strokes'
import { unevenRig } from '#core/decision/unevenRig'
import { adviseDial } from '#core/dial/advised'
import type { FoundFace } from '#core/ink/findBevel'
import type { DialSetting } from '#core/rig/dials/readings'
import { contactFor } from '#core/setup/setup'
import { useInk } from '~/composables/useInk'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { CHOICE_WORD } from '~/words/decisionText'
import { reasonText } from '~/words/reasonText'
import { zoneAt } from '~/words/zoneText'

const PLACES = 60
/** A zone known this many times less well than is needed is still rough. */
const ROUGH = 1.2
/** A tenth of a degree is the finest that is dialled for. */
const rounded = (deg: number): number => Math.round(deg * 10) / 10

/** One side of a plan: what is dialled and what it comes to, or why it cannot be ground. */
export type SideOfPlan = {
  readonly side: Side
  readonly deg: number
} & (
  | {
      readonly ok: true
      readonly setting: DialSetting
      /** What the rig gives so dialled, at the place that the dial is for; it may have no nearer setting. */
      readonly setDeg: number
      readonly zones: readonly ZonePlan[]
      readonly removedMm3: number
      /** The same with the bevel as flat and as steep as it may be. */
      readonly rangeMm3: readonly [least: number, most: number]
      readonly strokes: number
      readonly left: number
      /** What thinning takes first; 0 where it is thin enough. */
      readonly thinningMm3: number
    }
  | { readonly ok: false; readonly why: string }
)

export interface Plan {
  readonly choice: Choice
  readonly sides: readonly SideOfPlan[]
  /** Sharpenings until the wanted angle is there. */
  readonly sharpenings: number
  /** Another plan that the rig dials alike on every side; null where this one differs. */
  readonly sameAs: Choice | null
  readonly stoneName: string | null
  /** At the stone, both sides; null where a side cannot be ground, or there is no stone. */
  readonly minutes: number | null
}

/** Follow the bevel that was found, cut the wanted one, or come nearer: all three in full, and which is advised. */
export function useDecision() {
  return useJob().share(decision)
}

function decision(job: JobView) {
  const ink = useInk()
  const collections = useCollections()
  const preferences = usePreferences()
  const stations = computed(() => evenStations(job.blade.value.edge, PLACES))

  /** Zones of both sides that nothing is known of yet, in words. */
  const open = computed(() =>
    ink.sides.value.flatMap((side) => {
      const found = ink.foundOn(side)
      return ink.zones.value.flatMap((_, i) =>
        found[i] ? [] : [`${preferences.current.sideNames[side]} ${ink.names.value[i]}`],
      )
    }),
  )

  /** Zones known less well than the decision needs, in words. */
  const rough = computed(() =>
    ink.sides.value.flatMap((side) =>
      ink.foundOn(side).flatMap((face, i) => {
        const doubtDeg = face ? (face.angle.toDeg - face.angle.fromDeg) / 2 : 0
        return doubtDeg > ROUGH * ink.neededDeg.value
          ? [`${preferences.current.sideNames[side]} ${ink.names.value[i]} ± ${angleText(doubtDeg)}`]
          : []
      }),
    ),
  )

  /** What is there on each side: its mean along the edge, and how well it is known. */
  const there = computed(() => {
    if (open.value.length > 0) return null
    return ink.sides.value.map((side) => {
      const faces = ink.foundOn(side) as FoundFace[]
      const total = stations.value.at(-1)!.fromHeelMm
      const mean = (of: (face: FoundFace) => number) =>
        ink.zones.value.reduce((sum, { fromMm, toMm }, i) => sum + (of(faces[i]!) * (toMm - fromMm)) / total, 0)
      return {
        side,
        faces,
        thereDeg: mean((face) => (face.angle.middleDeg + face.shoulder.middleDeg) / 2),
        doubtDeg: mean((face) => (face.angle.toDeg - face.angle.fromDeg) / 2),
        wantedDeg: job.content.value.wanted.deg[side],
      }
    })
  })

  /** The edge of a side as it would be ground with a setting; or why the stone cannot. */
  function placesOf(side: Side, faces: readonly FoundFace[], setting: DialSetting): Place[] | string {
    const total = stations.value.at(-1)!.fromHeelMm
    const places: Place[] = []
    for (const [i, station] of stations.value.entries()) {
      const contact = contactFor(job.setup.value, side, setting, station)
      if (!contact.ok) return reasonText(contact, preferences.unit)
      const zone = zoneAt(ink.zones.value, station.fromHeelMm)
      const blade = asThickAs(job.blade.value, station.fromHeelMm / total)
      places.push({
        zone,
        // The first and the last stand for half a stretch.
        lengthMm: (total / (PLACES - 1)) * (i === 0 || i === PLACES - 1 ? 0.5 : 1),
        shoulderMm: bevelThicknessMm(blade),
        primaryDeg: Math.max(0, primaryFaceDeg(blade, side)),
        heightMm: blade.widthMm,
        thereDeg: { apex: faces[zone]!.angle.middleDeg, shoulder: faces[zone]!.shoulder.middleDeg },
        newDeg: contact.edgeAngleDeg,
      })
    }
    return places
  }

  /** The stones of the job, or the whole box where none are chosen. */
  const stones = computed(() => {
    const { progression } = job.content.value
    return collections.stones.filter((stone) =>
      progression.length > 0 ? progression.includes(stone.id) : stone.archivedAt === null,
    )
  })

  function sideOf(side: Side, deg: number, of: NonNullable<typeof there.value>[number]) {
    const advice = adviseDial(job.setup.value, side, deg, job.dialFor.value.station)
    if (!advice.ok) return { side, deg, ok: false, why: reasonText(advice, preferences.unit) } as const
    const places = placesOf(side, of.faces, advice.setting)
    if (typeof places === 'string') return { side, deg, ok: false, why: places } as const
    const plan = planSide(places)
    if (!plan.ok) {
      const flat = Math.max(...places.map(({ primaryDeg }) => primaryDeg))
      const why = `Flatter than the blade’s own flat, ${angleText(flat)}: no bevel would end there.`
      return { side, deg, ok: false, why } as const
    }
    const shifted = (byDeg: number) => {
      const moved = places.map((place): Place => {
        const { apex, shoulder } = place.thereDeg
        return { ...place, thereDeg: { apex: Math.max(1, apex + byDeg), shoulder: Math.max(1, shoulder + byDeg) } }
      })
      const other: SidePlan = planSide(moved)
      return other.ok ? other.removedMm3 : plan.removedMm3
    }
    const ends = [shifted(-of.doubtDeg), plan.removedMm3, shifted(of.doubtDeg)]
    const share = job.blade.value.bevels === 'A' ? 1 : 0.5
    const most = thickEnoughMm(deg) * share
    return {
      side,
      deg,
      ok: true,
      setting: advice.setting,
      setDeg: advice.givesDeg,
      zones: plan.zones,
      faceMm2: plan.faceMm2,
      removedMm3: plan.removedMm3,
      rangeMm3: [Math.min(...ends), Math.max(...ends)],
      left: Math.min(...places.filter((_, i) => i % 10 === 0).map((place) => sharpeningsLeft(place, most))),
      thinningMm3: thinningMm3(places, most),
    } as const
  }

  const worked = computed((): Omit<Plan, 'sameAs'>[] => {
    const sides = there.value
    if (!sides) return []
    return CHOICES.flatMap((choice): Omit<Plan, 'sameAs'>[] => {
      const steps = sides.map(({ thereDeg, wantedDeg }) => nearer(thereDeg, wantedDeg))
      const sharpenings = choice === 'nearer' ? Math.max(...steps.map((step) => step.sharpenings)) : 1
      if (choice === 'nearer' && sharpenings < 2) return []
      const degs = { follow: (i: number) => sides[i]!.thereDeg, cut: (i: number) => sides[i]!.wantedDeg }
      const ground = sides.map((of, i) =>
        sideOf(
          of.side,
          rounded(choice === 'nearer' ? of.thereDeg + (of.wantedDeg - of.thereDeg) / sharpenings : degs[choice](i)),
          of,
        ),
      )
      const done = ground.filter((one) => one.ok)
      // One stone for both sides: the side with less to take says what is too coarse.
      const least = done.reduce<(typeof done)[number] | null>(
        (a, b) => (a && a.removedMm3 / a.faceMm2 <= b.removedMm3 / b.faceMm2 ? a : b),
        null,
      )
      const stone = least && coarsestSensible(stones.value, least.removedMm3, least.faceMm2)
      const strokes = (mm3: number) => (stone ? strokesFor(mm3, stone.grainUm) : 0)
      return [
        {
          choice,
          sharpenings,
          stoneName: stone?.name ?? null,
          sides: ground.map((one) => (one.ok ? { ...one, strokes: strokes(one.removedMm3) } : one)),
          minutes:
            stone && done.length === ground.length
              ? (done.reduce((sum, one) => sum + strokes(one.removedMm3), 0) * SECONDS_PER_STROKE) / 60
              : null,
        },
      ]
    })
  })

  const advised = computed(() => {
    const cut = worked.value.find(({ choice }) => choice === 'cut')
    return there.value && cut
      ? decide(there.value, cut.sides.every(({ ok }) => ok) ? (cut.minutes ?? Infinity) : null)
      : null
  })

  /** The advised plan first; each that is dialled as one before it says so. */
  const plans = computed((): Plan[] => {
    const first = advised.value?.choice
    const ordered = [...worked.value].sort((a, b) => Number(b.choice === first) - Number(a.choice === first))
    const dials = ordered.map(({ sides }) =>
      sides.every(({ ok }) => ok) ? sides.map((one) => one.ok && one.setting) : null,
    )
    return ordered.map((plan, i) => {
      const before = dials.findIndex((dial) => dial !== null && equal(dial, dials[i]))
      return { ...plan, sameAs: before >= 0 && before < i ? ordered[before]!.choice : null }
    })
  })

  /** Where the blade is even and the rig at this hold is not: what the rig gives at either end of it, degrees. */
  const unevenHere = computed(() =>
    unevenRig(
      ink.setDeg.value,
      ink.foundOn(job.side.value).map((face) => face && face.angle.middleDeg),
    ),
  )

  /** Takes a plan over into what is wanted, with the reason. Answers what is wrong with it. */
  function take(plan: Plan): string | null {
    const deg = { ...job.content.value.wanted.deg }
    for (const { side, deg: of } of plan.sides) deg[side] = of
    if (ink.sides.value.length === 1) deg.B = deg.A
    return job.change(`take over: ${CHOICE_WORD[plan.choice].toLowerCase()}`, {
      wanted: { deg, linked: deg.A === deg.B, why: whyText(plan) },
    })
  }
  function whyText(plan: Plan): string {
    const found = there
      .value!.map((one) => `${angleText(one.thereDeg, one.doubtDeg)} ± ${angleText(one.doubtDeg, one.doubtDeg)}`)
      .join(' and ')
    const by = `Ink found ${found}`
    if (plan.choice === 'follow') return `${by}: followed, the bevel that is there.`
    if (plan.choice === 'cut') return `${by}: cut anew.`
    const to = [...new Set(there.value!.map(({ wantedDeg }) => angleText(wantedDeg)))].join(' and ')
    return `${by}: nearer each time, ${to} in ${plan.sharpenings} sharpenings.`
  }

  return { open, rough, there, plans, advised, unevenRig: unevenHere, take }
}
