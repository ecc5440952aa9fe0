<script setup lang="ts">
import { useOpenPanel } from '~/stores/openPanel'
import { useLedger } from '~/composables/useLedger'

const lines = useLedger()
const { angle } = useOpenPanel()
</script>

<template>
  <section aria-label="The four angles" class="sticky top-0 z-20 border-b border-default bg-default">
    <div class="mx-auto grid max-w-[120rem] grid-cols-2 lg:grid-cols-4">
      <AngleCell
        v-for="line in lines"
        :key="line.id"
        :line="line"
        :open="angle === line.id"
        @update:open="angle = $event ? line.id : null"
      />
    </div>
  </section>
</template>
