<script setup lang="ts">
import type { Component } from 'vue'
import { useJob } from '~/job/useJob'
import { sheetViewOf } from '~/jobPage/sheetViews'
import { movedTo, placeAt, type SheetAddress } from '~/navigation/stations'

/** Every sheet of a job: the table of stations says which, with its heading and the window's title. */
const route = useRoute()
const job = useJob()
const place = computed(() => placeAt(route.path))
watch(place, (now) => now ?? void navigateTo(movedTo(route.path), { replace: true }), { immediate: true })

const views = new Map<string, Component>()
function viewOf(of: SheetAddress): Component {
  const key = `${of.room.id}/${of.sheet.id}`
  const view = views.get(key) ?? defineAsyncComponent(sheetViewOf(of))
  views.set(key, view)
  return view
}
const shown = shallowRef(place.value)
watch(place, (now) => now && (shown.value = now))
useHead({ title: computed(() => `${shown.value?.sheet.title ?? 'Job'} · ${job.content.value.name} · Jaw Tilt`) })
</script>

<template>
  <main
    v-if="shown"
    id="work"
    class="mx-auto w-full max-w-[120rem] flex-1 p-3"
    :class="{ 'sheet-fills grid min-h-0': shown.sheet.fills }"
  >
    <h1 class="sr-only">{{ shown.sheet.title }}</h1>
    <component :is="viewOf(shown)" :key="route.fullPath" />
  </main>
</template>
