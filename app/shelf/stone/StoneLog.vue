<script setup lang="ts">
import { storeToRefs } from 'pinia'
import { v7 as newId } from 'uuid'
import type { StoneRecord } from '#core/records/storage/kinds'
import type { LogEntry, WearEntry } from '#core/log/entry'
import { wearEntry, wearLogOf } from '#core/log/wearLog'
import { checked, type FieldProblem } from '#core/schema/problem'
import type { StoneCondition } from '#core/records/stone/condition'
import { stone as stoneSchema, type Stone } from '#core/records/stone/stone'
import { STONE_DEEDS, stoneWear, type StoneWear } from '#core/records/stone/wear'
import { useWords } from '~/words/useWords'
import { completed, emptyDraft, inUnit, readDraft, type DraftOf } from '~/forms/draft'
import { firstAtEach } from '~/shelf/rig/rigDraft'
import { useKeptDraft } from '~/forms/useKeptDraft'
import { useStoneCondition } from '~/composables/useStoneCondition'
import { useCollections } from '~/stores/collections'
import { useLog } from '~/stores/log'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { stoneCareText } from '~/words/careText'
import { minutesText } from '~/words/decisionText'
import { exactLength } from '~/words/lengthText'
import { STONE_DEED_WORD } from '~/words/rigText'

/** A stone's wear log: what was measured and done, what it comes to, and what is due. */
const props = defineProps<{ stone: StoneRecord }>()
const collections = useCollections()
const log = useLog()
const preferences = usePreferences()
const words = useWords()
const lines = computed(() => wearLogOf(log.ofKind('stone-wear'), props.stone.id))
const done = computed(() => log.ofKind('stone-done'))
const { conditionOf } = useStoneCondition()
const condition = computed(() => conditionOf(props.stone))
/** What was counted at the bench, which needs no line of its own. */
const atBench = computed(() => {
  const own = done.value.filter(({ stoneId }) => stoneId === props.stone.id)
  const sum = (of: (one: (typeof own)[number]) => number) => own.reduce((all, one) => all + of(one), 0)
  const blades = new Set(own.map(({ jobId }) => jobId)).size
  return { blades, strokes: sum(({ strokes }) => strokes), minutes: sum(({ minutes }) => minutes ?? 0) }
})

const DUE: Record<StoneCondition['due'], string> = {
  nothing: 'Nothing is due.',
  flatten: 'Flatten it: its taper and dish tilt the angle by more than a fifth of a degree.',
  'replace-soon': 'Have a new one at hand: it is nearly worn out.',
  replace: 'Replace it: nothing is left to grind with.',
}
const rows = computed(() => lines.value.toReversed())
const deeds = STONE_DEEDS.map((deed) => ({ value: deed, label: STONE_DEED_WORD[deed] }))
const today = () => new Date().toLocaleDateString('sv')
const begun = (): DraftOf<StoneWear> => ({
  ...emptyDraft(stoneWear, preferences.unit),
  on: today(),
  did: 'used',
  blades: '',
})
const { unit } = storeToRefs(preferences)
const {
  draft: line,
  takenUp,
  beginAnew,
} = useKeptDraft(`wear:${props.stone.id}`, unit, {
  version: 1,
  begun,
  takenUp: (kept) => completed(kept, stoneWear, begun()),
  inUnit: (draft, from, to) => inUnit(draft, stoneWear, from, to),
})
const problems = ref<readonly FieldProblem[]>([])
const problemAt = (field: string) => {
  const wrong = problems.value.find((one) => one.field === field)
  return wrong ? words.problem(wrong, field) : undefined
}
const failure = ref('')
const busy = ref(false)

async function add() {
  failure.value = ''
  const counted = { ...line.value, blades: line.value.blades.trim() || '0' }
  const { content, problems: unread } = readDraft(counted, stoneWear, preferences.unit)
  const read = checked(stoneWear, content)
  problems.value = firstAtEach([...unread, ...(read.ok ? [] : read.problems)])
  if (!read.ok || problems.value.length > 0) return
  const change = measuredNow(read.value)
  if (Object.keys(change).length > 0 && !(await keep(change))) return
  log.append([wearEntry(props.stone.id, read.value, newId())])
  await beginAnew()
}
/** A face offset that was measured is the stone’s from then on; its taper stays, unless it was flattened. */
function measuredNow({ faceOffsetMm, did }: StoneWear): Partial<Stone> {
  const flat = did === 'flattened' ? { dishMm: 0, faceOffsetEnds: null } : {}
  if (faceOffsetMm === null) return flat
  const ends = props.stone.faceOffsetEnds
  const lost = props.stone.faceOffsetMm - faceOffsetMm
  return {
    faceOffsetMm,
    faceOffsetEnds: ends && { nearMm: Math.max(0, ends.nearMm - lost), farMm: Math.max(0, ends.farMm - lost) },
    ...flat,
  }
}
const drop = (entry: WearEntry) => {
  const about = { jobId: null, bladeId: null, stoneId: props.stone.id, instrumentId: null }
  const retraction: LogEntry = {
    ...about,
    id: newId(),
    at: new Date().toISOString(),
    kind: 'retraction',
    entryId: entry.id,
  }
  log.append([retraction])
}

async function keep(change: Partial<Stone>): Promise<boolean> {
  busy.value = true
  const answer = await collections.keep('stones', stoneSchema.parse({ ...props.stone, ...change }), props.stone)
  busy.value = false
  if (!answer.ok) failure.value = words.problem(answer.problem)
  return answer.ok
}
</script>

<template>
  <div class="space-y-4">
    <p class="text-lg" :class="{ 'font-semibold text-error': condition.due === 'replace' }" data-testid="due">
      {{ DUE[condition.due] }}
    </p>
    <dl class="grid grid-cols-[1fr_auto] gap-x-4 gap-y-1">
      <dt>Rod to face now</dt>
      <dd class="text-right font-semibold">{{ words.length(stone.faceOffsetMm) }}</dd>
      <dt>Face tilted by its taper</dt>
      <dd class="text-right">{{ angleText(condition.taperDeg, 0.01) }}</dd>
      <dt>and by its dish, at the ends</dt>
      <dd class="text-right">{{ angleText(condition.dishDeg, 0.01) }}</dd>
      <dt>Lost for each blade</dt>
      <dd class="text-right">
        {{
          condition.wearPerBladeMm === null ? 'not known yet' : exactLength(condition.wearPerBladeMm, preferences.unit)
        }}
      </dd>
      <dt>Left to grind with</dt>
      <dd class="text-right">
        {{
          condition.leftMm === null
            ? 'does not wear down'
            : `${words.length(condition.leftMm)}${condition.bladesLeft === null ? '' : `, about ${condition.bladesLeft} blades`}`
        }}
      </dd>
      <template v-if="atBench.blades > 0">
        <dt>Counted at the stone</dt>
        <dd class="text-right" data-testid="stone-at-bench">
          {{ atBench.blades }} {{ atBench.blades === 1 ? 'blade' : 'blades' }}, {{ atBench.strokes }} strokes<template
            v-if="atBench.minutes > 0"
            >, {{ minutesText(atBench.minutes) }}</template
          >
        </dd>
      </template>
    </dl>
    <p class="text-sm text-muted">
      {{ stoneCareText(stone) }}
      <NuxtLink class="text-link" :to="`/shelf/stones/${stone.id}`">Its whole record</NuxtLink>
    </p>
    <form class="space-y-3 border-y border-default py-4" aria-label="New line of the log" @submit.prevent="add">
      <TakenUpNote v-if="takenUp" @anew="beginAnew" />
      <div class="grid grid-cols-2 gap-3">
        <UFormField label="On" :error="problemAt('on')"
          ><UInput v-model="line.on" type="date" size="lg" class="w-full"
        /></UFormField>
        <LabelledSelect v-model="line.did" label="What" :items="deeds" />
        <UFormField :label="`Rod to face, ${preferences.unit}`" :error="problemAt('faceOffsetMm')"
          ><UInput v-model="line.faceOffsetMm" size="lg" inputmode="decimal" placeholder="not measured" class="w-full"
        /></UFormField>
        <UFormField label="Other blades since" :error="problemAt('blades')"
          ><UInput v-model="line.blades" size="lg" inputmode="numeric" class="w-full"
        /></UFormField>
      </div>
      <UFormField label="Note" :error="problemAt('note')"
        ><UInput v-model="line.note" size="lg" maxlength="300" class="w-full"
      /></UFormField>
      <p v-if="failure" role="alert" class="text-error">{{ failure }}</p>
      <UButton type="submit" size="lg" label="Write it down" :loading="busy" />
    </form>
    <ul v-if="rows.length > 0" aria-label="Wear log" class="divide-y divide-default">
      <li v-for="row in rows" :key="row.id" class="flex items-center gap-3 py-2">
        <span class="w-24 shrink-0 text-sm text-muted">{{ row.on }}</span>
        <span class="min-w-0 flex-1"
          >{{ STONE_DEED_WORD[row.did]
          }}<template v-if="row.faceOffsetMm !== null">, {{ words.length(row.faceOffsetMm) }}</template
          ><template v-if="row.blades > 0">, {{ row.blades }} blades</template
          ><span v-if="row.note" class="block text-sm text-muted">{{ row.note }}</span></span
        >
        <UButton
          color="neutral"
          variant="ghost"
          icon="i-lucide-x"
          :aria-label="`Remove the line of ${row.on}`"
          @click="drop(row)"
        />
      </li>
    </ul>
    <p v-else class="text-muted">
      Nothing is written down yet. Measure the face when it is new, then every dozen blades or so.
    </p>
  </div>
</template>
