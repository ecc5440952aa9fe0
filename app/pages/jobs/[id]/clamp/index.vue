<script setup lang="ts">
import { useSameAgain } from '~/composables/useSameAgain'
import { stationPath } from '~/stations'
import { useJob } from '~/stores/job'

const job = useJob()
const { heldAs } = useSameAgain()
</script>

<template>
  <main
    id="work"
    class="mx-auto grid min-h-0 w-full max-w-[120rem] flex-1 gap-3 p-3 lg:h-[calc(100dvh-16.6rem)] lg:min-h-[32rem] lg:flex-none lg:grid-cols-[minmax(0,1fr)_22rem] lg:grid-rows-[minmax(0,1fr)_auto] 2xl:grid-cols-[minmax(0,1fr)_26rem]"
  >
    <h1 class="sr-only">Clamp: how the blade is held, and what is dialled</h1>
    <BenchDrawing />
    <DialPanel class="lg:row-span-2" />
    <div>
      <MeasureStrip />
      <div class="mt-1.5 flex items-center justify-between gap-3">
        <div>
          <p v-if="heldAs" class="text-sm" data-testid="held-as">
            Held as in <b>{{ heldAs.name }}</b>, {{ heldAs.updatedAt.slice(0, 10) }}. Measure the blade height: steel
            wears.
            <NuxtLink
              class="font-semibold text-primary underline underline-offset-2"
              :to="stationPath(job.id!, 'clamp', 'card')"
              >Correct it</NuxtLink
            >
          </p>
          <p class="text-sm text-muted">
            Gloves on while clamping and wiping; hands behind the edge, and no stroke past the tip.
          </p>
        </div>
        <CentringEntry />
      </div>
    </div>
  </main>
</template>
