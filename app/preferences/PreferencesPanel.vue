<script setup lang="ts">
import { SIDES } from '#core/records/common/side'
import { keysOf } from '#core/schema/keys'
import { useOpenPanel } from '~/stores/openPanel'
import { useWords } from '~/words/useWords'
import { usePreferences } from '~/stores/preferences'

const { panel } = useOpenPanel()
const preferences = usePreferences()
const words = useWords()
const colorMode = useColorMode()
const open = computed({
  get: () => panel.value === 'preferences',
  set: (is) => (panel.value = is ? 'preferences' : null),
})
const names = reactive({ A: '', B: '' })
watch(
  () => preferences.current.sideNames,
  (now) => Object.assign(names, now),
  { immediate: true, deep: true },
)
/** How lengths are shown: a unit, and inches in two ways. */
const LENGTHS = {
  mm: { label: 'Millimetres', shown: { unit: 'mm' } },
  in: { label: 'Inches, 1.188', shown: { unit: 'in', inches: 'decimals' } },
  fractions: { label: 'Inches, 1 3/16 where it is such', shown: { unit: 'in', inches: 'fractions' } },
} as const
const lengths = computed({
  get: () => (preferences.unit === 'in' && preferences.current.inches === 'fractions' ? 'fractions' : preferences.unit),
  set: (as) => void preferences.change(LENGTHS[as].shown),
})
const units = keysOf(LENGTHS).map((value) => ({ label: LENGTHS[value].label, value }))
const angles = [
  { label: 'Per side', value: 'per-side' },
  { label: 'Included', value: 'included' },
]
const themes = [
  { label: 'As the system', value: 'system' },
  { label: 'Day', value: 'light' },
  { label: 'Night', value: 'dark' },
]
</script>

<template>
  <USlideover v-model:open="open" title="Preferences" description="How figures are shown, and all data in one file.">
    <template #body>
      <div class="space-y-6">
        <URadioGroup v-model="lengths" legend="Lengths" :items="units" size="lg" />
        <URadioGroup
          :model-value="preferences.current.angles"
          legend="Angles"
          :items="angles"
          size="lg"
          @update:model-value="preferences.change({ angles: $event as 'per-side' | 'included' })"
        />
        <fieldset>
          <legend class="mb-1 font-medium">Names of the two sides</legend>
          <div class="flex gap-3">
            <UFormField v-for="side in SIDES" :key="side" :label="`Side ${side}`" class="flex-1">
              <UInput
                v-model="names[side]"
                size="lg"
                class="w-full"
                @change="preferences.change({ sideNames: { ...names } })"
              />
            </UFormField>
          </div>
          <p v-if="preferences.problem" role="alert" class="mt-1 text-error">
            {{ words.problem(preferences.problem, preferences.problem.field) }}
          </p>
          <SidesDrawing :names="preferences.current.sideNames" />
        </fieldset>
        <USwitch
          :model-value="preferences.current.startingRanges"
          label="Usual ranges of angles"
          description="What is usual for a blade’s use, until its own record tells. Off: by experience alone."
          size="lg"
          @update:model-value="preferences.change({ startingRanges: $event })"
        />
        <URadioGroup v-model="colorMode.preference" legend="Theme" :items="themes" size="lg" />
        <USwitch
          v-model="preferences.singleKeys"
          label="Single keys"
          description="Keys such as w or s without Ctrl. This device only."
          size="lg"
        />
        <USwitch
          v-model="preferences.simulated"
          label="Simulated instruments"
          description="Offers a make-believe level gauge in all jobs, not only in the samples. This device only."
          size="lg"
        />
        <DevicesEntry v-if="open" />
        <BackupEntry />
        <SnapshotList v-if="open" />
        <CopiesEntry v-if="open" />
      </div>
    </template>
  </USlideover>
</template>
