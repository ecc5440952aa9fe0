<script setup lang="ts">
/** The frame in which a record is described: its drawing, and the steps of its measures beside it. */
const props = defineProps<{
  /** What is described: "Rig". */
  record: string
  step: number
  steps: readonly { readonly mark: string; readonly title: string; readonly missing: boolean }[]
  takenUp: boolean
  /** Whether it can be kept before the last step. */
  early: boolean
  busy: boolean
  failure: string
}>()
const emit = defineEmits<{ go: [to: number]; keep: []; away: []; anew: [] }>()
const last = computed(() => props.step === props.steps.length - 1)
const next = computed(() => props.steps[props.step + 1]?.title.toLowerCase().replace('?', '') ?? '')
</script>

<template>
  <form
    class="grid min-h-0 gap-3 lg:grid-cols-[minmax(0,1fr)_29rem]"
    :aria-label="record"
    data-described
    @submit.prevent="last ? emit('keep') : emit('go', step + 1)"
  >
    <slot name="drawing" />
    <div class="pane flex min-h-0 flex-col p-0">
      <nav aria-label="Steps" class="border-b border-default p-2">
        <ol class="flex gap-1">
          <li v-for="(one, i) in steps" :key="one.title" class="flex-1">
            <button
              type="button"
              class="w-full cursor-pointer rounded-sm border py-1 font-semibold"
              :class="
                i === step ? 'border-primary text-primary' : one.missing ? 'border-error text-error' : 'border-default'
              "
              :aria-current="i === step ? 'step' : undefined"
              :aria-label="`${one.mark === one.title ? '' : `${one.mark}: `}${one.title}${one.missing ? ', something is missing' : ''}`"
              @click="emit('go', i)"
            >
              {{ one.mark }}
            </button>
          </li>
        </ol>
      </nav>
      <div class="min-h-0 flex-1 space-y-3 overflow-y-auto px-4 py-3" data-step tabindex="-1">
        <slot name="lead" />
        <TakenUpNote v-if="takenUp" @anew="emit('anew')" />
        <slot />
        <p v-if="failure" role="alert" class="text-error">{{ failure }}</p>
      </div>
      <div class="flex items-center gap-2 border-t border-default p-3">
        <UButton
          v-if="step > 0"
          color="neutral"
          variant="outline"
          size="xl"
          icon="i-lucide-arrow-left"
          aria-label="The step before"
          @click="emit('go', step - 1)"
        />
        <UButton v-else color="neutral" variant="outline" size="xl" label="Back" @click="emit('away')" />
        <span class="flex-1" />
        <UButton
          v-if="early && !last"
          color="neutral"
          variant="outline"
          size="xl"
          label="Save"
          :loading="busy"
          @click="emit('keep')"
        />
        <UButton
          type="submit"
          size="xl"
          :label="last ? `Save this ${record.toLowerCase()}` : `Next: ${next}`"
          :trailing-icon="last ? undefined : 'i-lucide-arrow-right'"
          :loading="busy"
        />
      </div>
    </div>
  </form>
</template>
