<script setup lang="ts">
import { recordOf } from '#core/exchange/files/jobFile'
import { readingsCsv } from '#core/exchange/files/readingsCsv'
import { useReport } from './useReport'
import { useJob } from '~/job/useJob'
import { download } from '~/saving/download'
import { useCollections } from '~/stores/collections'

/** The job on one page, for the file or for the blade's owner: printed, or a PDF; its readings as a table. */
const job = useJob()
const collections = useCollections()
const { pages, measured } = useReport()
const name = computed(() => `${job.content.value.name}, report`)
const toCsv = () =>
  download(
    `${job.content.value.name}, readings.csv`,
    readingsCsv(job.entriesOfBlade.value, collections.nameOf),
    'text/csv',
  )
/** The job as it stands with all that it names, in one file. */
function toJson() {
  const kept = collections.jobs.find(({ id }) => id === job.id)!
  const record = recordOf(
    {
      job: { ...kept, ...job.content.value },
      rig: job.rig.value,
      blade: job.blade.value,
      stones: collections.stones,
      instruments: collections.instruments,
      log: job.entries.value,
      evaluation: job.dialFor.value,
      edgePoints: job.edgePoints.value,
    },
    new Date().toISOString(),
  )
  download(`${job.content.value.name}, record.json`, JSON.stringify(record, null, 2), 'application/json')
}
const files = computed(() => [
  { label: 'CSV', give: toCsv, none: measured.value === 0 },
  { label: 'JSON', give: toJson, none: false },
])
</script>

<template>
  <div class="panes lg:grid-cols-[minmax(0,1fr)_22rem]">
    <PaperPages :pages="pages" label="The report" />
    <div class="card-controls space-y-3">
      <SheetPane labelledby="print">
        <h2 id="print" class="text-lg font-semibold">The job on one page</h2>
        <PaperChoice class="mt-2" :pages="pages" :name="name" />
      </SheetPane>
      <SheetPane labelledby="table">
        <h2 id="table" class="text-lg font-semibold">As files</h2>
        <p class="text-sm text-muted">
          {{
            measured === 0
              ? 'Nothing was read or proved yet.'
              : 'CSV: every reading, proof and width that holds, in millimetres and degrees.'
          }}
        </p>
        <p class="text-sm text-muted">
          JSON: the whole job with its rig, blade and stones;
          <a class="underline" href="/schema/jaw-tilt-job.schema.json">its schema</a>.
        </p>
        <div class="mt-2 flex gap-2">
          <UButton
            v-for="{ label, give, none } in files"
            :key="label"
            size="lg"
            color="neutral"
            variant="outline"
            icon="i-lucide-download"
            :label="label"
            :disabled="none"
            @click="give"
          />
        </div>
      </SheetPane>
    </div>
  </div>
</template>
