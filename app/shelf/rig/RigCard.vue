<script setup lang="ts">
import type { RigRecord } from '#core/records/storage/kinds'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'
import { RIG_WORDS } from '~/words/rigText'

/** A rig in a choice of rigs. */
defineProps<{ rig: RigRecord }>()
const preferences = usePreferences()
</script>

<template>
  <span class="flex flex-wrap items-baseline justify-between gap-x-2 wrap-anywhere"
    ><RecordTitle class="text-lg font-semibold" kind="rigs" :record="rig" /><span
      class="text-sm whitespace-nowrap text-muted"
      >{{ RIG_WORDS[rig.kind].word }}</span
    ></span
  >
  <RigFigure :rig="rig" />
  <span class="line-clamp-2 min-h-10 text-sm text-toned">{{ rig.notes }}</span>
  <span class="mt-1 block text-sm text-muted"
    >Pivot {{ lengthText(rig.pivot.setbackMm, preferences.unit) }} {{ RIG_WORDS[rig.kind].pivotStands }}</span
  >
</template>
