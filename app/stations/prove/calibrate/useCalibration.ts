import { computed, ref } from 'vue'
import { tiedPairs, type Unknown } from '#core/observe/calibration/fitRig'
import { asBefore, calibratedRig } from '#core/observe/calibration/calibrated'
import { priorCorrelation, freeParameters, unknownsOf } from '#core/observe/calibration/provedOnRig'
import { evaluate } from '#core/uncertainty/evaluate'
import type { UnknownId } from '#core/records/rig/unknowns'
import { fittedAt, onRig } from '#core/records/rig/fittedAt'
import { fittedWith } from '#core/records/rig/jaws'
import { useRigProofs } from '~/composables/useRigProofs'
import { useWords } from '~/words/useWords'
import { useForm } from '~/forms/useForm'
import type { Rig } from '#core/records/rig/rig'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'
import { useCollections } from '~/stores/collections'
import { useAnswer } from '~/workers/useAnswer'

/** What is surely right. */
interface Fixed {
  fixed: UnknownId[]
  /** Stones by their faces. */
  fixedStones: string[]
}

/** What the angles proved on this job's rig say of its measures, and those taken over. */
export const useCalibration = () => useJob().share(calibration)

function calibration(job: JobView) {
  const collections = useCollections()
  const toast = useToast()
  const words = useWords()
  const { rig, counting } = useRigProofs()
  const { form } = useForm<Fixed>(`calibration:${job.id}`, () => ({ fixed: [], fixedStones: [] }))
  const moving = computed(() =>
    freeParameters(rig.value).filter((id) => id === 'face-offset' || !form.value.fixed.includes(id)),
  )
  const proved = computed(() => counting(moving.value, undefined, form.value.fixedStones))
  /** The stones that were proved with, and those whose faces hang together with the rig's measures. */
  const stones = computed(() => {
    const used = new Set(proved.value.counted.map(({ angle }) => angle.stoneId))
    return collections.stones
      .map((one) => onRig(rig.value, one))
      .filter((one) => used.has(one.id) || fittedAt(rig.value, 'face-offset', one) >= 0)
  })
  /** All that can be asked of this rig, with its tolerance now. */
  const every = computed(() => unknownsOf(rig.value, stones.value, job.content.value))
  const mayMove = ({ id, stoneId }: Unknown & { readonly id: UnknownId }) =>
    stoneId === null ? !form.value.fixed.includes(id) : !form.value.fixedStones.includes(stoneId)
  const unknowns = computed(() => every.value.filter(mayMove))
  function letMove({ id, stoneId }: Unknown & { readonly id: UnknownId }, may: boolean) {
    const without = <T>(all: readonly T[], one: T) => all.filter((other) => other !== one)
    const { fixed, fixedStones } = form.value
    if (stoneId === null) form.value.fixed = may ? without(fixed, id) : [...fixed, id]
    else form.value.fixedStones = may ? without(fixedStones, stoneId) : [...fixedStones, stoneId]
  }

  /** Null while it is being worked out, or where nothing counts. */
  const {
    answer: fit,
    running: working,
    failure: fitFailure,
    again: fitAgain,
  } = useAnswer('calibratingRig', () =>
    proved.value.counted.length === 0 || unknowns.value.length === 0
      ? null
      : {
          proofs: proved.value.counted.map(({ angle }) => angle),
          unknowns: unknowns.value,
          priorCorrelation: priorCorrelation(rig.value, stones.value, unknowns.value),
        },
  )
  const tied = computed(() => (fit.value ? tiedPairs(fit.value) : []))

  /** Those that are applied; the others are to be repeated first. */
  const applied = computed(() => proved.value.counted.filter((_, i) => !fit.value?.repeat.includes(i)))
  /** What this job would be set to with the fitted measures. */
  const after = computed(() => {
    if (!fit.value || applied.value.length === 0) return null
    const calibrated = calibratedRig(rig.value, stones.value, fit.value, {
      at: new Date().toISOString(),
      ofRevision: rig.value.revision,
      proofIds: applied.value.map(({ proof }) => proof.id),
    })
    const stone = onRig(
      calibrated,
      collections.stones.find(({ id }) => id === job.content.value.stoneId)!,
    )
    const setup = { ...job.setup.value, rig: fittedWith(calibrated, job.content.value.jawsName), stone }
    return { calibrated, evaluation: evaluate(setup, job.content.value, job.edgePoints.value, job.placeMm.value) }
  })

  const busy = ref(false)
  const failure = ref('')
  /** Keeps the rig with other measures, and puts this job on them. Answers whether it was kept. */
  async function keep(to: Rig): Promise<boolean> {
    busy.value = true
    failure.value = ''
    const answer = await collections.keep('rigs', to, rig.value)
    if (answer.ok) job.actions.chooseRig(rig.value.id)
    else failure.value = words.problem(answer.problem)
    busy.value = false
    return answer.ok
  }
  /** Takes the fitted measures over: a new version of the rig, and this job on it. */
  async function takeOver() {
    if (!after.value || !(await keep(after.value.calibrated))) return
    toast.add({
      title: `${rig.value.name} goes by its proofs now`,
      duration: 12_000,
      actions: [{ label: 'Undo', onClick: () => void putBack() }],
    })
  }
  /** The rig as it was before proofs calibrated it last; null where it was not, or where that is not known any more. */
  const before = computed(() => {
    const { fitted, calibratedBy } = rig.value
    const was = fitted && collections.rigAt(rig.value.id, fitted.ofRevision)
    return was && was.calibratedBy.length < calibratedBy.length ? was : null
  })
  /** Puts the measures back as they were before proofs calibrated them last. */
  async function putBack() {
    if (before.value) await keep(asBefore(rig.value, before.value))
  }

  return {
    rig,
    mayMove,
    letMove,
    every,
    proved,
    stones,
    fit,
    applied,
    tied,
    after,
    working,
    fitFailure,
    fitAgain,
    busy,
    failure,
    takeOver,
    before,
    putBack,
  }
}
