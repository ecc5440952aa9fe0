import { computed } from 'vue'
import { plansFor, type Plan as PlanOn } from '#core/process/decision/plans'
import { unevenRig } from '#core/process/decision/unevenRig'
import type { StoneRecord } from '#core/records/storage/kinds'
import type { LogEntry } from '#core/log/entry'
import { useInk } from '~/composables/useInk'
import { useStoneRates } from '~/composables/useStoneRates'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { useWords } from '~/words/useWords'
import { CHOICE_WORD, whyText } from '~/words/decisionText'

/** A zone known this many times less well than is needed is still rough. */
const ROUGH = 1.2

export type Plan = PlanOn<StoneRecord>

/** Follow the bevel that was found, cut the wanted one, or go step by step: all in full, and which is advised. */
export function useDecision() {
  return useJob().share(decision)
}

function decision(job: JobView) {
  const ink = useInk()
  const { rateOf, pace } = useStoneRates()
  const preferences = usePreferences()
  const words = useWords()

  /** The zones of all sides, each with its name and what was found there. */
  const faces = computed(() =>
    ink.sides.value.flatMap((side) => {
      const found = ink.foundOn(side)
      return ink.names.value.map((zone, i) => ({
        name: `${preferences.current.sideNames[side]} ${zone}`,
        face: found[i] ?? null,
        neededDeg: ink.neededOn(side),
      }))
    }),
  )
  /** Zones that nothing is known of yet, in words. */
  const open = computed(() => faces.value.flatMap(({ name, face }) => (face ? [] : [name])))
  /** Zones known less well than the decision needs, in words. */
  const rough = computed(() =>
    faces.value.flatMap(({ name, face, neededDeg }) => {
      const uncertaintyDeg = face ? (face.angle.toDeg - face.angle.fromDeg) / 2 : 0
      return uncertaintyDeg > ROUGH * neededDeg ? [`${name} ± ${angleText(uncertaintyDeg)}`] : []
    }),
  )

  /** The stones of the job, or the whole box where none are chosen. */
  const stones = computed(() => {
    const { progression } = job.content.value
    return job.stones.value.filter((stone) =>
      progression.length > 0 ? progression.includes(stone.id) : stone.archivedAt === null,
    )
  })
  /** Null until every zone is known. */
  const decided = computed(() =>
    open.value.length > 0
      ? null
      : plansFor({
          setup: job.setup.value,
          edgePoint: job.dialFor.value.edgePoint,
          zones: ink.zones.value,
          stones: stones.value,
          rateOf,
          pace: pace.value,
          sides: ink.sides.value.map((side) => ({
            side,
            faces: ink.foundOn(side).filter((face) => face !== null),
            wantedDeg: job.content.value.wanted.deg[side],
          })),
        }),
  )
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
    const why = whyText(plan, decided.value!.there)
    const entry: LogEntry = { ...job.session.newEntry(), kind: 'decided', choice: plan.choice, deg, why }
    const wanted = { deg, linked: deg.A === deg.B, why }
    const [wrong] = job.session.record(`apply: ${CHOICE_WORD[plan.choice].toLowerCase()}`, [entry], [], { wanted })
    return wrong ? words.problem(wrong, wrong.field) : null
  }
  return {
    open,
    rough,
    there: computed(() => decided.value?.there ?? []),
    advised: computed(() => decided.value?.advised ?? null),
    plans: computed(() => decided.value?.plans ?? []),
    unevenRig: unevenHere,
    take,
  }
}
