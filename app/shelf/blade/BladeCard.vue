<script setup lang="ts">
import type { BladeRecord } from '#core/records/storage/kinds'
import { bladeSpanMm } from './bladeIcon'

/** A blade in a choice of blades. Those of one length class share a scale, so that a short one is told from a long. */
defineProps<{ blade: BladeRecord; hidesOwner?: boolean }>()
</script>

<template>
  <span class="flex flex-wrap items-baseline justify-between gap-x-2 wrap-anywhere"
    ><RecordTitle class="font-semibold" kind="blades" :record="blade" /><span
      v-if="!hidesOwner"
      class="text-sm text-muted"
      >{{ blade.owner }}</span
    ></span
  >
  <BladeFigure :blade="blade" :span="bladeSpanMm(blade)" />
</template>
