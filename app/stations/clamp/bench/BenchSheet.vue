<script setup lang="ts">
import { useSameAgain } from '~/stations/clamp/card/useSameAgain'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'

const job = useJob()
const { heldAs } = useSameAgain()
</script>

<template>
  <div
    class="grid min-h-0 gap-3 lg:grid-cols-[minmax(0,1fr)_22rem] lg:grid-rows-[minmax(0,1fr)_auto] 2xl:grid-cols-[minmax(0,1fr)_26rem]"
  >
    <BenchDrawing />
    <DialPanel class="lg:row-span-2" />
    <div>
      <MeasureStrip />
      <div class="mt-1.5 flex items-center justify-between gap-3">
        <div>
          <p v-if="heldAs" class="text-sm" data-testid="held-as">
            Held as in <b>{{ heldAs.name }}</b>, {{ heldAs.updatedAt.slice(0, 10) }}. Measure the blade height: steel
            wears.
            <NuxtLink class="text-link" :to="sheetPath(job.id, 'clamp', 'card')">Correct it</NuxtLink>
          </p>
          <p class="text-sm text-muted">
            Gloves on while clamping and wiping; hands behind the edge, and no stroke past the tip.
          </p>
        </div>
        <CentringEntry />
      </div>
    </div>
  </div>
</template>
