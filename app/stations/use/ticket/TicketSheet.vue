<script setup lang="ts">
import { useTicket } from './useTicket'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'

/** On one page: the ticket that lies with the blade, and under the cut what its owner is told. */
const job = useJob()
const { owner, begunOn, found, done, isDone, lasts, keepOff } = useTicket()
const today = new Date().toLocaleDateString('sv')
const parts = computed(() => [
  { title: 'What was found', lines: found.value, none: 'Nothing was written down.' },
  { title: 'What was done', lines: done.value, none: 'Nothing yet.' },
])
const print = () => window.print()
</script>

<template>
  <div class="print-sheet mx-auto w-full max-w-3xl space-y-3">
    <SheetPane labelledby="ticket">
      <div class="mb-2 flex flex-wrap items-center justify-between gap-3 print:hidden">
        <h2 id="ticket" class="text-lg font-semibold">The ticket</h2>
        <UButton size="lg" icon="i-lucide-printer" label="Print" @click="print" />
      </div>
      <BladeTicket
        :name="job.content.value.name"
        :blade="job.blade.value"
        :job="job.content.value"
        :owner="owner"
        :begun-on="begunOn"
      />
    </SheetPane>
    <SheetPane labelledby="told" class="print:mt-6 print:border-t-2! print:border-dashed! print:pt-6!">
      <div class="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 id="told" class="text-lg font-semibold wrap-anywhere">
          {{ job.blade.value.name }}<template v-if="job.blade.value.owner">, for {{ job.blade.value.owner }}</template>
        </h2>
        <p class="text-sm text-muted">{{ today }}</p>
      </div>
      <p v-if="!isDone" class="mt-1 text-toned print:hidden">
        The edge is not ready yet. What is recorded up to now stands here.
      </p>
      <section v-for="{ title, lines, none } in parts" :key="title" class="mt-3">
        <h3 class="font-semibold">{{ title }}</h3>
        <p v-if="lines.length === 0" class="text-muted">{{ none }}</p>
        <p v-for="line in lines" :key="line" class="wrap-anywhere">{{ line }}</p>
      </section>
      <section class="mt-3">
        <h3 class="font-semibold">Keep it off</h3>
        <ul class="ml-5 list-disc">
          <li v-for="line in keepOff" :key="line">{{ line }}</li>
        </ul>
      </section>
      <p v-if="lasts" class="mt-3">{{ lasts }}</p>
      <p class="mt-3 font-semibold">
        It is sharp now: carry it with its edge covered, and do not try it with a finger.
      </p>
    </SheetPane>
    <p class="text-sm text-muted print:hidden">
      With every reading, zone by zone:
      <NuxtLink class="text-link" :to="sheetPath(job.id, 'prove', 'report')">the report</NuxtLink>.
    </p>
  </div>
</template>
