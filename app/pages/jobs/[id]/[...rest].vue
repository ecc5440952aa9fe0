<script setup lang="ts">
import { movedTo } from '~/navigation/stations'

/** An address of no sheet: that of a job alone, or one that has moved. */
const route = useRoute()
await navigateTo({ path: movedTo(route.path), query: route.query }, { replace: true })
</script>

<template><main id="work" /></template>
