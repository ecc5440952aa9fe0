<script setup lang="ts">
import { curveLength } from '#core/curve/arcLength'
import type { KeptBlade } from '#core/kept/things'

/** A blade in a choice of blades. Those of one length class share a scale, so that a short one is told from a long. */
const props = defineProps<{ blade: KeptBlade }>()
const LONG_MM = 110
const span = computed(() => (curveLength(props.blade.edge) > LONG_MM ? 215 : LONG_MM))
</script>

<template>
  <span class="flex items-baseline justify-between gap-2"
    ><span class="truncate font-semibold">{{ blade.name }}</span
    ><span class="truncate text-sm text-muted">{{ blade.owner }}</span></span
  >
  <BladeFigure :blade="blade" :span="span" />
</template>
