<script setup lang="ts">
import { LEVELS, type Level } from '#core/log/choices'
import { useInk } from '~/composables/useInk'
import { usePractice } from './usePractice'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { steelText } from '~/words/decisionText'
import { LEVEL_TEXT, lossText, passesText } from '~/words/inkText'
import { momentText } from '~/words/momentText'

/** Practice: find the bevel of a hidden blade on the Ink sheet, in few passes; what it came to, and the best so far. */
const job = useJob()
const preferences = usePreferences()
const ink = useInk()
const practice = usePractice()
const cameTo = job.practice.result
const names = computed(() => preferences.current.sideNames)
const problem = ref('')
const advisedText = computed(() =>
  cameTo.value?.advised
    .map(({ side, setDeg }) => `${names.value[side]} ${setDeg.map((deg) => angleText(deg)).join(', ')}`)
    .join('; '),
)
const truthText = computed(() =>
  cameTo.value?.zones
    .map(({ side, zone, truthDeg }) => `${names.value[side]} ${zone} ${angleText(truthDeg)}`)
    .join(', '),
)
async function begin(level: Level) {
  await practice.begin(level)
  await navigateTo(sheetPath(job.id, 'mark'))
}
async function finish() {
  problem.value = (await practice.finish()) ?? ''
}
</script>

<template>
  <div class="panes lg:grid-cols-2">
    <SheetPane v-if="job.practising" labelledby="goes-on" class="space-y-2">
      <h2 id="goes-on" class="text-lg font-semibold">
        A practice goes on, {{ LEVEL_TEXT[practice.level.value!].word.toLowerCase() }}
      </h2>
      <p>{{ passesText(practice.passes.value) }}, {{ ink.looks.value.length }} tests recorded.</p>
      <p v-if="problem" role="alert" class="text-error">{{ problem }}</p>
      <div class="flex flex-wrap gap-3">
        <UButton size="xl" label="I know it: how well?" :loading="practice.working.value" @click="finish" />
        <UButton :to="sheetPath(job.id, 'mark')" color="neutral" variant="outline" size="lg" label="Continue" />
        <UButton color="neutral" variant="ghost" size="lg" label="Leave it" @click="practice.leave" />
      </div>
    </SheetPane>
    <SheetPane v-else labelledby="begin" class="space-y-2">
      <h2 id="begin" class="text-lg font-semibold">Find the bevel of a blade that nobody knows</h2>
      <p class="text-toned">
        Held as this one, on this rig: a blade with hidden angles, a rig that is a little off, a hand of its own. Dial,
        make a light pass, tell what it exposed, until every zone is known. None of it is recorded for the blade in the
        jaws, and what is dialled comes back.
      </p>
      <ul class="grid gap-2">
        <li v-for="level in LEVELS" :key="level" class="flex items-center gap-3">
          <UButton
            color="neutral"
            variant="outline"
            size="xl"
            class="w-24 shrink-0 justify-center"
            :label="LEVEL_TEXT[level].word"
            :aria-label="`${LEVEL_TEXT[level].word}: ${LEVEL_TEXT[level].means}`"
            @click="begin(level)"
          /><span class="text-toned">{{ LEVEL_TEXT[level].means }}</span>
        </li>
      </ul>
    </SheetPane>
    <SheetPane labelledby="came-to" class="space-y-2">
      <h2 id="came-to" class="text-lg font-semibold">Result</h2>
      <section v-if="cameTo" aria-live="polite" data-testid="practice-score">
        <p>
          <span class="figure text-3xl font-semibold">{{ cameTo.points }}</span> of 100
        </p>
        <p>
          {{ passesText(cameTo.passes) }}, {{ steelText(cameTo.steelMm3, preferences.unit) }} of steel. On this blade
          the advice dials {{ advisedText }}.
        </p>
        <ul v-if="cameTo.lost.length > 0" class="mt-2">
          <li v-for="(loss, i) in cameTo.lost" :key="i" class="flex gap-3 border-t border-default py-1">
            <b class="w-10 text-right">−{{ loss.points }}</b
            ><span>{{ lossText(loss, loss.at ? `${names[loss.at.side]} ${loss.at.zone}` : '') }}</span>
          </li>
        </ul>
        <p v-else class="mt-2">Nothing was lost: every zone to half a degree.</p>
        <p class="mt-2 text-sm text-muted">It was: {{ truthText }}.</p>
      </section>
      <section aria-labelledby="best">
        <h3 id="best" class="font-semibold">The best so far</h3>
        <dl>
          <div v-for="level in LEVELS" :key="level" class="flex justify-between gap-3">
            <dt>{{ LEVEL_TEXT[level].word }}</dt>
            <dd :data-testid="`best-${level}`">
              <template v-if="practice.best(level)"
                >{{ practice.best(level)!.points }} of 100, {{ passesText(practice.best(level)!.looks) }},
                {{ momentText(practice.best(level)!.at) }}</template
              ><span v-else class="text-muted">none yet</span>
            </dd>
          </div>
        </dl>
      </section>
    </SheetPane>
  </div>
</template>
