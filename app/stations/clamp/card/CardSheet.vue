<script setup lang="ts">
import { useCard } from './useCard'
import { useJob } from '~/job/useJob'

/** The clamp card: all that has to be set, and the blade at 1:1, a page for each way of holding. Printed, or a PDF. */
const job = useJob()
const { pages } = useCard()
</script>

<template>
  <div class="panes lg:grid-cols-[minmax(0,1fr)_22rem]">
    <PaperPages :pages="pages" label="The clamp card" />
    <div class="card-controls space-y-3">
      <SheetPane labelledby="print">
        <h2 id="print" class="text-lg font-semibold">
          {{ pages.length === 1 ? 'One page' : `${pages.length} pages` }} for the bench
        </h2>
        <p class="text-sm text-muted">Print at 100 %, without fitting to the page, and lay a rule on the check line.</p>
        <PaperChoice class="mt-2" :pages="pages" :name="job.content.value.name" />
      </SheetPane>
      <SameAgain />
    </div>
  </div>
</template>
