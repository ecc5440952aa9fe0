<script setup lang="ts">
import { owner as ownerSchema } from '#core/records/owner/owner'
import type { OwnerRecord } from '#core/records/storage/kinds'
import { useDescription } from '~/forms/useDescription'
import { ownerDrafts, readOwner } from './ownerDraft'

/** Whose blades they are, and how to reach them. `from`: the one to change; `name`: of one that is new. */
const { from, name = '' } = defineProps<{ from: OwnerRecord | null; name?: string }>()
const emit = defineEmits<{ done: [kept: OwnerRecord] }>()
const { draft, takenUp, beginAnew, fieldsOf, shown, save, busy, failure } = useDescription({
  kind: 'owners',
  from,
  copy: false,
  changed: 'is changed',
  drafts: ownerDrafts(from, name),
  read: (typed, unit) => readOwner(typed, unit, from),
  content: ({ owner }) => owner,
})
// Another name than the one that was begun with.
if (!from && name !== '') draft.value.name = name
const fields = fieldsOf((typed) => typed, ownerSchema)
const { textAt, put, problemTexts } = fields
const problemAt = (path: string) => shown(problemTexts.value[path], textAt(path))
const LONG = [
  ['reach', 'How to reach them', 'Telephone, address, on which day.', 300],
  ['wishes', 'Wishes', 'What holds for all of their blades: an angle, a finish, what to leave alone.', 2000],
] as const

async function keep() {
  const kept = await save()
  if (kept) emit('done', kept)
}
</script>

<template>
  <form class="space-y-4" aria-label="Owner" data-described @submit.prevent="keep">
    <TakenUpNote v-if="takenUp" @anew="beginAnew" />
    <TypedField :fields="fields" path="name" label="Name" :problem="problemAt('name')" />
    <UFormField
      v-for="[path, label, help, most] in LONG"
      :key="path"
      :label="label"
      :help="help"
      :error="problemAt(path)"
      ><UTextarea
        :model-value="textAt(path)"
        size="lg"
        class="w-full"
        :rows="2"
        autoresize
        :maxlength="most"
        @update:model-value="put(path, String($event))"
    /></UFormField>
    <NotesAndSave
      :notes="textAt('notes')"
      :problem="problemAt('notes')"
      :failure="failure"
      :busy="busy"
      @notes="put('notes', $event)"
    />
  </form>
</template>
