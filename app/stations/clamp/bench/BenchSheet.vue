<script setup lang="ts">
import { useSameAgain } from '~/stations/clamp/card/useSameAgain'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'

const job = useJob()
const { heldAs } = useSameAgain()
</script>

<template>
  <div class="bench-sheet grid min-h-0 gap-3">
    <DialPanel class="dial" />
    <BenchDrawing class="drawing" />
    <div class="measures">
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
    <StonesPane class="stones" />
  </div>
</template>

<style scoped>
/* In one column what to dial comes first and the stones last; with room they stand beside the drawing. */
@media (min-width: 64rem) {
  .bench-sheet {
    grid-template: 'drawing dial' auto 'drawing stones' minmax(0, 1fr) 'measures stones' auto / minmax(0, 1fr) 22rem;
  }
  .dial {
    grid-area: dial;
  }
  .drawing {
    grid-area: drawing;
  }
  .measures {
    grid-area: measures;
  }
  .stones {
    grid-area: stones;
    min-height: 0;
  }
}
@media (min-width: 96rem) {
  .bench-sheet {
    grid-template-columns: minmax(0, 1fr) 26rem;
  }
}
</style>
