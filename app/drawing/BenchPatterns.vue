<template>
  <!-- Hatchings and arrow heads that every drawing of the bench refers to. -->
  <svg width="0" height="0" class="absolute" aria-hidden="true">
    <defs>
      <pattern id="hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="7" height="7" fill="var(--sheet)" />
        <line y2="7" stroke="var(--ink-soft)" stroke-width="1.6" />
      </pattern>
      <pattern id="flatter" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="6" height="6" fill="var(--sheet)" />
        <line y2="6" stroke="var(--angle-set)" stroke-width="2.4" />
      </pattern>
      <pattern id="barred" width="6" height="6" patternUnits="userSpaceOnUse">
        <path d="M0 0 6 6M6 0 0 6" stroke="var(--rule)" stroke-width="1" />
      </pattern>
      <marker
        id="arrow"
        viewBox="0 0 10 10"
        refX="9"
        refY="5"
        markerWidth="9"
        markerHeight="9"
        orient="auto-start-reverse"
      >
        <path d="M0 2 10 5 0 8Z" fill="var(--ink)" />
      </marker>
    </defs>
  </svg>
</template>
