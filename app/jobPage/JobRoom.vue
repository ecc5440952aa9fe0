<script setup lang="ts">
import { jobPractice } from '~/job/practice'
import type { JobSession } from '~/job/session'

/** A job's pages: of the job itself, or, while a practice goes on, of the copy that is practised on. */
const props = defineProps<{ session: JobSession }>()
const practice = jobPractice(props.session)
const copy = practice.session
</script>

<template>
  <JobPages :key="copy ? 'copy' : 'job'" :session="copy ?? session" :practice="practice" />
</template>
