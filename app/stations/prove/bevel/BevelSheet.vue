<script setup lang="ts">
import { renamed } from '#core/schema/versioned'
import { WIDTH_MEANS, type WidthMeans } from '#core/log/choices'
import type { WidthCause } from '#core/observe/bevelWidth/bevelCheck'
import type { Side } from '#core/records/common/side'
import { ENTRIES, type BevelWidth } from '#core/log/entry'
import { fromMm } from '#core/math/units/length'
import { useBevelCheck } from './useBevelCheck'
import { followLook, NO_PLACE, useEdgePlace, type TypedPlace } from '~/stations/prove/useEdgePlace'
import { useForm } from '~/forms/useForm'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { againstText, MEANS_WORD, widthCauseText, widthText } from '~/words/bevelText'
import { lengthText } from '~/words/lengthText'
import { momentText } from '~/words/momentText'
import { ZONE_WORD } from '~/words/zoneText'

/** Widths of the bevel, measured at several places, against what angle, thickness and taper give. */
const job = useJob()
const preferences = usePreferences()
const check = useBevelCheck()
const names = computed(() => preferences.current.sideNames)
const sides = computed(() => check.sides.value.map((side) => ({ value: side, label: names.value[side] })))
const means = WIDTH_MEANS.map((value) => ({ value, label: MEANS_WORD[value] }))

/** A loupe's scale has tenths: half of one is seen. */
const LOUPE_UNCERTAINTY_MM = 0.05
interface WidthForm {
  side: Side
  by: WidthMeans
  width: string
  /** Empty: as a loupe usually tells it. */
  uncertainty: string
  on: TypedPlace
}
const { form, problems, readFigure, validate } = useForm<WidthForm>(
  `bevel-width:${job.id}`,
  () => ({ side: 'A', by: 'loupe', width: '', uncertainty: '', on: NO_PLACE }),
  (old, inNewUnit) => ({ ...old, width: inNewUnit(old.width), uncertainty: inNewUnit(old.uncertainty) }),
  [renamed({ doubt: 'uncertainty' })],
)
const on = computed({ get: () => form.value.on, set: (to) => (form.value.on = to) })
const place = useEdgePlace(on)
followLook(on)
const lengthTyped = (mm: number) =>
  String(Number(fromMm(mm, preferences.unit).toFixed(preferences.unit === 'mm' ? 3 : 5)))
function fromPicture(mm: number, uncertaintyMm: number) {
  Object.assign(form.value, {
    width: lengthTyped(mm),
    uncertainty: lengthTyped(Math.max(0.001, uncertaintyMm)),
    by: 'photograph',
  })
}

const tried = ref(false)
function note() {
  tried.value = true
  const where = place.where.value
  const { width, uncertainty, by } = form.value
  const widthMm = readFigure('widthMm', width, 'mm', 'width-missing')
  const usual = lengthTyped(LOUPE_UNCERTAINTY_MM)
  const uncertaintyMm = readFigure('uncertaintyMm', uncertainty.trim() || usual, 'mm', 'uncertainty-missing')
  if (!where) return
  const side = check.sides.value.length > 1 ? form.value.side : 'A'
  const about = { ...job.newEntry(), stoneId: null }
  const entry: BevelWidth = { ...about, kind: 'bevel-width', side, ...where, widthMm, uncertaintyMm, by }
  const fieldOf = (path: string) => (path === 'uncertaintyMm' ? path : 'widthMm')
  if (!validate(ENTRIES['bevel-width'].schema, [entry], fieldOf)) return
  job.session.record('bevel width', [entry])
  Object.assign(form.value, { width: '', uncertainty: '', by: 'loupe' })
  tried.value = false
}

/** What it must be at the place that is chosen, before it is measured. */
const must = computed(() => {
  const where = place.where.value
  if (!where) return null
  const side = check.sides.value.length > 1 ? form.value.side : 'A'
  const [angle, { afterMm }] = [check.angleAt(side, where.placeMm), check.widthsAt(side, where.placeMm)]
  return angle && afterMm !== null ? { angle, afterMm } : null
})
const rows = computed(() => check.noted.value.toReversed())
const retract = ({ id }: BevelWidth) => void job.session.record('remove an entry', [], [id])
const whereText = ({ zone, placeMm }: BevelWidth) =>
  zone ? ZONE_WORD[zone] : `${lengthText(placeMm, preferences.unit)} from the heel`

/** Where what would explain it is written down, or measured again. */
const CALIBRATED_AT: Record<WidthCause['what'], readonly [where: string, word: string]> = {
  'not-through': [sheetPath(job.id, 'prove'), 'Look for the burr'],
  thickness: [sheetPath(job.id, 'blade'), 'Measure it again'],
  apex: [sheetPath(job.id, 'uncertainty', 'sides'), 'How far the two sides differ'],
  angle: [sheetPath(job.id, 'prove'), 'Prove it'],
  'angle-A': [sheetPath(job.id, 'prove'), 'Prove it'],
  'angle-B': [sheetPath(job.id, 'prove'), 'Prove it'],
}
const wrong = computed(() => check.checked.value.some(({ agrees }) => !agrees))
</script>

<template>
  <div class="panes lg:grid-cols-[30rem_minmax(0,1fr)]">
    <div class="space-y-3">
      <SheetPane labelledby="one-width">
        <h2 id="one-width" class="text-lg font-semibold">One more width <TermHelp label="Bevel width" /></h2>
        <form class="mt-2 space-y-3" aria-label="The width of the bevel" novalidate @submit.prevent="note">
          <URadioGroup
            v-if="sides.length > 1"
            v-model="form.side"
            legend="Side"
            orientation="horizontal"
            size="lg"
            :items="sides"
          />
          <div class="grid gap-3 sm:grid-cols-2"><PlaceOnEdge v-model="on" :tried="tried" /></div>
          <p v-if="must" class="text-toned" data-testid="must-be">
            Must be
            <b class="figure mx-1 text-xl">{{ widthText(must.afterMm, 0.05, preferences.unit) }}</b>
            there, at {{ angleText(must.angle.deg, must.angle.uncertaintyDeg) }} {{ must.angle.by }}.
          </p>
          <div class="grid grid-cols-2 gap-3">
            <FigureField
              v-model="form.width"
              :label="`Apex to shoulder, ${preferences.unit}`"
              :problem="problems.widthMm"
              data-testid="bevel-width"
            />
            <FigureField
              v-model="form.uncertainty"
              :label="`Known to ±, ${preferences.unit}`"
              :problem="problems.uncertaintyMm"
              :usual="lengthTyped(LOUPE_UNCERTAINTY_MM)"
            />
          </div>
          <LabelledSelect v-model="form.by" label="Measured with" :items="means" />
          <UButton type="submit" size="xl" label="Record it" />
          <p class="text-sm text-muted">
            Clamped, with the edge away from you; the loupe along the face, not the edge.
          </p>
        </form>
      </SheetPane>
      <SheetPane labelledby="close-up">
        <h2 id="close-up" class="mb-2 text-lg font-semibold">From a close-up</h2>
        <BevelPicture @width="fromPicture" />
      </SheetPane>
    </div>
    <div class="space-y-3">
      <SheetPane labelledby="widths">
        <div class="mb-1 flex flex-wrap items-center justify-between gap-2">
          <h2 id="widths" class="text-lg font-semibold">Along the edge</h2>
          <SideSwitch v-if="sides.length > 1" />
        </div>
        <WidthsAlong />
        <div v-if="wrong" class="mt-3 border-t border-default pt-3" data-testid="width-causes">
          <template v-if="check.causes.value.length > 0">
            <h3 class="font-semibold">What the widths say, likeliest first</h3>
            <ol class="list-decimal space-y-1 pl-5">
              <li v-for="cause in check.causes.value" :key="cause.what">
                {{ widthCauseText(cause, names, preferences.unit) }}
                <NuxtLink class="text-link" :to="CALIBRATED_AT[cause.what][0]">{{
                  CALIBRATED_AT[cause.what][1]
                }}</NuxtLink>
              </li>
            </ol>
          </template>
          <p v-else>
            No single thing explains all of them: the taper written down may be wrong, or the bevel has two faces.
            <NuxtLink class="text-link" :to="sheetPath(job.id, 'blade')">See the blade’s thicknesses</NuxtLink>
          </p>
        </div>
        <p v-else-if="rows.length > 0" class="mt-3 border-t border-default pt-3">
          As wide as angle and thickness give it, everywhere it was measured.
        </p>
      </SheetPane>
      <SheetPane labelledby="noted-widths">
        <h2 id="noted-widths" class="text-lg font-semibold">Measured, newest first</h2>
        <p v-if="rows.length === 0" class="mt-2 text-muted">
          Nothing yet. Three places tell more than one: near the heel, in the middle, near the tip.
        </p>
        <ul v-else class="mt-1" data-testid="noted-widths">
          <NotedRow
            v-for="{ entry, checked: one } in rows"
            :key="entry.id"
            :what="`${widthText(entry.widthMm, entry.uncertaintyMm, preferences.unit)} on ${names[entry.side]}`"
            @retract="retract(entry)"
          >
            <span class="figure w-20 shrink-0 text-lg sm:w-24">{{
              widthText(entry.widthMm, entry.uncertaintyMm, preferences.unit)
            }}</span>
            <span class="w-6 shrink-0 sm:w-12">{{ names[entry.side] }}</span>
            <span class="min-w-0 flex-1"
              >{{ whereText(entry) }}<template v-if="one">: {{ againstText(one, preferences.unit) }}</template>
              <span class="block text-sm text-muted"
                >{{ momentText(entry.at) }}, ± {{ widthText(entry.uncertaintyMm, entry.uncertaintyMm, preferences.unit)
                }}<template v-if="one"
                  >; must be {{ widthText(one.predictedMm, one.predictedUncertaintyMm, preferences.unit) }} ±
                  {{ widthText(one.predictedUncertaintyMm, one.predictedUncertaintyMm, preferences.unit) }}</template
                ></span
              ></span
            >
          </NotedRow>
        </ul>
      </SheetPane>
    </div>
  </div>
</template>
