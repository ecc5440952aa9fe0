<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { placeAt, sheetPath, tabsOf } from '~/navigation/stations'

/** The sheets of the room at hand; the active one is always in sight. */
const job = useJob()
const route = useRoute()
const place = computed(() => placeAt(route.path))
const tabs = computed(() => (place.value ? tabsOf(place.value.room) : []))
const list = ref<HTMLElement | null>(null)
/** With the next frame: the page is laid out once, not for this and then again. */
const showActive = () =>
  requestAnimationFrame(() =>
    list.value?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest', inline: 'center' }),
  )
watch(() => route.path, showActive, { flush: 'post' })
onMounted(showActive)
</script>

<template>
  <nav
    v-if="place && tabs.length > 1"
    :aria-label="`Sheets of ${place.room.word.toLowerCase()}`"
    class="mx-auto w-full max-w-[120rem] overflow-x-auto px-1 pt-1.5 sm:px-3"
  >
    <ul ref="list" class="flex gap-1">
      <li v-for="sheet in tabs" :key="sheet.id">
        <NuxtLink
          :to="sheetPath(job.id, place.room.id, sheet.id)"
          class="block rounded-sm border px-3 py-1 whitespace-nowrap"
          :class="
            place.sheet.id === sheet.id
              ? 'border-accented bg-default font-semibold'
              : 'border-transparent text-toned hover:border-default'
          "
          :aria-current="place.sheet.id === sheet.id ? 'page' : undefined"
          >{{ sheet.word }}</NuxtLink
        >
      </li>
    </ul>
  </nav>
</template>
