<script setup lang="ts">
import type { Blade } from '#core/records/blade/blade'
import { bladeIcon } from './bladeIcon'

/** A blade's outline, edge down, to the scale of the list it stands in. */
const props = defineProps<{ blade: Blade; span: number }>()
const icon = computed(() => bladeIcon(props.blade, props.span))
</script>

<template>
  <svg :viewBox="icon.viewBox" class="h-20 w-full" preserveAspectRatio="xMinYMid meet" aria-hidden="true">
    <rect v-bind="icon.handle" rx="2" fill="var(--rule)" stroke="var(--steel-line)" stroke-width="0.7" />
    <path :d="icon.path" fill="var(--steel)" stroke="var(--steel-line)" stroke-width="1" />
  </svg>
</template>
