<script setup lang="ts">
import { useAgainst } from '~/composables/useAgainst'
import { useJob } from '~/job/useJob'
import { angleText, differenceText } from '~/words/angleText'
import { zoneName } from '~/words/zoneText'

/** The four angles of the side that is up, zone by zone. */
const job = useJob()
const against = useAgainst()
const rows = computed(() =>
  against.zones(job.side.value).map(({ set, read, proved, differsDeg }, i) => ({
    zone: zoneName(job.zones.value, i),
    wanted: angleText(job.toProveDeg(job.side.value)),
    set: set ? angleText(set.deg, set.uncertaintyDeg) : '–',
    read: read ? angleText(read.amount.deg, read.amount.uncertaintyDeg) : '–',
    proved: proved ? angleText(proved.deg, proved.uncertaintyDeg) : '–',
    uncertainty: proved ? `± ${angleText(proved.uncertaintyDeg, proved.uncertaintyDeg)}` : '',
    of: proved && proved.of.length > 1 ? `of ${proved.of.length}` : '',
    differs: differsDeg === null ? '' : differenceText(differsDeg),
  })),
)
const COLUMNS = ['wanted', 'set', 'read', 'proved'] as const
</script>

<template>
  <div class="mt-2 overflow-x-auto" tabindex="0" role="region" aria-label="Zone by zone">
    <table class="w-full text-left" data-testid="zone-angles">
      <thead>
        <tr class="text-sm text-muted">
          <th class="py-1 pr-3 font-normal">zone</th>
          <th v-for="angle in COLUMNS" :key="angle" class="px-2 font-normal">
            <span class="flex items-center gap-1"><AngleMark :angle="angle" class="size-4!" />{{ angle }}</span>
          </th>
          <th class="pl-2 font-normal">against set</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.zone" class="border-t border-default">
          <th class="py-1 pr-3 font-normal">{{ row.zone }}</th>
          <td v-for="angle in COLUMNS" :key="angle" class="figure px-2 text-lg whitespace-nowrap">
            {{ row[angle] }}
            <span v-if="angle === 'proved'" class="text-sm text-muted">{{ row.uncertainty }} {{ row.of }}</span>
          </td>
          <td class="pl-2 whitespace-nowrap">{{ row.differs }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
