import { computed, ref, watch } from 'vue'
import { tiedPairs, type RigFit } from '#core/calibration/fitRig'
import { mendedRig, mendedStone } from '#core/calibration/mended'
import { movableOn, unknownsOf, type UnknownId } from '#core/calibration/provedOnRig'
import { evaluate } from '#core/evaluation/evaluate'
import type { KeptRig, KeptStone } from '#core/kept/things'
import { fittedWith } from '#core/rig/jaws'
import { useRigProofs } from '~/composables/useRigProofs'
import { useWords } from '~/composables/useWords'
import { useKeptForm } from '~/describing/useKeptForm'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'
import { useCollections } from '~/stores/collections'
import { useTask } from '~/workers/useTask'

/** What the angles proved on this job's rig say of its measures, and those taken over. */
export const useCalibration = () => useJob().share(calibration)

function calibration(job: JobView) {
  const collections = useCollections()
  const toast = useToast()
  const words = useWords()
  const { rig, counting } = useRigProofs()
  const { form } = useKeptForm(`calibration:${job.id}`, () => ({ fixed: [] as UnknownId[] }))
  const moving = computed(() => movableOn(rig.value).filter((id) => !form.value.fixed.includes(id)))
  const proved = computed(() => counting(moving.value))
  const stones = computed(() => {
    const used = new Set(proved.value.counted.map(({ angle }) => angle.stoneId))
    return collections.stones.filter(({ id }) => used.has(id))
  })
  /** All that can be asked of this rig, with its tolerance now. */
  const every = computed(() => unknownsOf(rig.value, stones.value, job.content.value))
  const unknowns = computed(() => every.value.filter(({ id }) => moving.value.includes(id)))

  const task = useTask('fittingRig')
  const ask = computed(() =>
    proved.value.counted.length === 0 || unknowns.value.length === 0
      ? null
      : { proofs: proved.value.counted.map(({ angle }) => angle), unknowns: unknowns.value },
  )
  const answered = ref('')
  async function work() {
    const now = ask.value
    if (!now) return
    const key = JSON.stringify(now)
    await task.run(now)
    answered.value = key
    if (JSON.stringify(ask.value) !== key) await work()
  }
  watch(ask, () => void (task.running.value || work()), { immediate: true })
  /** Null while it is being worked out, or where nothing counts. */
  const fit = computed((): RigFit | null =>
    ask.value && answered.value === JSON.stringify(ask.value) ? task.result.value : null,
  )
  const tied = computed(() => (fit.value ? tiedPairs(fit.value) : []))

  /** What this job would be set to with the fitted measures. */
  const after = computed(() => {
    if (!fit.value) return null
    const ids = proved.value.counted.map(({ proof }) => proof.id)
    const mended = mendedRig(rig.value, fit.value, ids)
    const stone = mendedStone(job.stone.value as KeptStone, fit.value)
    const setup = { ...job.setup.value, rig: fittedWith(mended, job.content.value.jawsName), stone }
    return { mended, evaluation: evaluate(setup, job.content.value, job.stations.value) }
  })

  const busy = ref(false)
  const failure = ref('')
  /** Takes the fitted measures over: a new version of the rig, its stones, and this job on them. */
  async function takeOver() {
    if (!fit.value || !after.value) return
    busy.value = true
    failure.value = ''
    const [was, stonesWere, found] = [rig.value, stones.value, fit.value]
    const answer = await collections.keep('rigs', after.value.mended, was)
    if (!answer.ok) failure.value = words.problem(answer.problem)
    else {
      const kept: [KeptStone, KeptStone][] = []
      for (const stone of stonesWere) {
        const mended = mendedStone(stone, found)
        if (mended === stone) continue
        const stored = await collections.keep('stones', mended, stone)
        if (stored.ok) kept.push([stone, stored.value])
        else failure.value = words.problem(stored.problem)
      }
      job.actions.chooseRig(was.id)
      toast.add({
        title: `${was.name} goes by its proofs now`,
        duration: 12_000,
        actions: [{ label: 'Undo', onClick: () => void putBack(was, answer.value, kept) }],
      })
    }
    busy.value = false
  }
  async function putBack(was: KeptRig, now: KeptRig, kept: readonly [KeptStone, KeptStone][]) {
    const back = await collections.keep('rigs', was, now)
    for (const [before, after] of kept) await collections.keep('stones', before, after)
    if (back.ok) job.actions.chooseRig(was.id)
    else failure.value = words.problem(back.problem)
  }

  return { rig, form, every, proved, stones, fit, tied, after, working: task.running, busy, failure, takeOver }
}
