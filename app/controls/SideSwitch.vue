<script setup lang="ts">
import { SIDES } from '#core/records/common/side'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'

/** Which side is up. */
const job = useJob()
const preferences = usePreferences()
const id = useId()
const sides = computed(() => SIDES.map((side) => ({ side, name: preferences.current.sideNames[side] })))
</script>

<template>
  <div class="flex flex-none items-center gap-2">
    <span :id="id" class="whitespace-nowrap text-sm text-muted">Side up</span>
    <div role="group" :aria-labelledby="id" class="flex flex-none overflow-hidden rounded-sm border border-accented">
      <button
        v-for="s in sides"
        :key="s.side"
        type="button"
        class="target min-w-11 px-3 py-1 font-semibold"
        :class="job.side.value === s.side ? 'bg-inverted text-inverted' : 'bg-default hover:bg-elevated'"
        :aria-pressed="job.side.value === s.side"
        @click="job.side.value = s.side"
      >
        {{ s.name }}
      </button>
    </div>
  </div>
</template>
