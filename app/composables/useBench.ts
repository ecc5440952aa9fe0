import { computed, shallowRef, watchEffect } from 'vue'
import { createSharedComposable } from '@vueuse/core'
import { evenStations } from '#core/curve/stations'
import { fittedWith } from '#core/rig/jaws'
import { rigMeasures } from '#core/rig/rig'
import { lowestPivotHeightMm } from '#core/dial/lowestPivotHeight'
import { evaluate, type Evaluation, type SideSet } from '#core/evaluation/evaluate'
import type { Setup } from '#core/setup/setup'
import type { Side } from '#core/clamping/centring'
import type { Refusal } from '#core/angle/reasons'
import { reasonText } from '~/words/reasonText'
import { useCollections } from '~/stores/collections'
import { useJob } from '~/stores/job'
import { usePreferences } from '~/stores/preferences'

const STATIONS_ALONG_EDGE = 400

/** The job's real things, everything the geometry gives for them, and the side that is up. */
export const useBench = createSharedComposable(() => {
  const collections = useCollections()
  const job = useJob()
  const preferences = usePreferences()
  const side = shallowRef<Side>('A')

  /** The rig as it was measured for this job, with the jaws that are fitted. */
  const rig = computed(() => {
    const asThen = job.content && collections.rigAt(job.content.rigId, job.content.rigRevision)
    return asThen ? fittedWith(asThen, job.content!.jawsName) : null
  })
  /** The same rig with newer measures, where there are any. */
  const rigMeasuredAnew = computed(() => {
    const now = collections.rigs.find((one) => one.id === job.content?.rigId)
    if (!now || !job.content || job.content.rigRevision === null || now.revision === job.content.rigRevision)
      return null
    const then = collections.rigAt(now.id, job.content.rigRevision)!
    return JSON.stringify(rigMeasures.parse(then)) === JSON.stringify(rigMeasures.parse(now)) ? null : now
  })
  const blade = computed(() => collections.blades.find((one) => one.id === job.content?.bladeId) ?? null)
  const stone = computed(() => collections.stones.find((one) => one.id === job.content?.stoneId) ?? null)

  const stations = computed(() => (blade.value ? evenStations(blade.value.edge, STATIONS_ALONG_EDGE) : []))
  const things = computed<Setup | null>(() => {
    if (!job.content || !rig.value || !blade.value || !stone.value) return null
    return { rig: rig.value, blade: blade.value, stone: stone.value, hold: job.content.hold }
  })
  const evaluation = computed<Evaluation | null>(() =>
    things.value && job.content ? evaluate(things.value, job.content, stations.value) : null,
  )
  const up = computed<SideSet | Refusal | null>(() => evaluation.value?.sides[side.value] ?? null)

  /** Why there is no angle on the side that is up; empty when there is one. */
  const trouble = computed(() => {
    if (!things.value || !up.value || up.value.ok) return ''
    return reasonText(up.value, preferences.unit, lowestPivotHeightMm(things.value, side.value))
  })

  /** What to draw: the last state that had an angle, so that a wrong figure does not take the picture away. */
  const drawn = shallowRef<{ setup: Setup; evaluation: Evaluation; set: SideSet; side: Side } | null>(null)
  watchEffect(() => {
    if (things.value && evaluation.value && up.value?.ok) {
      drawn.value = { job: things.value, evaluation: evaluation.value, set: up.value, side: side.value }
    } else if (
      drawn.value &&
      things.value &&
      (drawn.value.setup.rig !== things.value.rig || drawn.value.setup.blade !== things.value.blade)
    ) {
      drawn.value = null
    }
  })

  /** Wanted on the side that is up. */
  const wantedDeg = computed(() => (side.value === 'A' ? job.content?.wanted.aDeg : job.content?.wanted.bDeg) ?? 20)

  const turnOver = () => (side.value = side.value === 'A' ? 'B' : 'A')
  return {
    rig,
    rigMeasuredAnew,
    blade,
    stone,
    stations,
    things,
    evaluation,
    side,
    up,
    trouble,
    drawn,
    wantedDeg,
    turnOver,
  }
})
