<script setup lang="ts">
import { cardLettering } from './cardLettering'
import { PAPER_NAMES, type CardPage } from './paper'
import { cardPdf } from './cardPdf'
import { usePaper } from './usePaper'
import { download } from '~/saving/download'

/** The paper, and the pages printed or saved as a PDF of this name. */
const props = defineProps<{ pages: readonly CardPage[]; name: string }>()
const paper = usePaper()
const busy = ref(false)
async function toPdf() {
  busy.value = true
  const pdf = await cardPdf([...props.pages], props.name, await cardLettering())
  download(`${props.name}.pdf`, pdf as Uint8Array<ArrayBuffer>, 'application/pdf')
  busy.value = false
}
const print = () => window.print()
</script>

<template>
  <div>
    <URadioGroup v-model="paper" :items="[...PAPER_NAMES]" legend="Paper" size="lg" orientation="horizontal" />
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
  </div>
</template>
