<script setup lang="ts">
import { stationAt, stationPath } from '~/stations'
import { useJob } from '~/stores/job'

/** The sheets of the station at hand. */
const job = useJob()
const route = useRoute()
const at = computed(() => stationAt(route.path))
</script>

<template>
  <nav
    v-if="at && job.id && at.station.sheets.length > 0"
    :aria-label="`Sheets of the ${at.station.word.toLowerCase()} station`"
    class="mx-auto w-full max-w-[120rem] overflow-x-auto px-1 pt-1.5 sm:px-3"
  >
    <ul class="flex gap-1">
      <li v-for="sheet in at.station.sheets" :key="sheet.id">
        <NuxtLink
          :to="stationPath(job.id, at.station.id, sheet.id)"
          class="block rounded-sm border px-3 py-1 whitespace-nowrap"
          :class="
            at.sheetId === sheet.id
              ? 'border-accented bg-default font-semibold'
              : 'border-transparent text-toned hover:border-default'
          "
          :aria-current="at.sheetId === sheet.id ? 'page' : undefined"
          >{{ sheet.word }}</NuxtLink
        >
      </li>
    </ul>
  </nav>
</template>
