<script setup lang="ts">
import { en } from '@nuxt/ui/locale'
import { onMounted } from 'vue'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'

const collections = useCollections()
const preferences = usePreferences()
onMounted(() => Promise.all([collections.load(), preferences.load()]))
</script>

<template>
  <UApp :locale="en" :toaster="{ position: 'bottom-center' }">
    <a href="#work" class="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-default focus:p-3"
      >To the work</a
    >
    <AppHeader />
    <NuxtPage />
    <ClientOnly>
      <CommandPanel />
      <KeysPanel />
      <PreferencesPanel />
    </ClientOnly>
  </UApp>
</template>
