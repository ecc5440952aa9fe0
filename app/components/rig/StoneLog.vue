<script setup lang="ts">
import type { KeptStone } from '#core/kept/kept'
import { stoneCondition, type StoneCondition } from '#core/stone/condition'
import { stone as stoneSchema, STONE_DEEDS, stoneEntry } from '#core/stone/stone'
import { parseDecimal, parseLengthMm } from '#core/units/length'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { lengthText } from '~/words/lengthText'
import { STONE_DEED_WORD } from '~/words/rigText'

/** A stone's wear log: what was measured and done, what it comes to, and what is due. */
const props = defineProps<{ stone: KeptStone }>()
const collections = useCollections()
const preferences = usePreferences()
const condition = computed(() => stoneCondition(props.stone))
const text = (mm: number) => lengthText(mm, preferences.unit)

const DUE: Record<StoneCondition['due'], string> = {
  nothing: 'Nothing is due.',
  flatten: 'Flatten it: its taper and dish tilt the angle by more than a fifth of a degree.',
  'replace-soon': 'Have a new one at hand: it is nearly worn out.',
  replace: 'Replace it: nothing is left to grind with.',
}
const rows = computed(() => [...props.stone.log].reverse())
const deeds = STONE_DEEDS.map((deed) => ({ value: deed, label: STONE_DEED_WORD[deed] }))
const today = () => new Date().toLocaleDateString('sv')
const entry = reactive({ on: today(), did: 'used' as (typeof STONE_DEEDS)[number], offset: '', blades: '', note: '' })
const problems = reactive<Record<string, string>>({})
const failure = ref('')
const busy = ref(false)

async function add() {
  for (const key of Object.keys(problems)) problems[key] = ''
  failure.value = ''
  const offset = entry.offset.trim() === '' ? null : parseLengthMm(entry.offset, preferences.unit)
  const blades = entry.blades.trim() === '' ? null : parseDecimal(entry.blades)
  if (offset && !offset.ok) problems.faceOffsetMm = `“${entry.offset}” is no length.`
  if (blades && !blades.ok) problems.blades = `“${entry.blades}” is no number.`
  if (problems.faceOffsetMm || problems.blades) return
  const parsed = stoneEntry.safeParse({
    on: entry.on,
    did: entry.did,
    note: entry.note,
    faceOffsetMm: offset?.ok ? offset.value : null,
    blades: blades?.ok ? blades.value : 0,
  })
  if (!parsed.success) {
    for (const issue of parsed.error.issues) problems[String(issue.path[0])] ||= issue.message
    return
  }
  const log = [...props.stone.log, parsed.data].sort((a, b) => a.on.localeCompare(b.on))
  if (await keep({ log, ...measuredNow(parsed.data) })) Object.assign(entry, { offset: '', blades: '', note: '' })
}
/** A face offset that was measured is the stone’s from then on; its taper stays, unless it was flattened. */
function measuredNow({ faceOffsetMm, did }: { faceOffsetMm: number | null; did: string }): Partial<KeptStone> {
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
const drop = (row: KeptStone['log'][number]) => keep({ log: props.stone.log.filter((one) => one !== row) })

async function keep(change: Partial<KeptStone>): Promise<boolean> {
  busy.value = true
  const answer = await collections.keep('stones', stoneSchema.parse({ ...props.stone, ...change }), props.stone)
  busy.value = false
  if (!answer.ok) failure.value = answer.problem.message
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
      <dd class="text-right font-semibold">{{ text(stone.faceOffsetMm) }}</dd>
      <dt>Face tilted by its taper</dt>
      <dd class="text-right">{{ angleText(condition.taperDeg, 0.01) }}</dd>
      <dt>and by its dish, at the ends</dt>
      <dd class="text-right">{{ angleText(condition.dishDeg, 0.01) }}</dd>
      <dt>Lost for each blade</dt>
      <dd class="text-right">
        {{ condition.wearPerBladeMm === null ? 'not known yet' : `${(condition.wearPerBladeMm * 1000).toFixed(0)} µm` }}
      </dd>
      <dt>Left to grind with</dt>
      <dd class="text-right">
        {{
          condition.leftMm === null
            ? 'does not wear down'
            : `${text(condition.leftMm)}${condition.bladesLeft === null ? '' : `, about ${condition.bladesLeft} blades`}`
        }}
      </dd>
    </dl>
    <form class="space-y-3 border-y border-default py-4" aria-label="New line of the log" @submit.prevent="add">
      <div class="grid grid-cols-2 gap-3">
        <UFormField label="On" :error="problems.on || undefined"
          ><UInput v-model="entry.on" type="date" size="lg" class="w-full"
        /></UFormField>
        <UFormField label="What"><USelect v-model="entry.did" :items="deeds" size="lg" class="w-full" /></UFormField>
        <UFormField :label="`Rod to face, ${preferences.unit}`" :error="problems.faceOffsetMm || undefined"
          ><UInput v-model="entry.offset" size="lg" inputmode="decimal" placeholder="not measured" class="w-full"
        /></UFormField>
        <UFormField label="Blades since" :error="problems.blades || undefined"
          ><UInput v-model="entry.blades" size="lg" inputmode="numeric" class="w-full"
        /></UFormField>
      </div>
      <UFormField label="Note"><UInput v-model="entry.note" size="lg" maxlength="300" class="w-full" /></UFormField>
      <p v-if="failure" role="alert" class="text-error">{{ failure }}</p>
      <UButton type="submit" size="lg" label="Write it down" :loading="busy" />
    </form>
    <ul v-if="rows.length > 0" aria-label="Wear log" class="divide-y divide-default">
      <li v-for="(row, i) in rows" :key="i" class="flex items-center gap-3 py-2">
        <span class="w-24 shrink-0 text-sm text-muted">{{ row.on }}</span>
        <span class="min-w-0 flex-1"
          >{{ STONE_DEED_WORD[row.did]
          }}<template v-if="row.faceOffsetMm !== null">, {{ text(row.faceOffsetMm) }}</template
          ><template v-if="row.blades > 0">, {{ row.blades }} blades</template
          ><span v-if="row.note" class="block text-sm text-muted">{{ row.note }}</span></span
        >
        <UButton
          color="neutral"
          variant="ghost"
          icon="i-lucide-x"
          :aria-label="`Remove the line of ${row.on}`"
          @click="
            () => {
              void drop(row)
            }
          "
        />
      </li>
    </ul>
    <p v-else class="text-muted">
      Nothing is written down yet. Measure the face when it is new, then every dozen blades or so.
    </p>
  </div>
</template>
