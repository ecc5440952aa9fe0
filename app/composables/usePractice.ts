import { computed, ref, watch } from 'vue'
import { until } from '@vueuse/core'
import { v7 as newId } from 'uuid'
import type { Side } from '#core/clamping/centring'
import { seenAs, type Stretch } from '#core/ink/bared'
import type { InkLookEntry } from '#core/log/entry'
import { ofKind } from '#core/log/inForce'
import { scoreOf, type Score } from '#core/practice/score'
import { hiddenBlade, type HiddenBladeAsk } from '#core/standIn/hiddenBlade'
import type { Level } from '#core/standIn/level'
import { useInk } from '~/composables/useInk'
import { practiceState } from '~/composables/practiceState'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'
import { useLog } from '~/stores/log'
import { useTask } from '~/workers/useTask'

/** Weighing all looks of a blade takes a second or two. */
const MOST_WAIT_MS = 20_000

/** "Find the bevel" on a hidden blade, on the same screens: its passes, its end, and what it came to. */
export function usePractice() {
  return useJob().share(practice)
}

function practice(job: JobView) {
  const ink = useInk()
  const log = useLog()
  const { form } = job.share(practiceState)
  const on = computed(() => form.value.level !== '')
  const asked = computed((): HiddenBladeAsk => {
    const wanted = job.content.value.wanted.deg.A
    return {
      seed: form.value.seed,
      level: (form.value.level || 'usual') as Level,
      zones: ink.names.value,
      aroundDeg: wanted,
      widthMm: ink.faceOf(0, 'A', wanted).widthMm,
      setDoubtDeg: 0.3,
    }
  })
  const blade = computed(() => hiddenBlade(asked.value))

  function begin(level: Level) {
    form.value = {
      level,
      seed: Math.random(),
      looks: [],
      dialled: JSON.stringify(job.content.value.dialled),
      passed: 0,
      passOf: {},
    }
    score.value = null
  }
  /** Leaves the practice: what was dialled for the blade in the jaws is dialled again. */
  function leave() {
    const before = form.value.dialled
    form.value = { level: '', seed: 0, looks: [], dialled: '', passed: 0, passOf: {} }
    if (before && before !== JSON.stringify(job.content.value.dialled))
      job.change('dial as before the practice', { dialled: JSON.parse(before) as typeof job.content.value.dialled })
  }

  /** What the last light pass bared, zone by zone of the side that is up; null before one, and once it was told. */
  const shown = ref<readonly (readonly Stretch[])[] | null>(null)
  const dialled = computed(() => JSON.stringify(job.content.value.dialled))
  watch([() => job.side.value, dialled, () => form.value.looks.length], () => (shown.value = null))
  function makePass() {
    form.value.passed++
    shown.value = ink.names.value.map((zone, i) => {
      const deg = ink.setDeg.value[i]
      return deg === null || deg === undefined ? [] : blade.value.pass(job.side.value, zone, deg, form.value.passed)
    })
  }

  const task = useTask('advisedWay')
  const score = ref<
    | (Score & {
        looks: number
        advisedLooks: number
        level: Level
        truths: string[]
        ways: string[]
        steelMm3: number
      })
    | null
  >(null)
  /** What the passes that were told took off the hidden blade, mm³: half of their depth, where they bared it. */
  const steelOf = (looks: readonly InkLookEntry[]): number =>
    looks
      .flatMap((look) => look.zones.map((zone) => ({ look, zone })))
      .reduce((sum, { look, zone }) => {
        const name = nameOf(zone.fromMm)
        const runs = blade.value.pass(look.side, name, zone.setDeg, form.value.passOf[look.id] ?? 0)
        const bare = runs.reduce((all, [from, to]) => all + to - from, 0) * blade.value.face(look.side, name).widthMm
        return sum + (bare * (zone.toMm - zone.fromMm) * blade.value.depthUm) / 2000
      }, 0)
  const nameOf = (fromMm: number) => ink.names.value[ink.zones.value.findIndex((zone) => zone.fromMm === fromMm)]!
  const working = ref(false)
  /** Ends the practice and says what it came to. Answers what is missing. */
  async function finish(): Promise<string | null> {
    working.value = true
    try {
      return await ended()
    } finally {
      working.value = false
    }
  }
  async function ended(): Promise<string | null> {
    const { looks, passed } = form.value
    const sides = ink.sides.value.filter((side) => looks.some((look) => look.side === side))
    if (sides.length === 0) return 'Look once at least: make a pass, and tell what it bared.'
    // The looks may still be being weighed.
    await until(() => sides.every((side) => ink.foundOn(side).length > 0)).toBe(true, { timeout: MOST_WAIT_MS })
    if (!sides.every((side) => ink.foundOn(side).length > 0)) return 'The looks could not be weighed. Try again.'
    const found = sides.map((side) => ink.foundOn(side))
    await task.run({ blade: asked.value, sides, neededDeg: ink.neededDeg.value })
    const ways = task.result.value ?? []
    const advised = ways.reduce((sum, way) => sum + way.length, 0)
    const faceAt = (side: Side, zone: string) => blade.value.face(side, zone)
    const zones = sides.flatMap((side, s) =>
      ink.names.value.map((name, i) => {
        const { shoulderDeg, apexDeg } = faceAt(side, name)
        const one = found[s]![i]
        const truth = one && one.kind !== 'flat' ? apexDeg : (shoulderDeg + apexDeg) / 2
        return {
          name: `${side} ${name}`,
          truthDeg: truth - blade.value.rigErrorDeg,
          foundDeg: one?.angle.middleDeg ?? null,
        }
      }),
    )
    const told = looks.flatMap((look) =>
      look.zones.map((zone) => {
        const name = nameOf(zone.fromMm)
        const { pattern, share } = seenAs(
          blade.value.pass(look.side, name, zone.setDeg, form.value.passOf[look.id] ?? 0),
        )
        return { zone: `${look.side} ${name}`, told: zone, shown: { seen: pattern, share } }
      }),
    )
    const level = asked.value.level
    score.value = {
      ...scoreOf({ zones, told, looks: passed, advisedLooks: advised }),
      looks: passed,
      advisedLooks: advised,
      level,
      ways: sides.map((side, i) => `${side} at ${(ways[i] ?? []).map((deg) => `${deg.toFixed(1)}°`).join(', ')}`),
      steelMm3: steelOf(looks),
      truths: zones.map(({ name, truthDeg }) => `${name} ${truthDeg.toFixed(1)}°`),
    }
    const about = { jobId: null, bladeId: null, stoneId: null, instrumentId: null }
    const at = new Date().toISOString()
    log.append([{ ...about, id: newId(), at, kind: 'practice', level, points: score.value.points, looks: passed }])
    leave()
    return null
  }

  /** The best of each level, as far back as the log goes. */
  const best = computed(() => {
    const all = ofKind(log.entries, 'practice')
    return (level: Level) =>
      all.filter((one) => one.level === level).sort((a, b) => b.points - a.points || a.looks - b.looks)[0] ?? null
  })

  return { on, form, blade, asked, begin, leave, shown, makePass, finish, score, best, working }
}
