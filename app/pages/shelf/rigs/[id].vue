<script setup lang="ts">
import { useRecordLog } from '~/composables/useRecordLog'
import { sheetPath } from '~/navigation/stations'
import { againstSet, rigStages } from '~/shelf/record/rigStages'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText } from '~/words/angleText'
import { momentText } from '~/words/momentText'

/** The record of a rig: what was measured anew and when, and what proofs said of the angles it was set to. */
const route = useRoute()
const collections = useCollections()
const preferences = usePreferences()
const id = computed(() => String(route.params.id))
const rig = computed(() => collections.rigs.find((one) => one.id === id.value) ?? null)
const { told, failed, load } = useRecordLog('rig', id)
const names = computed(() => preferences.current.sideNames)

const stages = computed(() => (rig.value ? rigStages(rig.value, collections.rigVersions, preferences.unit) : []))
const jobName = (jobId: string | null) => told.value?.jobs.find((one) => one.id === jobId)?.name ?? ''
/** What was proved against what was set, the newest first. */
const proofs = computed(() => againstSet(told.value?.log.entries ?? []).reverse())
useHead({ title: () => `Record of ${rig.value?.name ?? 'a rig'} · Jaw Tilt` })
</script>

<template>
  <RecordPage of="rig" :record="rig" :told="told" :failed="failed" @again="load">
    <section class="pane" aria-labelledby="measures">
      <h2 id="measures" class="text-lg font-semibold">Its measures over time</h2>
      <ol>
        <li v-for="one in stages" :key="one.revision" class="border-t border-default py-2 first:border-0">
          <h3 class="font-semibold">
            {{ one.changes === null ? 'Described' : one.proofs > 0 ? 'Calibrated' : 'Measured again' }}
            <span class="font-normal text-muted">{{
              one.since ? momentText(one.since).slice(0, 10) : 'on a day that was not kept'
            }}</span>
          </h3>
          <p v-if="one.proofs > 0" class="text-sm text-muted">
            {{ one.proofs === 1 ? 'By one proof.' : `By ${one.proofs} proofs.` }}
          </p>
          <ul>
            <li v-for="change in one.changes ?? []" :key="change.label">
              {{ change.label }}: <span class="figure">{{ change.before }}</span> →
              <b class="figure">{{ change.now }}</b>
            </li>
          </ul>
        </li>
      </ol>
    </section>
    <section class="pane" aria-labelledby="proofs">
      <h2 id="proofs" class="text-lg font-semibold">What was proved on it</h2>
      <p v-if="proofs.length === 0" class="text-muted">Nothing yet: no edge that was set on it has been measured.</p>
      <table v-else class="w-full">
        <thead>
          <tr class="text-left text-sm text-muted *:font-normal">
            <th>on</th>
            <th>job</th>
            <th>side</th>
            <th class="pl-2 text-right">set</th>
            <th class="pl-2 text-right">proved</th>
            <th class="pl-2 text-right">off</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in proofs" :key="one.id" class="border-t border-default align-baseline">
            <td class="pr-2 text-sm whitespace-nowrap">{{ momentText(one.at).slice(0, 10) }}</td>
            <td class="pr-2 wrap-anywhere">
              <NuxtLink v-if="one.jobId" class="text-link" :to="sheetPath(one.jobId, 'prove')">{{
                jobName(one.jobId)
              }}</NuxtLink>
            </td>
            <td>{{ names[one.side] }}</td>
            <td class="figure pl-2 text-right whitespace-nowrap">
              {{ one.setDeg === null ? '–' : angleText(one.setDeg) }}
            </td>
            <td class="figure pl-2 text-right whitespace-nowrap">{{ angleText(one.deg, one.uncertaintyDeg) }}</td>
            <td class="figure pl-2 text-right whitespace-nowrap">
              {{ one.offDeg === null ? '–' : differenceText(one.offDeg, one.uncertaintyDeg) }}
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="proofs.length > 0" class="mt-2 text-sm text-muted">
        Off: proved less set, where the bevel was cut through to the apex. What it says of the rig’s measures is told on
        a job with it: Prove, The rig’s own errors.
      </p>
    </section>
  </RecordPage>
</template>
