<script setup lang="ts">
import { cardLettering } from '~/card/cardLettering'
import { PAPER_NAMES } from '~/card/cardPage'
import { cardPdf } from '~/card/cardPdf'
import { useCard } from '~/composables/useCard'
import { download } from '~/saving/download'
import { useJob } from '~/job/useJob'
import { pointList } from '~/drawing/viewport'

/** The clamp card: all that has to be set, and the blade at 1:1, a page for each way of holding. Printed, or a PDF. */
const job = useJob()
const { pages, paper } = useCard()
const first = computed(() => pages.value[0]!)
// The printed page is the paper's, without the browser's own margins.
useHead({
  style: [
    () =>
      `@page { size: ${first.value.width}mm ${first.value.height}mm; margin: 0 }
      @media print { .clamp-card { width: ${first.value.width}mm !important; height: ${first.value.height}mm !important } }`,
  ],
})
const busy = ref(false)
async function toPdf() {
  busy.value = true
  download(
    `${job.content.value.name}.pdf`,
    (await cardPdf(pages.value, job.content.value.name, await cardLettering())) as Uint8Array<ArrayBuffer>,
    'application/pdf',
  )
  busy.value = false
}
const print = () => window.print()
</script>

<template>
  <div class="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_22rem]">
    <div class="card-pages space-y-3">
      <svg
        v-for="(page, k) in pages"
        :key="k"
        :viewBox="`0 0 ${page.width} ${page.height}`"
        class="clamp-card w-full rounded-sm border border-default"
        role="img"
        :aria-label="pages.length > 1 ? `The clamp card, page ${k + 1} of ${pages.length}` : 'The clamp card'"
      >
        <rect :width="page.width" :height="page.height" fill="#fff" />
        <g fill="none" stroke="#1a1a1e" stroke-linejoin="round">
          <component
            :is="line.closed ? 'polygon' : 'polyline'"
            v-for="(line, i) in page.lines"
            :key="i"
            :points="pointList(line.points)"
            :stroke-width="line.width"
            :stroke-dasharray="line.dashed ? '1.6 1.2' : undefined"
          />
        </g>
        <text
          v-for="(text, i) in page.texts"
          :key="i"
          :x="text.x"
          :y="text.y"
          :font-size="text.size"
          :font-weight="text.bold ? 700 : 400"
          fill="#1a1a1e"
        >
          {{ text.text }}
        </text>
      </svg>
    </div>
    <div class="card-controls space-y-3">
      <SheetPane labelledby="print">
        <h2 id="print" class="text-lg font-semibold">
          {{ pages.length === 1 ? 'One page' : `${pages.length} pages` }} for the bench
        </h2>
        <p class="text-sm text-muted">Print at 100 %, without fitting to the page, and lay a rule on the check line.</p>
        <URadioGroup
          v-model="paper"
          :items="[...PAPER_NAMES]"
          legend="Paper"
          size="lg"
          orientation="horizontal"
          class="mt-2"
        />
        <div class="mt-3 flex flex-wrap gap-2">
          <UButton size="xl" icon="i-lucide-printer" label="Print" data-focus="print" @click="print" /><UButton
            size="xl"
            color="neutral"
            variant="outline"
            icon="i-lucide-download"
            label="PDF"
            :loading="busy"
            @click="toPdf"
          />
        </div>
      </SheetPane>
      <SameAgain />
    </div>
  </div>
</template>
