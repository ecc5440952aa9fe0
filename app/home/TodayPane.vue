<script setup lang="ts">
import type { DueJob, DullBlade } from '#core/exchange/api/today'
import { useStoneCondition } from '~/composables/useStoneCondition'
import { sheetPath } from '~/navigation/stations'
import { useCollections } from '~/stores/collections'
import { useToday } from '~/stores/today'
import { OUTCOME_WORD } from '~/words/outcomeText'
import { uncapital } from '~/words/sentence'

/** The bench's day: what is due, which edges are dull by now, which stones want flattening. Nothing of it: nothing. */
const collections = useCollections()
const today = useToday()
watch(() => collections.bench.total, today.load)

const onDay = new Date().toLocaleDateString('sv')
function dueText({ dueOn, isReady }: Pick<DueJob, 'dueOn' | 'isReady'>): string {
  const when = dueOn < onDay ? `was due ${dueOn}` : dueOn === onDay ? 'due today' : `due ${dueOn}`
  return isReady ? `${when}; ready to be handed back` : when
}
const dullText = ({ dull }: DullBlade): string =>
  dull.is === 'said'
    ? uncapital(OUTCOME_WORD[dull.outcome])
    : `likely dull: in use for ${Math.round(dull.days)} days, usually ${Math.round(dull.usualDays)}`
const { conditionOf, cleaningDueOf } = useStoneCondition()
const stones = computed(() =>
  collections.stones
    .filter(({ archivedAt }) => archivedAt === null)
    .flatMap((stone) => {
      const { due } = conditionOf(stone)
      const cleaning = cleaningDueOf(stone)
      const worn = due === 'nothing' ? [] : [STONE_DUE[due]]
      const dirty = cleaning ? [`clean it: ${cleaning.blades} blades since, usually ${cleaning.usual}`] : []
      const said = [...worn, ...dirty].join('; ')
      return said === '' ? [] : [{ stone, said }]
    }),
)
const STONE_DUE = {
  flatten: 'flatten it',
  'replace-soon': 'nearly worn out',
  replace: 'worn out',
} as const
const due = computed(() => today.told?.due ?? { first: [], more: 0 })
const dueLines = computed(() =>
  due.value.first.map((line) => {
    const isLate = line.dueOn < onDay
    if ('jobId' in line) {
      const to = sheetPath(line.jobId, line.isReady ? 'use' : 'clamp')
      return { key: line.jobId, name: line.name, to, said: dueText(line) + whose(line.owner), isLate }
    }
    const account = collections.owners.find(({ name }) => name === line.owner)
    const to = account ? `/owners/${account.id}` : '/owners'
    const said = `${line.jobs} blades, ${dueText({ ...line, isReady: false })}; ${line.ready} ready`
    return { key: `${line.owner} ${line.dueOn}`, name: line.owner, to, said, isLate }
  }),
)
const dull = computed(() => today.told?.dull ?? { first: [], more: 0 })
const whose = (owner: string) => (owner ? ` · ${owner}` : '')
</script>

<template>
  <section
    v-if="due.first.length + dull.first.length + stones.length > 0"
    class="pane mb-4 grid gap-x-6 gap-y-3 sm:grid-cols-2 lg:grid-cols-3"
    aria-label="Today"
    data-testid="today"
  >
    <div v-if="due.first.length > 0">
      <h2 class="flex items-baseline justify-between gap-2 font-semibold">
        Due
        <a class="text-link text-sm font-normal" href="/api/due.ics" download>As a calendar</a>
      </h2>
      <ul>
        <li v-for="line in dueLines" :key="line.key" class="py-1">
          <NuxtLink class="font-semibold wrap-anywhere underline-offset-3 hover:underline" :to="line.to">{{
            line.name
          }}</NuxtLink>
          <span class="block text-sm wrap-anywhere" :class="line.isLate ? 'font-semibold' : 'text-muted'">{{
            line.said
          }}</span>
        </li>
      </ul>
      <p v-if="due.more > 0" class="text-sm text-muted">and {{ due.more }} more</p>
    </div>
    <div v-if="dull.first.length > 0">
      <h2 class="font-semibold">Dull by now</h2>
      <ul>
        <li v-for="one in dull.first" :key="one.bladeId" class="py-1">
          <NuxtLink
            class="font-semibold wrap-anywhere underline-offset-3 hover:underline"
            :to="sheetPath(one.jobId, 'use')"
            >{{ one.blade }}</NuxtLink
          >
          <span class="block text-sm wrap-anywhere text-muted">{{ dullText(one) }}{{ whose(one.owner) }}</span>
        </li>
      </ul>
      <p v-if="dull.more > 0" class="text-sm text-muted">and {{ dull.more }} more</p>
    </div>
    <div v-if="stones.length > 0">
      <h2 class="font-semibold">Stones</h2>
      <ul>
        <li v-for="one in stones" :key="one.stone.id" class="py-1">
          <NuxtLink
            class="font-semibold wrap-anywhere underline-offset-3 hover:underline"
            :to="`/shelf/stones/${one.stone.id}`"
            >{{ one.stone.name }}</NuxtLink
          >
          <span class="block text-sm text-muted">{{ one.said }}</span>
        </li>
      </ul>
    </div>
  </section>
</template>
