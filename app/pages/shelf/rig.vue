<script setup lang="ts">
import { useDescribing } from '~/describing/useDescribing'
import { useCollections } from '~/stores/collections'

/** A rig described without a job. */
const collections = useCollections()
const { from, copy, key, back } = useDescribing('rigs', '/shelf')
useHead({ title: 'Describe a rig · Jaw Tilt' })
</script>

<template>
  <main id="work" class="shelf-sheet mx-auto w-full max-w-[120rem] p-3">
    <h1 class="sr-only">Describe a rig</h1>
    <RigDescription v-if="collections.loaded" :key="key" :from="from" :copy="copy" @done="back" @away="back" />
  </main>
</template>
