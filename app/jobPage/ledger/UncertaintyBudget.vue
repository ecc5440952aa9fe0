<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'
import { MEASURE_WORD } from '~/words/measureText'
import { toleranceText } from '~/words/toleranceText'

/** How sure the set angle is, in short: which measure to take again first. */
const emit = defineEmits<{ done: [] }>()
const job = useJob()
const preferences = usePreferences()
const set = computed(() => (job.up.value.ok ? job.up.value : null))
const shares = computed(() => set.value?.budget.filter((share) => share.shareDeg >= 0.005) ?? [])
const largest = computed(() => shares.value[0]?.shareDeg ?? 1)
/** Shares are compared with each other, so they are told a digit finer than the angle. */
const fractionText = (deg: number) => `${deg.toFixed(2)}°`

const LEAST_MM = 0.1

function setTolerance(mm: number): string | null {
  if (mm < LEAST_MM - 1e-9)
    return `A height out of the jaws is not measured better than ${lengthText(LEAST_MM, preferences.unit)}.`
  return job.change('how well the blade height is known', { bladeHeightToleranceMm: mm })
}
</script>

<template>
  <section
    v-if="set && job.content && shares.length > 0"
    class="w-88 max-w-full space-y-3 p-4"
    aria-label="How sure is the set angle"
  >
    <p class="flex items-center gap-2">
      <AngleMark angle="set" /><span
        >Known to <b>± {{ fractionText(set.uncertaintyDeg) }}</b
        >, by how well each measure is known:</span
      >
    </p>
    <ol class="max-h-80 space-y-1.5 overflow-y-auto" tabindex="0" aria-label="What each measure adds">
      <li v-for="(share, i) in shares" :key="share.id">
        <span class="flex justify-between gap-2"
          ><span :class="{ 'font-semibold': i === 0 }"
            >{{ MEASURE_WORD[share.id] }}
            <span class="text-sm text-muted">± {{ toleranceText(share, preferences.unit) }}</span></span
          ><span>{{ fractionText(share.shareDeg) }}</span></span
        >
        <span
          class="mt-0.5 block h-1.5 bg-(--angle-set)"
          :style="{ width: `${(100 * share.shareDeg) / largest}%` }"
          aria-hidden="true"
        />
      </li>
    </ol>
    <p class="text-sm text-muted">
      Take {{ MEASURE_WORD[shares[0]!.id].toLowerCase() }} again first: it adds the most.
    </p>
    <MeasureField
      label="Blade height is known to ±"
      kind="length"
      focus="blade-height-tolerance"
      :value="job.content.value.bladeHeightToleranceMm"
      :step="0.1"
      :apply="setTolerance"
      hint="half a millimetre with a rule"
    />
    <UButton
      color="neutral"
      variant="outline"
      size="lg"
      label="All measures, and samples"
      :to="sheetPath(job.id, 'uncertainty')"
      @click="emit('done')"
    />
  </section>
  <p v-else class="max-w-xs p-4">{{ job.trouble.value }}</p>
</template>
