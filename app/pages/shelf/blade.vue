<script setup lang="ts">
import { useDescribing } from '~/describing/useDescribing'
import { useCollections } from '~/stores/collections'

/** A blade described without a job. */
const collections = useCollections()
const { from, copy, key, back } = useDescribing('blades', '/shelf')
useHead({ title: 'Describe a blade · Jaw Tilt' })
</script>

<template>
  <main id="work" class="shelf-sheet mx-auto w-full max-w-[120rem] p-3">
    <h1 class="sr-only">Describe a blade</h1>
    <BladeDescription v-if="collections.loaded" :key="key" :from="from" :copy="copy" @done="back" @away="back" />
  </main>
</template>
