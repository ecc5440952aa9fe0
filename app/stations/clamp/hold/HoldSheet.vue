<script setup lang="ts">
import { STROKE_LOAD_N } from '#core/geometry/hold/bending'
import { AT_NO_ANGLE_DEG } from '#core/geometry/hold/jawClearance'
import { useJob } from '~/job/useJob'
import { useHoldChecks } from './useHoldChecks'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { lengthText } from '~/words/lengthText'
import { GRIP_TEXT, NO_HOLD_TEXT } from '~/words/placementText'
import { problemText } from '~/words/problemText'
import { capital } from '~/words/sentence'

/** Will it hold, will it reach, will it clear: before the first stroke. */
const job = useJob()
const { actions } = job
const preferences = usePreferences()
const { checks } = useHoldChecks()
const text = (mm: number) => lengthText(mm, preferences.unit)
/** Where the stone reaches; of a position of a long blade, at the ends of its own stretch. */
const reaches = computed(() => {
  if (!checks.value) return []
  const { heel, between, tip } = checks.value.reaches
  const { worked } = job.setup.value
  const at = (title: string, mm: number) => (worked ? `At ${text(mm)} from the heel` : title)
  return [
    { ...heel, title: at('At the heel', heel.fromHeelMm) },
    ...(between ? [{ ...between, title: `Farthest, at ${text(between.fromHeelMm)} from the heel` }] : []),
    { ...tip, title: at('At the tip', tip.fromHeelMm) },
  ]
})
const BENDS_WHERE = { dial: 'where the dial is for', heel: 'at the heel', tip: 'at the tip' }
const fitted = computed(() => job.content.value.jawsName ?? job.rig.value.jaws?.name)
</script>

<template>
  <div v-if="checks" class="panes lg:grid-cols-2 xl:grid-cols-3">
    <SheetPane labelledby="holds">
      <h2 id="holds" class="text-lg font-semibold">Will it hold?</h2>
      <ul>
        <HoldCheck v-if="checks.fit" :verdict="job.gripTrouble.value ? 'bad' : 'good'" title="Jaws on the steel">
          <template v-if="!job.gripTrouble.value">All of their front lies on the flat of the blade.</template>
          <template v-else
            >{{ capital(GRIP_TEXT[job.gripTrouble.value]) }}. {{ NO_HOLD_TEXT[job.gripTrouble.value] }}</template
          >
        </HoldCheck>
        <HoldCheck v-if="checks.fit" :verdict="checks.fit.verdict" title="Spine in these jaws">
          <template v-if="checks.fit.falseEdge"
            >A false edge on the spine slips out of ordinary jaws: hold this blade on a table, or below the false
            edge.</template
          >
          <template v-else
            >{{ text(checks.fit.spineMm) }} thick where it is held,
            {{ checks.fit.flats ? 'on parallel flats' : 'ground flat to the spine' }}; these jaws hold to
            {{ text(checks.fit.mostMm) }}{{ checks.fit.tried ? '' : ' as a rule: not tried yet' }}.<template
              v-if="checks.fit.verdict === 'bad'"
            >
              It would slip out: take other jaws, or a table.</template
            ></template
          >
        </HoldCheck>
        <HoldCheck v-else verdict="good" title="On the table"
          >It lies on its flat and is held by its weight, the magnet or the fence.</HoldCheck
        >
        <HoldCheck v-if="checks.taper" verdict="watch" title="It tapers"
          >{{ text(checks.taper.mm) }} thinner at the {{ checks.taper.towards }} end of the jaws: press them together at
          that corner while you tighten.</HoldCheck
        >
        <HoldCheck v-if="checks.bends.length > 0" verdict="watch" title="It gives way"
          >Thin and far out: under a stone and a light hand ({{ STROKE_LOAD_N }} N) it bends away by about
          {{ checks.bends.map(({ where, deg }) => `${angleText(deg)} ${BENDS_WHERE[where]}`).join(', ') }}, and the edge
          comes out so much flatter there. Light strokes, or hold it closer.</HoldCheck
        >
        <HoldCheck v-if="checks.coating" verdict="watch" title="Coated flats"
          >{{ checks.coating }}: tape both flats, or lay thin leather in the jaws.</HoldCheck
        >
        <HoldCheck v-if="checks.support" verdict="watch" title="Long handle"
          >It pulls on the jaws: rest it on a block of the right height while you work.</HoldCheck
        >
        <HoldCheck verdict="good" title="Before you tighten"
          >Press the jaws at their very front while closing, so that they take the blade’s shape; snug, then tighten.
          Gloves on.</HoldCheck
        >
      </ul>
    </SheetPane>
    <SheetPane labelledby="reaches">
      <div class="flex flex-wrap items-center justify-between gap-3">
        <h2 id="reaches" class="text-lg font-semibold">Will it reach?</h2>
        <SideSwitch />
      </div>
      <ul>
        <HoldCheck v-for="one in reaches" :key="one.title" :verdict="one.verdict" :title="one.title">
          <template v-if="one.strokeMm !== null"
            >{{ text(one.reachMm) }} from the pivot, of {{ text(checks.limitMm) }} there are: strokes of
            {{ text(one.strokeMm) }}.</template
          >
          <template v-else>{{ problemText(one.refusal, preferences.unit) }}</template>
        </HoldCheck>
        <HoldCheck v-if="checks.noChoil" verdict="watch" title="No choil at the heel"
          >The stone cannot run out past the heel: begin each stroke with its edge just clear of the handle, and give
          the heel strokes of its own, three full ones to each.</HoldCheck
        >
        <HoldCheck verdict="watch" title="Where to stop at the tip"
          >No stroke past the tip: stop with the stone’s middle over it, {{ text(Math.abs(checks.stop.alongMm)) }}
          {{ checks.stop.alongMm >= 0 ? 'towards the tip' : 'towards the heel' }} from the jaws’ middle. The stone’s
          free edge then stands at {{ text(checks.stop.freeEdgeMm) }}: set a stop there.</HoldCheck
        >
      </ul>
    </SheetPane>
    <SheetPane labelledby="clears">
      <h2 id="clears" class="text-lg font-semibold">Will it clear the jaws?</h2>
      <ul v-if="checks.clear.length > 0">
        <HoldCheck
          v-for="one in checks.clear"
          :key="one.jaws.name"
          :verdict="one.verdict"
          :title="`${one.jaws.name}, ${text(one.jaws.widthMm)} wide${one.jaws.name === fitted ? ' (fitted)' : ''}`"
        >
          <template v-if="one.nearest === null">Never in the stone’s way.</template>
          <template v-else-if="one.nearest.lowestDeg >= AT_NO_ANGLE_DEG">In the stone’s way at any angle.</template>
          <template v-else
            >{{
              one.byKnob ? 'At the bottom of its stroke the stone meets the knob behind them' : 'The stone meets them'
            }}
            below {{ angleText(one.nearest.lowestDeg) }}; where it comes nearest, {{ angleText(one.nearest.setDeg) }} is
            set.</template
          >
          <button
            v-if="one.jaws.name !== fitted"
            type="button"
            class="text-link ml-1"
            @click="actions.fitJaws(one.jaws.name)"
          >
            Fit these
          </button>
        </HoldCheck>
      </ul>
      <p v-else class="mt-2">
        A table has no jaws: only the table’s own edge can be in the way of a stone at a very low angle.
      </p>
    </SheetPane>
  </div>
  <p v-else class="pane">{{ job.trouble.value }}</p>
</template>
