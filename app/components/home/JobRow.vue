<script setup lang="ts">
import { curveLength } from '#core/curve/arcLength'
import { evenStations } from '#core/curve/stations'
import type { KeptJob } from '#core/kept/kept'
import { evaluate } from '#core/evaluation/evaluate'
import { stationPath } from '~/stations'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'

const props = defineProps<{ job: KeptJob }>()
const collections = useCollections()
const preferences = usePreferences()
const toast = useToast()

const rig = computed(() => collections.rigs.find((r) => r.id === props.job.rigId))
const blade = computed(() => collections.blades.find((b) => b.id === props.job.bladeId))
const stone = computed(() => collections.stones.find((s) => s.id === props.job.stoneId))
const span = computed(() => (blade.value && curveLength(blade.value.edge) > 110 ? 215 : 110))

/** The four angles of side A, or included, as the user likes them. */
const angles = computed(() => {
  if (!rig.value || !blade.value || !stone.value) return []
  const set = evaluate(
    { rig: rig.value, blade: blade.value, stone: stone.value, hold: props.job.hold },
    props.job,
    evenStations(blade.value.edge, 20),
  )
  const one = blade.value.bevels === 'A'
  const shown = (a: number | null, b: number | null) =>
    preferences.included && !one ? (a === null || b === null ? null : a + b) : a
  const doubt = set.sides.A.ok ? set.sides.A.doubtDeg : 0.1
  const setA = set.sides.A.ok ? set.sides.A.contact.edgeAngleDeg : null
  const setB = set.sides.B.ok ? set.sides.B.contact.edgeAngleDeg : null
  const { wanted, read, proved } = props.job
  return [
    { id: 'wanted' as const, word: 'Wanted', deg: shown(wanted.aDeg, wanted.bDeg), doubt: 0.1 },
    { id: 'set' as const, word: 'Set', deg: shown(setA, setB), doubt },
    { id: 'read' as const, word: 'Read', deg: shown(read.aDeg, read.bDeg), doubt: 0.1 },
    { id: 'proved' as const, word: 'Proved', deg: shown(proved.aDeg, proved.bDeg), doubt: 0.1 },
  ]
})

async function shelve() {
  const away = await collections.shelve(props.job, true)
  if (!away) return
  toast.add({
    title: `${away.name} is off the bench`,
    duration: 10_000,
    actions: [{ label: 'Put it back', onClick: () => void collections.shelve(away, false) }],
  })
}
</script>

<template>
  <li class="relative flex items-center gap-3 px-3 py-2 hover:bg-elevated sm:gap-4 sm:px-4">
    <BladeFigure v-if="blade" :blade="blade" :span="span" class="h-16! w-36! shrink-0 max-sm:hidden" />
    <div class="min-w-0 flex-1">
      <NuxtLink
        :to="stationPath(job.id, 'clamp')"
        class="block truncate text-lg font-semibold after:absolute after:inset-0"
        >{{ job.name }}</NuxtLink
      >
      <p class="truncate text-sm text-muted">{{ [blade?.name, rig?.name, stone?.name].filter(Boolean).join(' · ') }}</p>
    </div>
    <dl class="grid shrink-0 grid-cols-2 gap-x-4 sm:grid-cols-4">
      <div v-for="a in angles" :key="a.id" class="w-18">
        <dt class="flex items-center gap-1 text-sm text-muted">
          <AngleMark :angle="a.id" class="size-4!" />{{ a.word }}
        </dt>
        <dd class="figure text-lg">{{ a.deg === null ? '–' : angleText(a.deg, a.doubt) }}</dd>
      </div>
    </dl>
    <UButton
      color="neutral"
      variant="ghost"
      icon="i-lucide-archive"
      size="lg"
      class="relative"
      :aria-label="`Take ${job.name} off the bench`"
      @click="shelve"
    />
  </li>
</template>
