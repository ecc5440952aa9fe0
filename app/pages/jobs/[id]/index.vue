<script setup lang="ts">
import { stationPath } from '~/stations'

const route = useRoute()
await navigateTo(stationPath(String(route.params.id), 'clamp'), { replace: true })
</script>

<template><main id="work" /></template>
