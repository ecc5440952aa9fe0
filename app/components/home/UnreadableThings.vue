<script setup lang="ts">
import type { ThingKind } from '#core/kept/things'
import { useCollections } from '~/stores/collections'

/** What lies in the data folder and this version cannot read: told by its number, and kept as it is. */
const collections = useCollections()
const KIND_WORD: Record<ThingKind, string> = { rigs: 'Rig', blades: 'Blade', stones: 'Stone', jobs: 'Job' }
</script>

<template>
  <section v-if="collections.unreadable.length > 0" class="pane mt-3" aria-labelledby="unreadable">
    <h2 id="unreadable" class="font-semibold text-error">Kept, but this version cannot read it</h2>
    <p class="text-sm text-muted">It stays as it is, and goes out whole with all data (Preferences).</p>
    <ul class="mt-1 text-sm" data-testid="unreadable">
      <li v-for="one in collections.unreadable" :key="one.id">
        {{ KIND_WORD[one.kind as ThingKind] ?? one.kind }} <span class="font-mono">{{ one.id }}</span>
      </li>
    </ul>
  </section>
</template>
