<script setup lang="ts">
import { perSide } from '#core/records/common/side'
import { useInstrument, type ReadFor } from '~/composables/useInstrument'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'

/** The instrument that is read with, and what its zero does to what it shows. */
const props = defineProps<{ of: ReadFor }>()
const preferences = usePreferences()
const { there, instrument, choose, zeroDeg } = useInstrument(props.of)
const NONE = 'none'
const items = computed(() => [
  ...there.value.map(({ id, name }) => ({ value: id, label: name })),
  { value: NONE, label: 'one not on the shelf' },
])
const chosen = computed({
  get: () => instrument.value?.id ?? NONE,
  set: (to: string) => choose(to === NONE ? null : to),
})
const checking = ref(false)
const zeroText = computed(() => {
  const { A, B } = perSide(zeroDeg)
  if (A === 0) return ''
  const what = (deg: number) => `${angleText(Math.abs(deg), 0.01)} ${deg > 0 ? 'taken off' : 'added'}`
  if (A === B) return `Its own zero: ${what(A)} each time.`
  return `Its own zero: ${what(A)} on ${preferences.current.sideNames.A}, ${what(B)} on ${preferences.current.sideNames.B}.`
})
</script>

<template>
  <div>
    <UFormField v-if="there.length > 0" label="With"
      ><USelect v-model="chosen" :items="items" size="lg" class="w-full" :data-testid="`instrument-${of}`"
    /></UFormField>
    <NuxtLink v-else class="text-sm text-muted underline" to="/shelf?new=instrument"
      >Put your {{ of === 'reading' ? 'gauge' : 'goniometer' }} on the shelf</NuxtLink
    >
    <p class="mt-1 text-sm text-toned">
      {{ zeroText }}
      <button v-if="of === 'proof' && instrument" type="button" class="text-link" @click="() => void (checking = true)">
        Check its zero with two readings
      </button>
    </p>
    <USlideover
      v-model:open="checking"
      :title="instrument?.name"
      description="One bevel read twice, the blade turned end for end between."
      :ui="{ content: 'max-w-lg' }"
    >
      <template #body
        ><InstrumentEntry v-if="instrument" :from="instrument" @done="() => void (checking = false)"
      /></template>
    </USlideover>
  </div>
</template>
