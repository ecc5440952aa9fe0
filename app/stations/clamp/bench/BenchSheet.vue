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
    <!-- In one column what to dial comes first and the stones last; with room both stand beside the drawing. -->
    <div class="contents min-h-0 flex-col gap-3 lg:col-start-2 lg:row-span-2 lg:row-start-1 lg:flex">
      <DialPanel />
      <StonesPane class="order-last min-h-0 flex-1" />
    </div>
    <BenchDrawing class="lg:col-start-1 lg:row-start-1" />
    <div class="lg:col-start-1 lg:row-start-2">
      <MeasureStrip />
      <div class="mt-1.5 flex flex-wrap items-center justify-between gap-x-3 gap-y-1.5 sm:flex-nowrap">
        <div class="min-w-0">
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
