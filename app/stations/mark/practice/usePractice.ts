import { computed, ref, watch } from 'vue'
import { until } from '@vueuse/core'
import { v7 as newId } from 'uuid'
import { bestOf } from '#core/simulation/practice/best'
import { useWords } from '~/words/useWords'
import { nth } from '#core/math/list'
import type { Span } from '#core/observe/marker/exposed'
import { outcomeOf, type PracticeObservation } from '#core/simulation/practice/outcome'
import { scoreOf } from '#core/simulation/practice/score'
import { hiddenBlade } from '#core/simulation/standIn/hiddenBlade'
import type { Level } from '#core/log/choices'
import { zoneAt, zoneMiddleMm } from '#core/records/blade/zones'
import { useInk } from '~/composables/useInk'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'
import { useLog } from '~/stores/log'
import { useTask } from '~/workers/useTask'

/** Weighing all looks of a blade takes a second or two. */
const MOST_WAIT_MS = 20_000
/** The make-believe rig is off by an error drawn from this half-width, degrees. */
const RIG_UNCERTAINTY_DEG = 0.3

/** "Find the bevel" on a hidden blade, on the same screens: its passes, its end, and what it came to. */
export function usePractice() {
  return useJob().share(practice)
}

function practice(job: JobView) {
  const words = useWords()
  const ink = useInk()
  const log = useLog()
  const { form, blade: hidden, result } = job.practice
  const level = computed(() => hidden.value?.level ?? null)
  const passes = computed(() => form.value.passes)
  const blade = computed(() => hidden.value && hiddenBlade(hidden.value))

  function begin(of: Level) {
    const aroundDeg = job.content.value.wanted.deg.A
    return job.practice.begin({
      seed: Math.random(),
      level: of,
      zones: ink.names.value,
      aroundDeg,
      widthMm: ink.faceOf(0, 'A', aroundDeg).widthMm,
      setUncertaintyDeg: RIG_UNCERTAINTY_DEG,
    })
  }

  /**
   * What the last light pass exposed, zone by zone of the side that is up; null before one, and once it was observed.
   */
  const shown = ref<readonly (readonly Span[])[] | null>(null)
  const dialled = computed(() => JSON.stringify(job.content.value.dialled))
  watch([() => job.side.value, dialled, () => ink.looks.value.length], () => (shown.value = null))
  function makePass() {
    form.value.passes++
    shown.value = ink.names.value.map((zone, i) => {
      const deg = ink.setDeg.value[i]
      return deg === null || deg === undefined ? [] : blade.value!.pass(job.side.value, zone, deg, passes.value)
    })
  }

  const observed = computed((): PracticeObservation[] =>
    ink.looks.value.flatMap((look) =>
      look.zones.map(({ setDeg, seen, fraction, ...zone }) => ({
        side: look.side,
        zone: nth(ink.names.value, zoneAt(ink.zones.value, zoneMiddleMm(zone))),
        lengthMm: zone.toMm - zone.fromMm,
        pass: form.value.passOf[look.id] ?? 0,
        setDeg,
        seen,
        fraction,
      })),
    ),
  )
  const task = useTask('advisedWay')
  const working = ref(false)
  /** Ends the practice and says what it came to. Answers what is missing. */
  async function finish(): Promise<string | null> {
    if (working.value) return null
    working.value = true
    const missing = await end()
    working.value = false
    return missing
  }
  async function end(): Promise<string | null> {
    const sides = ink.sides.value.filter((side) => observed.value.some((one) => one.side === side))
    if (!hidden.value || sides.length === 0) return words.problem({ code: 'practice-without-look' })
    // The looks may still be being weighed.
    const weighed = () => sides.every((side) => ink.foundOn(side).length > 0)
    await until(weighed).toBe(true, { timeout: MOST_WAIT_MS })
    if (!weighed()) {
      void ink.weighAgain()
      return words.problem({ code: 'looks-not-weighed' })
    }
    const ways = await task.run({ blade: hidden.value, sides, neededDeg: ink.neededDeg.value })
    if (!ways) return task.failure.value && words.problem(task.failure.value)
    const found = sides.map((side) => ({ side, faces: ink.foundOn(side) }))
    const outcome = outcomeOf(blade.value!, ink.names.value, found, observed.value)
    const advisedPasses = ways.reduce((sum, way) => sum + way.length, 0)
    const score = scoreOf(outcome, passes.value, advisedPasses)
    const advised = sides.map((side, i) => ({ side, setDeg: nth(ways, i) }))
    result.value = { ...outcome, ...score, passes: passes.value, advised }
    const about = { jobId: null, bladeId: null, stoneId: null, instrumentId: null }
    const entry = { ...about, id: newId(), at: new Date().toISOString(), level: hidden.value.level }
    log.append([{ ...entry, kind: 'practice', points: score.points, looks: passes.value }])
    await job.practice.end()
    return null
  }

  /** The best of a level, as far back as the log goes. */
  const all = computed(() => log.ofKind('practice'))
  const best = (of: Level) => bestOf(all.value, of)

  return { level, passes, blade, begin, leave: job.practice.end, shown, makePass, finish, best, working }
}
