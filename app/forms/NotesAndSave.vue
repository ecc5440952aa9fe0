<script setup lang="ts">
/** The end of a form that describes something: its notes, why it could not be saved, and the button that saves it. */
defineProps<{ notes: string; problem: string | undefined; failure: string; busy: boolean }>()
const emit = defineEmits<{ notes: [text: string] }>()
</script>

<template>
  <UFormField label="Notes" :error="problem"
    ><UTextarea
      :model-value="notes"
      size="lg"
      class="w-full"
      maxlength="4000"
      @update:model-value="emit('notes', String($event))"
  /></UFormField>
  <p v-if="failure" role="alert" class="text-error">{{ failure }}</p>
  <UButton type="submit" size="xl" label="Save" :loading="busy" />
</template>
