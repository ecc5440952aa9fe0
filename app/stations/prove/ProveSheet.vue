<script setup lang="ts">
import { renamed } from '#core/schema/versioned'
import { zoneMiddleMm } from '#core/records/blade/zones'
import type { Side } from '#core/records/common/side'
import type { LogEntry, Proof, Reading } from '#core/log/entry'
import { useAgainst } from '~/composables/useAgainst'
import { useCauses } from '~/composables/useCauses'
import { useReadings } from '~/composables/useReadings'
import { useForm } from '~/forms/useForm'
import { useJob } from '~/job/useJob'
import { useCollections } from '~/stores/collections'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText } from '~/words/angleText'
import { momentText } from '~/words/momentText'
import { lengthText } from '~/words/lengthText'
import { WHOLE_EDGE } from '~/forms/zoneChoice'
import { zoneName, ZONE_WORD } from '~/words/zoneText'

/** What was proved on the steel and read on the stone: one more proof, and all that holds of the log. */
const job = useJob()
const preferences = usePreferences()
const readings = useReadings()
const against = useAgainst()
const collections = useCollections()
const names = computed(() => preferences.current.sideNames)
const { sides } = job

const BY = [
  { value: 'goniometer', label: 'the goniometer' },
  { value: 'ink', label: 'ink' },
] as const
const places = computed(() => [
  { value: WHOLE_EDGE, label: 'the whole edge' },
  ...job.zones.value.map((_, i) => ({ value: String(i), label: `its ${zoneName(job.zones.value, i)}` })),
])
interface ProofForm {
  deg: string
  /** Empty: as ink usually is known to. */
  uncertainty: string
  by: (typeof BY)[number]['value']
  place: string
  side: Side
}
const {
  form: typed,
  problems,
  addProblem,
  readFigure,
  hasProblems,
} = useForm<ProofForm>(
  `proof:${job.id}`,
  () => ({ deg: '', uncertainty: '', by: 'goniometer', place: WHOLE_EDGE, side: 'A' }),
  undefined,
  [renamed({ doubt: 'uncertainty' })],
)
/** What a look at ink tells an angle to when nothing else is said, degrees. */
const INK_UNCERTAINTY_DEG = 0.5
const usualUncertainty = String(INK_UNCERTAINTY_DEG)
function add() {
  const { side, place, uncertainty } = typed.value
  const deg = readFigure('deg', typed.value.deg, 'deg', 'angle-missing')
  const uncertaintyDeg = readFigure(
    'uncertaintyDeg',
    uncertainty.trim() || usualUncertainty,
    'deg',
    'uncertainty-missing',
  )
  if (hasProblems()) return
  const zone = job.zones.value[Number(place)]
  const where = { zone: zone?.kind ?? null, placeMm: zone ? zoneMiddleMm(zone) : null }
  const refused = readings.addProof(side, deg, { uncertaintyDeg, by: 'ink', ...where })
  if (refused) addProblem(refused.field === 'uncertaintyDeg' ? 'uncertaintyDeg' : 'deg', refused)
  else typed.value.deg = ''
}

const measured = (entry: LogEntry): entry is Reading | Proof => entry.kind === 'reading' || entry.kind === 'proof'
const rows = computed(() => job.entriesOfBlade.value.filter(measured).toReversed())
function whereText(entry: Reading | Proof): string {
  if (entry.kind === 'proof' && entry.zone) return ZONE_WORD[entry.zone]
  return entry.placeMm === null ? '' : `${lengthText(entry.placeMm, preferences.unit)} from the heel`
}
function howText(entry: Reading | Proof): string {
  if (entry.instrumentId) return `with ${collections.nameOf(entry.instrumentId)}`
  if (entry.kind === 'reading') return 'gauge on the stone'
  return entry.by === 'not said' ? '' : entry.by
}
/** What a side's proofs come to, against what was set where and when it was cut. */
const means = computed(() =>
  sides.value.map((side) => {
    const proved = against.proved.value[side]
    if (!proved) return { side, proved: null, off: '', where: '' }
    const { amount, placeMm, differsDeg, asSetNow } = proved
    const off =
      differsDeg === null ? '' : `, ${differenceText(differsDeg)} against ${asSetNow ? 'set' : 'what was set then'}`
    return { side, proved: amount, off, where: `${lengthText(placeMm, preferences.unit)} from the heel` }
  }),
)
const { causes, earlier, unexplained } = useCauses()
</script>

<template>
  <div class="panes lg:grid-cols-[30rem_minmax(0,1fr)]">
    <SheetPane labelledby="proved">
      <h2 id="proved" class="sr-only">One more proof</h2>
      <div class="space-y-3">
        <URadioGroup v-model="typed.by" legend="Proved by" orientation="horizontal" size="lg" :items="[...BY]" />
        <GoniometerEntry v-if="typed.by === 'goniometer'" />
        <form v-else class="space-y-3" aria-label="One more proof" @submit.prevent="add">
          <URadioGroup
            v-if="sides.length > 1"
            v-model="typed.side"
            legend="Proved on"
            orientation="horizontal"
            size="lg"
            :items="sides.map((side) => ({ value: side, label: names[side] }))"
          />
          <div class="grid grid-cols-2 gap-3">
            <FigureField
              v-model="typed.deg"
              label="Angle per side, °"
              :problem="problems.deg"
              data-testid="proof-deg"
            />
            <FigureField
              v-model="typed.uncertainty"
              label="Known to ±, °"
              :problem="problems.uncertaintyDeg"
              :usual="usualUncertainty"
            />
          </div>
          <LabelledSelect v-model="typed.place" label="On" :items="places" />
          <UButton type="submit" size="xl" label="Record it" />
        </form>
      </div>
    </SheetPane>
    <div class="min-w-0 space-y-3">
      <SheetPane labelledby="on-steel">
        <h2 id="on-steel" class="flex items-center gap-2 text-lg"><AngleMark angle="proved" />On the steel</h2>
        <dl class="mt-2 grid grid-cols-2 gap-4">
          <div v-for="{ side, proved, off, where } in means" :key="side">
            <dt class="text-sm text-muted">{{ names[side] }}, per side</dt>
            <dd>
              <span class="figure block text-3xl" :data-testid="`amount-${side}`">{{
                proved ? angleText(proved.deg, proved.uncertaintyDeg) : '–'
              }}</span>
              <span class="block min-h-5 text-sm text-toned">{{
                proved ? `± ${angleText(proved.uncertaintyDeg, proved.uncertaintyDeg)}${off}` : 'not proved yet'
              }}</span>
              <span v-if="where" class="block text-sm text-muted">{{ where }}</span>
              <span v-if="proved?.spreadDeg != null" class="block text-sm text-toned"
                >of {{ proved.of.length }}, {{ angleText(proved.spreadDeg, 0.05) }} from one to the next</span
              >
            </dd>
          </div>
        </dl>
        <div class="mt-3 border-t border-default pt-3">
          <div class="mb-1 flex flex-wrap items-center justify-between gap-2">
            <h3 class="font-semibold">Along the edge</h3>
            <SideSwitch v-if="sides.length > 1" />
          </div>
          <AnglesAlong />
          <ZoneTable />
        </div>
        <div v-if="causes.length > 0" class="mt-3 border-t border-default pt-3" data-testid="proof-causes">
          <h3 class="font-semibold">Why it is not as set, likeliest first</h3>
          <p v-if="earlier.length > 0" class="text-sm text-muted">
            With {{ earlier.length === 1 ? 'one angle' : `${earlier.length} angles` }} proved on this rig before.
          </p>
          <CauseList :causes="causes" />
        </div>
        <p v-else-if="unexplained" class="mt-3 border-t border-default pt-3">
          No single measure explains all that was proved.
          <NuxtLink class="text-link" :to="sheetPath(job.id, 'prove', 'calibrate')"
            >What all proofs say of the rig</NuxtLink
          >
        </p>
      </SheetPane>
      <SharpnessPane />
      <SheetPane labelledby="noted">
        <h2 id="noted" class="text-lg font-semibold">What was read and proved, newest first</h2>
        <p v-if="rows.length === 0" class="mt-2 text-muted">
          Nothing yet. What the gauge on the stone shows is recorded on the Gauge sheet; what is on the steel, here.
        </p>
        <ul v-else class="mt-1" data-testid="noted">
          <NotedRow
            v-for="entry in rows"
            :key="entry.id"
            :what="`${angleText(entry.deg, entry.uncertaintyDeg)} on ${names[entry.side]}`"
            @retract="readings.retract(entry)"
          >
            <AngleMark :angle="entry.kind === 'reading' ? 'read' : 'proved'" />
            <span class="figure w-16 shrink-0 text-lg sm:w-24">{{ angleText(entry.deg, entry.uncertaintyDeg) }}</span>
            <span class="w-6 shrink-0 sm:w-12">{{ names[entry.side] }}</span>
            <span class="min-w-0 flex-1"
              >{{ entry.kind === 'reading' ? 'Read' : 'Proved'
              }}<template v-if="howText(entry)">, {{ howText(entry) }}</template
              ><template v-if="whereText(entry)">, {{ whereText(entry) }}</template>
              <span class="block text-sm text-muted"
                >{{ momentText(entry.at) }}, ± {{ angleText(entry.uncertaintyDeg, entry.uncertaintyDeg) }}</span
              ></span
            >
          </NotedRow>
        </ul>
      </SheetPane>
    </div>
  </div>
</template>
