<script setup lang="ts">
import type { InkLookEntry } from '#core/log/entry'
import { settingOn } from '#core/log/setupSnapshot'
import { useInk } from '~/composables/useInk'
import { useJob } from '~/job/useJob'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { dialText } from '~/words/dialText'
import { INK_WORD, fractionText } from '~/words/inkText'
import { momentText } from '~/words/momentText'
import { ZONE_WORD } from '~/words/zoneText'

/** The looks as they were entered; one that is struck out no longer counts. */
const job = useJob()
const ink = useInk()
const collections = useCollections()
const names = computed(() => usePreferences().current.sideNames)
const rows = computed(() => ink.looks.value.toReversed())
const settingThen = ({ setup, side }: InkLookEntry) => {
  const setting = settingOn(setup, side)
  return setting ? dialText(job.rig.value, setting) : ''
}
const counts = (look: InkLookEntry) => ink.counted.value.includes(look)
const zoneText = ({ kind, seen, fraction, setDeg }: InkLookEntry['zones'][number]) =>
  `${ZONE_WORD[kind]}, set ${angleText(setDeg)}: ${INK_WORD[seen]}${fraction > 0 && fraction < 1 ? ` ${fractionText(fraction)}` : ''}`
</script>

<template>
  <SheetPane labelledby="looks">
    <h2 id="looks" class="text-lg font-semibold">Marker tests, newest first <TermHelp label="Marker test" /></h2>
    <p v-if="rows.length === 0" class="mt-1 text-muted">None yet.</p>
    <ul v-else data-testid="looks">
      <li
        v-for="look in rows"
        :key="look.id"
        class="flex items-start gap-3 border-t border-default py-1.5 first:border-t-0"
      >
        <div class="min-w-0 flex-1">
          <p>
            <b>{{ names[look.side] }}</b> {{ settingThen(look) }}
            <span class="text-sm text-muted"
              >{{ momentText(look.at) }}{{ look.stoneId ? `, ${collections.nameOf(look.stoneId)}` : ''
              }}{{ counts(look) ? '' : '; ground since: no longer counted' }}</span
            >
          </p>
          <p v-for="zone in look.zones" :key="zone.fromMm" class="text-sm text-toned">{{ zoneText(zone) }}</p>
        </div>
        <UButton
          color="neutral"
          variant="ghost"
          icon="i-lucide-x"
          size="lg"
          :aria-label="`Remove the test of ${names[look.side]} of ${momentText(look.at)}`"
          @click="ink.retract(look)"
        />
      </li>
    </ul>
    <section v-if="ink.earlier.value.length > 0" aria-labelledby="earlier" class="mt-3 border-t border-default pt-3">
      <h3 id="earlier" class="font-semibold">Earlier marker tests of this blade</h3>
      <p class="text-sm text-muted">
        From other jobs: they count nothing here. Where nothing was ground since, they can be taken as a start.
      </p>
      <ul data-testid="earlier-looks">
        <li v-for="look in ink.earlier.value" :key="look.id" class="flex items-start gap-3 py-1.5 text-muted">
          <div class="min-w-0 flex-1">
            <p>
              {{ names[look.side] }} <span class="text-sm">{{ momentText(look.at) }}</span>
            </p>
            <p v-for="zone in look.zones" :key="zone.fromMm" class="text-sm">{{ zoneText(zone) }}</p>
          </div>
          <UButton
            color="neutral"
            variant="outline"
            label="Count it too"
            :aria-label="`Count the test of ${names[look.side]} of ${momentText(look.at)} too`"
            @click="ink.countToo(look)"
          />
        </li>
      </ul>
    </section>
  </SheetPane>
</template>
