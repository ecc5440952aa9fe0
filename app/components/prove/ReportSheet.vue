<script setup lang="ts">
import { readingsCsv } from '#core/exchange/readingsCsv'
import { useReport } from '~/composables/useReport'
import { useJob } from '~/job/useJob'
import { download } from '~/saving/download'
import { useCollections } from '~/stores/collections'

/** The job on one page, for the file or for the blade's owner: printed, or a PDF; its readings as a table. */
const job = useJob()
const collections = useCollections()
const { pages, measured } = useReport()
const name = computed(() => `${job.content.value.name}, report`)
const toCsv = () =>
  download(`${job.content.value.name}, readings.csv`, readingsCsv(job.entries.value, collections.nameOf), 'text/csv')
</script>

<template>
  <div class="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_22rem]">
    <PaperPages :pages="pages" label="The report" />
    <div class="card-controls space-y-3">
      <SheetPane labelledby="print">
        <h2 id="print" class="text-lg font-semibold">The job on one page</h2>
        <PaperChoice class="mt-2" :pages="pages" :name="name" />
      </SheetPane>
      <SheetPane labelledby="table">
        <h2 id="table" class="text-lg font-semibold">Readings as a table</h2>
        <p class="text-sm text-muted">
          {{
            measured === 0
              ? 'Nothing was read or proved yet.'
              : 'Every reading and proof that holds, in millimetres and degrees.'
          }}
        </p>
        <UButton
          class="mt-2"
          size="lg"
          color="neutral"
          variant="outline"
          icon="i-lucide-download"
          label="CSV"
          :disabled="measured === 0"
          @click="toCsv"
        />
      </SheetPane>
    </div>
  </div>
</template>
