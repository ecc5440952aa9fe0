<script setup lang="ts">
import type { Job } from '#core/records/job/job'
import type { Blade } from '#core/records/blade/blade'
import type { Owner } from '#core/records/owner/owner'
import { bladeSpanMm } from '~/shelf/blade/bladeIcon'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { FINISH_WORD } from '~/words/planText'

/** What goes with a blade on the bench: which it is, whose, until when, and what is to be done. */
const props = defineProps<{
  name: string
  blade: Blade
  job: Pick<Job, 'wanted' | 'finish' | 'dueOn' | 'notes'>
  /** Null: none is said, or nothing but the name is known. */
  owner: Owner | null
  begunOn: string
}>()
const preferences = usePreferences()
const wanted = computed(() => {
  const { A, B } = props.job.wanted.deg
  const names = preferences.current.sideNames
  const deg =
    props.blade.bevels === 'A' || A === B ? angleText(A) : `${names.A} ${angleText(A)}, ${names.B} ${angleText(B)}`
  return `${deg} per side, ${FINISH_WORD[props.job.finish].toLocaleLowerCase()}`
})
const lines = computed(() =>
  [
    ['For', [props.blade.owner, props.owner?.reach].filter(Boolean).join('\n')],
    ['Wishes', props.owner?.wishes ?? ''],
    ['Complaint', props.blade.complaint],
    ['Wanted', wanted.value],
    ['Why', props.job.wanted.why],
    ['Notes', props.job.notes],
    ['Job begun', props.begunOn],
  ].filter(([, said]) => said !== ''),
)
</script>

<template>
  <article class="ticket" :aria-label="`Ticket of ${name}`">
    <div class="flex items-start justify-between gap-4">
      <h3 class="text-xl font-bold wrap-anywhere">{{ name }}</h3>
      <p v-if="job.dueOn" class="shrink-0 text-right">
        <span class="block text-sm">wanted back</span><b class="figure text-xl">{{ job.dueOn }}</b>
      </p>
    </div>
    <p v-if="blade.name !== name" class="wrap-anywhere">{{ blade.name }}</p>
    <BladeFigure :blade="blade" :span="bladeSpanMm(blade)" class="h-16! w-full! max-w-64" />
    <dl class="grid grid-cols-[6rem_1fr] gap-x-3">
      <template v-for="[term, said] in lines" :key="term"
        ><dt class="text-sm text-muted">{{ term }}</dt>
        <dd class="whitespace-pre-line wrap-anywhere">{{ said }}</dd></template
      >
    </dl>
  </article>
</template>
