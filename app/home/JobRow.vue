<script setup lang="ts">
import { nextStep } from '#core/process/steps/nextStep'
import { perSide, type PerSide } from '#core/records/common/side'
import { evenEdgePoints } from '#core/math/curve/edgePoints'
import { asSet } from '#core/uncertainty/asSet'
import { evaluate } from '#core/uncertainty/evaluate'
import type { JobRecord } from '#core/records/storage/kinds'
import { meanProof, meanReading } from '#core/log/meanReading'
import { ofKind, onBlade } from '#core/log/activeEntries'
import { workedIn } from '#core/records/job/positions'
import { onRig } from '#core/records/rig/fittedAt'
import { fittedWith } from '#core/records/rig/jaws'
import { bladeSpanMm } from '~/shelf/blade/bladeIcon'
import { sheetAddress, sheetPath } from '~/navigation/stations'
import { CONTROLS, goToControl } from '~/navigation/stepControls'
import { useCollections } from '~/stores/collections'
import { useLog } from '~/stores/log'
import { usePreferences } from '~/stores/preferences'
import { purposeOf } from '~/job/purpose'
import { stepText } from '~/words/stepText'
import { angleText } from '~/words/angleText'

/** A job in the list: its blade, its four angles, and its next step. */
const props = defineProps<{ job: JobRecord }>()
const collections = useCollections()
const preferences = usePreferences()
const log = useLog()
const toast = useToast()
const router = useRouter()

const EDGE_POINTS = 20
const READ_UNCERTAINTY = 0.1

/** The job with the rig as it was measured for it, and the jaws that are fitted; null where a part is not here. */
const made = computed(() => {
  const asThen = collections.rigAt(props.job.rigId, props.job.rigRevision)
  const blade = collections.blades.find((one) => one.id === props.job.bladeId)
  const stone = collections.stones.find((one) => one.id === props.job.stoneId)
  if (!asThen || !blade || !stone) return null
  const rig = fittedWith(asThen, props.job.jawsName)
  const setup = { rig, blade, stone: onRig(rig, stone), hold: props.job.hold, worked: workedIn(props.job) }
  const evaluation = evaluate(setup, props.job, evenEdgePoints(blade.edge, EDGE_POINTS))
  return { setup, evaluation, setNow: asSet(props.job, rig, evaluation) }
})
const entries = computed(() => log.ofJob(props.job.id))
const parts = computed(() => {
  const setup = made.value?.setup
  return setup
    ? [
        ...(props.job.dueOn ? [`due ${props.job.dueOn}`] : []),
        ...(setup.blade.owner ? [setup.blade.owner] : []),
        ...[props.job.updatedAt.slice(0, 10), setup.blade.name, setup.rig.name, setup.stone.name],
      ]
    : ['A part of this job cannot be read.']
})

const next = computed(() => {
  if (!made.value) return null
  const { rig } = made.value.setup
  const stoneOf = (id: string) => {
    const stone = collections.stones.find((one) => one.id === id)
    return stone && onRig(rig, stone)
  }
  const purpose = purposeOf(props.job, made.value.setup.blade, log)
  const step = nextStep({ ...made.value, job: props.job, purpose, log: entries.value, stoneOf })
  const { unit, current } = preferences
  const said = stepText(step, {
    setup: made.value.setup,
    unit,
    sideNames: current.sideNames,
    dialForMm: props.job.dialForMm,
    stoneName: collections.nameOf,
    startingRanges: current.startingRanges,
    up: null,
  })
  return {
    ...said,
    does: step?.toDo.does ?? null,
    to: sheetAddress(props.job.id, step ? CONTROLS[step.toDo.does].sheet : 'clamp/'),
  }
})

/** The four angles of side A, or included, as the user likes them. */
const angles = computed(() => {
  if (!made.value) return []
  const { setup, evaluation } = made.value
  const one = setup.blade.bevels === 'A'
  const found = onBlade(entries.value, props.job.bladeId)
  const [readings, proofs] = [ofKind(found, 'reading'), ofKind(found, 'proof')]
  const shown = ({ A, B }: PerSide<number | null>) =>
    preferences.included && !one ? (A === null || B === null ? null : A + B) : A
  const { A } = evaluation.sides
  const set = perSide((side) => {
    const of = evaluation.sides[side]
    return of.ok ? of.contact.edgeAngleDeg : null
  })
  const read = perSide((side) => meanReading(readings, side)?.deg ?? null)
  const proved = perSide((side) => meanProof(proofs, side)?.deg ?? null)
  return [
    { id: 'wanted' as const, word: 'Wanted', deg: shown(props.job.wanted.deg), uncertainty: READ_UNCERTAINTY },
    { id: 'set' as const, word: 'Set', deg: shown(set), uncertainty: A.ok ? A.uncertaintyDeg : READ_UNCERTAINTY },
    { id: 'read' as const, word: 'Read', deg: shown(read), uncertainty: READ_UNCERTAINTY },
    { id: 'proved' as const, word: 'Proved', deg: shown(proved), uncertainty: READ_UNCERTAINTY },
  ]
})

async function shelve() {
  const away = await collections.shelve(props.job, true)
  if (!away) return
  toast.add({
    title: `${away.name} archived`,
    duration: 10_000,
    actions: [{ label: 'Undo', onClick: () => void collections.shelve(away, false) }],
  })
}
</script>

<template>
  <li class="relative flex flex-wrap items-center gap-3 px-3 py-2 hover:bg-elevated sm:flex-nowrap sm:gap-4 sm:px-4">
    <BladeFigure
      v-if="made"
      :blade="made.setup.blade"
      :span="bladeSpanMm(made.setup.blade)"
      class="h-16! w-36! shrink-0 max-sm:hidden"
    />
    <div class="min-w-0 flex-1">
      <NuxtLink
        :to="sheetPath(job.id, 'clamp')"
        class="block text-lg leading-snug font-semibold wrap-anywhere after:absolute after:inset-0"
        ><RecordTitle kind="jobs" :record="job"
      /></NuxtLink>
      <p class="text-sm wrap-anywhere text-muted">
        <span v-for="(part, i) in parts" :key="i" class="inline-block">{{
          i < parts.length - 1 ? `${part}\u00a0·\u00a0` : part
        }}</span>
      </p>
      <p v-if="next" class="text-sm sm:truncate" data-testid="next-step" :title="`${next.do}: ${next.why}`">
        Next:
        <NuxtLink
          :to="next.to"
          class="relative z-1 font-bold underline-offset-3 hover:underline"
          @click.exact="next.does && goToControl(router, job.id, next.does)"
          >{{ next.do }}</NuxtLink
        >
      </p>
    </div>
    <dl class="grid grid-cols-4 gap-x-2 max-sm:order-last max-sm:w-full sm:shrink-0 sm:gap-x-4">
      <div v-for="a in angles" :key="a.id" class="sm:w-18">
        <dt class="flex items-center gap-1 text-sm text-muted">
          <AngleMark :angle="a.id" class="size-4!" />{{ a.word }}
        </dt>
        <dd class="figure text-lg">{{ a.deg === null ? '–' : angleText(a.deg, a.uncertainty) }}</dd>
      </div>
    </dl>
    <UButton
      color="neutral"
      variant="ghost"
      icon="i-lucide-archive"
      size="lg"
      class="relative"
      :aria-label="`Archive ${job.name}`"
      @click="shelve"
    />
  </li>
</template>
