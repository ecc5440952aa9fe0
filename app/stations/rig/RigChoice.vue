<script setup lang="ts">
import { jawSetsOf } from '#core/records/rig/jaws'
import type { RigRecord, StoneRecord } from '#core/records/storage/kinds'
import { describingAt } from '~/forms/useDescribing'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'

const collections = useCollections()
const job = useJob()
const { actions } = job
const preferences = usePreferences()
const router = useRouter()
const rigs = computed(() => collections.rigs.filter((r) => r.archivedAt === null || r.id === job.content.value.rigId))
const chosen = computed(() => collections.rigs.find((r) => r.id === job.content.value.rigId) ?? null)
const jaws = computed(() =>
  chosen.value ? jawSetsOf(collections.rigAt(chosen.value.id, job.content.value.rigRevision) ?? chosen.value) : [],
)
const fitted = computed({
  get: () => job.content.value.jawsName ?? jaws.value[0]?.name ?? '',
  set: (name: string) => void actions.fitJaws(name),
})
/** A stone was described from here: the job is asked whether it takes it. */
const stoneDescribed = shallowRef<StoneRecord | null>(null)
function takeStone(takes: boolean) {
  if (takes && stoneDescribed.value) actions.chooseStone(stoneDescribed.value.id)
  stoneDescribed.value = null
}
const describe = (from: RigRecord | null, copy: boolean) =>
  void router.push(describingAt(sheetPath(job.id, 'rig', 'describe'), from, copy))
</script>

<template>
  <div class="grid gap-6 lg:grid-cols-[minmax(0,1fr)_29rem]">
    <section>
      <h2 class="mb-2 text-xl font-semibold">Which rig?</h2>
      <p
        v-if="job.rigMeasuredAnew.value"
        class="mb-2 flex flex-wrap items-center justify-between gap-2 rounded-sm border border-accented bg-default px-3 py-2"
      >
        <span
          >{{ job.rigMeasuredAnew.value.name }} was measured again after this job was set up. The job goes on with the
          measures it was done with.</span
        >
        <UButton label="Take the new measures" @click="actions.chooseRig(job.rigMeasuredAnew.value!.id)" />
      </p>
      <CardChoice
        v-slot="{ record: rig }"
        :records="rigs"
        :chosen="job.content.value.rigId"
        label="Rig"
        columns
        @choose="actions.chooseRig($event)"
      >
        <RigCard :rig="rig" />
      </CardChoice>
      <fieldset v-if="jaws.length > 1" class="mt-3">
        <legend class="mb-1 font-semibold">Which jaws are fitted?</legend>
        <URadioGroup
          v-model="fitted"
          :items="
            jaws.map((set) => ({
              value: set.name,
              label: `${set.name}, ${lengthText(set.widthMm, preferences.unit)} wide`,
            }))
          "
          orientation="horizontal"
          size="lg"
          aria-label="Jaws"
        />
      </fieldset>
      <ToolActions
        class="mt-3"
        kind="rigs"
        :chosen="chosen"
        :records="collections.rigs"
        word="rig"
        @describe="describe"
      />
    </section>
    <div>
      <StoneBox
        title="Which stone is on the rod?"
        :chosen="job.content.value.stoneId"
        :rig="job.rig.value"
        @choose="actions.chooseStone($event)"
        @described="stoneDescribed = $event"
      />
      <AskTake
        :record="stoneDescribed && { name: stoneDescribed.name, word: 'stone', anew: false }"
        @answered="takeStone"
      />
      <UButton
        class="mt-4"
        size="xl"
        trailing-icon="i-lucide-arrow-right"
        label="Next: the blade"
        :to="sheetPath(job.id, 'blade')"
      />
      <ToolExchange class="mt-6" />
    </div>
  </div>
</template>
