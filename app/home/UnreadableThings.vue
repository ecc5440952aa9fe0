<script setup lang="ts">
import { useCollections } from '~/stores/collections'
import { RECORD_WORD } from '~/words/recordText'

/** What lies in the data folder and this version cannot read: told by its number, and kept as it is. */
const collections = useCollections()
</script>

<template>
  <section v-if="collections.unreadable.length > 0" class="pane mt-3" aria-labelledby="unreadable">
    <h2 id="unreadable" class="font-semibold text-error">Kept, but this version cannot read it</h2>
    <p class="text-sm text-muted">It stays as it is, and goes out whole with all data (Preferences).</p>
    <ul class="mt-1 text-sm" data-testid="unreadable">
      <li v-for="one in collections.unreadable" :key="one.id">
        <span class="capitalize">{{ RECORD_WORD[one.kind] }}</span> {{ one.name }}
        <span class="font-mono text-muted">{{ one.id }}</span>
      </li>
    </ul>
  </section>
</template>
