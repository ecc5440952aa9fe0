<script setup lang="ts">
import { RIGS } from '#core/records/rig/kinds'
import type { Rig } from '#core/records/rig/rig'
import { rigIcon } from './rigIcon'

/** A rig from the side, to scale: where its pivot can stand. */
const props = defineProps<{ rig: Rig }>()
const icon = computed(() => rigIcon(props.rig))
const upright = computed(() => RIGS[props.rig.kind].twoArms)
</script>

<template>
  <svg :viewBox="icon.viewBox" class="h-24 w-full" aria-hidden="true">
    <g v-for="side in upright ? [1, -1] : [1]" :key="side" :transform="upright ? `matrix(0 -1 ${-side} 0 0 0)` : ''">
      <line
        :x1="icon.low[0]"
        :y1="6"
        :x2="icon.high[0]"
        :y2="icon.high[1]"
        stroke="var(--iron)"
        stroke-width="3"
        stroke-linecap="round"
      />
      <line
        :x1="icon.low[0]"
        :y1="icon.low[1]"
        :x2="icon.high[0]"
        :y2="icon.high[1]"
        stroke="var(--accent)"
        stroke-width="5"
        stroke-linecap="round"
      />
      <circle
        v-for="(p, i) in icon.pivots"
        :key="i"
        :cx="p[0]"
        :cy="p[1]"
        r="3.2"
        fill="var(--sheet)"
        stroke="var(--ink)"
        stroke-width="1.4"
      />
      <g v-if="icon.jaws" fill="url(#hatch-rig)" stroke="var(--ink)" stroke-width="1.2">
        <path :d="`M0 -1V${-icon.jaws.half}L${-icon.jaws.depth} ${-icon.jaws.half - 3}V-1Z`" />
        <path :d="`M0 1V${icon.jaws.half}L${-icon.jaws.depth} ${icon.jaws.half + 3}V1Z`" />
      </g>
      <rect v-else x="-12" y="0" width="60" height="7" fill="url(#hatch-rig)" stroke="var(--ink)" stroke-width="1.2" />
      <path
        :d="icon.jaws ? 'M-14 -1.4H16L38 0 16 1.4H-14Z' : 'M0 -5 36 -.6 38 0H0Z'"
        fill="var(--steel)"
        stroke="var(--steel-line)"
        stroke-width="1"
      />
      <line
        x1="38"
        y1="0"
        :x2="icon.low[0]"
        :y2="(icon.low[1] + icon.high[1]) / 2"
        stroke="var(--ink-soft)"
        stroke-width="1.2"
        stroke-dasharray="5 4"
      />
    </g>
    <defs>
      <pattern id="hatch-rig" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="4" height="4" fill="var(--sheet)" />
        <line y2="4" stroke="var(--ink-soft)" stroke-width="1" />
      </pattern>
    </defs>
  </svg>
</template>
