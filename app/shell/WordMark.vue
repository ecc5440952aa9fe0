<script setup lang="ts">
/** The mark and the name; `short`: the mark alone where there is little room. */
defineProps<{ short?: boolean }>()
</script>

<template>
  <span class="inline-flex items-center gap-2">
    <svg viewBox="0 0 32 22" class="h-6 w-9 shrink-0" aria-hidden="true">
      <path d="M2 8h11l3 2.2H2zM2 14h11l3-2.2H2zM16 10.2 30 11l-14 .8z" fill="var(--ink)" />
      <path d="M30 11 9 2" fill="none" stroke="var(--accent)" stroke-width="2.6" stroke-linecap="round" />
    </svg>
    <span class="text-lg font-bold tracking-tight whitespace-nowrap" :class="{ 'max-sm:hidden': short }">Jaw Tilt</span>
  </span>
</template>
