<script setup lang="ts">
import { useEar } from './useEar'
import { useStoneBench } from './useStoneBench'
import { useSimulatedOffered } from '~/job/useSimulatedOffered'
import { EAR_TEXT, heardText } from '~/words/earText'

/** Counting by ear: what is heard counts as pressed does. */
const bench = useStoneBench()
const { dialled } = bench
const offered = useSimulatedOffered()
const {
  state: ear,
  heard,
  counted,
  start: listen,
  stop: endListening,
} = useEar((strokes) => {
  if (strokes > 0) bench.press(strokes)
  else bench.takeBackOpen(-strokes)
})
</script>

<template>
  <div class="flex flex-wrap items-center gap-3">
    <template v-if="ear === 'on' || ear === 'asking'">
      <UButton
        size="xl"
        color="neutral"
        variant="outline"
        icon="i-lucide-mic-off"
        label="Stop listening"
        @click="endListening"
      />
      <p class="min-w-0 flex-1" role="status" data-testid="ear">{{ heardText(heard, counted) }}</p>
    </template>
    <template v-else>
      <UButton
        size="xl"
        color="neutral"
        variant="outline"
        icon="i-lucide-mic"
        label="Count by ear"
        :disabled="!dialled"
        @click="listen('microphone')"
      />
      <UButton
        size="xl"
        color="neutral"
        variant="ghost"
        icon="i-lucide-hand"
        label="Count knocks on the bench"
        :disabled="!dialled"
        @click="listen('microphone', 'knocks')"
      />
      <UButton
        v-if="offered"
        size="xl"
        color="neutral"
        variant="ghost"
        label="Listen to the simulated bench"
        :disabled="!dialled"
        @click="listen('made-up')"
      />
      <p v-if="ear !== 'off'" role="alert" class="w-full text-error">{{ EAR_TEXT[ear] }}</p>
    </template>
  </div>
</template>
