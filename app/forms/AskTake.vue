<script setup lang="ts">
/** Asks whether the job at hand takes what was just described; null: nothing is to be asked. */
defineProps<{ record: { name: string; word: 'rig' | 'blade' | 'stone'; anew: boolean } | null }>()
const HELD_ANEW = 'changes how the blade is held; going back brings that back.'
/** What taking another one comes to. */
const MEANS = { rig: HELD_ANEW, blade: HELD_ANEW, stone: 'asks for another dial.' } as const
const emit = defineEmits<{ answered: [takes: boolean] }>()
</script>

<template>
  <UModal
    :open="record !== null"
    :title="record?.anew ? `Use the new measures in this job?` : `Use this ${record?.word} in this job?`"
    :description="
      record?.anew
        ? `${record.name} was measured again. The job used its measures of then.`
        : record
          ? `${record.name} is on the shelf either way. Another ${record.word} ${MEANS[record.word]}`
          : ''
    "
    @update:open="$event || emit('answered', false)"
  >
    <template #footer>
      <UButton size="lg" :label="record?.anew ? 'Use them' : 'Use it'" @click="emit('answered', true)" />
      <UButton
        size="lg"
        color="neutral"
        variant="outline"
        label="Leave the job as it is"
        @click="emit('answered', false)"
      />
    </template>
  </UModal>
</template>
