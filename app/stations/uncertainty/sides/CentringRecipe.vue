<script setup lang="ts">
import { useWords } from '~/words/useWords'
import { useJob } from '~/job/useJob'
import { perSide } from '#core/records/common/side'
import { useCentringRecipe, type RecipePair } from './useCentringRecipe'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { lengthText } from '~/words/lengthText'
import { placeText } from '~/words/placeText'

const words = useWords()

/** Finds how far the blade stands off the jaws' centre: with the gauge, or by turning it over. */
const job = useJob()
const { actions } = job
const preferences = usePreferences()
/** Where all of it is measured. */
const place = computed(() => placeText(job.content.value.dialForMm, job.rig.value.kind, preferences.unit))
const { typed, problem, upright, tilt, offset, parts, found } = useCentringRecipe()
const problems = (pair: RecipePair) => perSide((side) => problem(pair, side))
const text = (mm: number) => lengthText(mm, preferences.unit)
const towards = (value: number) => preferences.current.sideNames[value >= 0 ? 'A' : 'B']
const labels = computed((): [string, string] | undefined =>
  upright.value ? [`On ${preferences.current.sideNames.A}`, `On ${preferences.current.sideNames.B}`] : undefined,
)
const failure = ref('')
function use() {
  if (!found.value) return
  const { tiltDeg, offsetMm } = found.value
  failure.value =
    actions.setCentring({
      ...(tiltDeg === null ? {} : { tiltDeg }),
      ...(offsetMm === null ? {} : { centreOffsetMm: offsetMm }),
    }) ?? ''
}
</script>

<template>
  <SheetPane labelledby="recipe" class="space-y-4">
    <div>
      <h2 id="recipe" class="text-lg font-semibold">Find the centring error</h2>
      <p class="text-sm text-muted">
        Gloves on; hands behind the edge. Leave the blade in the jaws throughout{{
          upright ? '' : ', and turn the clamp with it'
        }}.
      </p>
    </div>
    <BothWaysUp
      v-model="typed.flat"
      name="flat"
      title="1. Tilt: gauge on the flat"
      unit="°"
      :labels="labels"
      :problems="problems('flat')"
      how="Zero the gauge on the jaws’ outside, stand it on the blade’s flat square to the edge. Positive where the flat rises towards the edge."
    />
    <p v-if="tilt" class="text-sm" data-testid="tilt-found">
      Tilted by <b>{{ angleText(Math.abs(tilt.tiltDeg)) }}</b> towards {{ towards(tilt.tiltDeg) }}; each flat falls
      {{ angleText(Math.abs(tilt.halfAngleDeg)) }} to the edge.
    </p>
    <URadioGroup
      v-model="typed.by"
      legend="2. Offset"
      orientation="horizontal"
      size="lg"
      :items="[
        { value: 'heights', label: upright ? 'with a straightedge' : 'by turning over' },
        { value: 'stone', label: 'with the gauge on the stone' },
      ]"
    />
    <template v-if="typed.by === 'heights'">
      <BothWaysUp
        v-model="typed.edge"
        name="edge"
        :title="upright ? 'The edge from a straightedge on the jaws’ outside' : 'The edge over the bench'"
        :unit="preferences.unit"
        :labels="labels"
        :problems="problems('edge')"
        :how="
          upright
            ? `Lay a straightedge on the jaws’ outside and measure in to the edge, ${place}; on both sides.`
            : `Height rule or calliper from the same plate up to the edge, ${place}; then turn the clamp over and measure again.`
        "
      />
      <details>
        <summary class="cursor-pointer text-sm">Is it the clamp, or is it the blade?</summary>
        <BothWaysUp
          v-model="typed.turned"
          class="mt-2"
          name="turned"
          title="The same, with the blade alone turned over in the jaws"
          :unit="preferences.unit"
          :labels="labels"
          :problems="problems('turned')"
          how="Loosen, turn the blade so that its other face is up, clamp at the same place, measure both again."
        />
        <p v-if="parts" class="mt-2 text-sm" data-testid="parts">
          Clamp <b>{{ text(Math.abs(parts.clamp)) }}</b> towards {{ towards(parts.clamp) }}; the blade’s own unevenness
          <b>{{ text(Math.abs(parts.blade)) }}</b> towards {{ towards(parts.blade) }}.
        </p>
      </details>
    </template>
    <BothWaysUp
      v-else
      v-model="typed.stone"
      name="stone"
      title="The gauge on the stone"
      unit="°"
      :labels="labels"
      :problems="problems('stone')"
      :how="`Zero it on the blade’s centre plane, the same dial on both sides, the stone’s middle on the edge ${place}.`"
    />
    <p v-if="offset && !offset.ok" role="alert" class="text-error">{{ words.problem(offset) }}</p>
    <div v-if="found" class="border-t border-default pt-3" aria-live="polite">
      <p data-testid="found">
        Found:
        <template v-if="found.offsetMm !== null"
          ><b>{{ text(Math.abs(found.offsetMm)) }}</b> off centre towards {{ towards(found.offsetMm) }}</template
        ><template v-if="found.offsetMm !== null && found.tiltDeg !== null">, </template
        ><template v-if="found.tiltDeg !== null"
          >tilted <b>{{ angleText(Math.abs(found.tiltDeg)) }}</b> towards {{ towards(found.tiltDeg) }}</template
        >.
      </p>
      <UButton class="mt-2" size="lg" label="Use it in this job" @click="use" />
      <p v-if="failure" role="alert" class="mt-1 text-error">{{ failure }}</p>
    </div>
  </SheetPane>
</template>
