import { computed } from 'vue'
import { SHAPES, type ShapeId, type ShapeMeasure } from '#core/blade/shapes'
import { zonesOf } from '#core/blade/zones'
import { primaryHalfAngleDeg } from '#core/blade/primaryHalfAngle'
import { evenStations } from '#core/curve/stations'
import type { KeptBlade } from '#core/kept/kept'
import { parseLengthMm } from '#core/units/length'
import { usePreferences } from '~/stores/preferences'
import { bladeDraftOf, completed, emptyBladeDraft, readBlade, type BladeDraft } from './bladeDraft'
import { exactFigure, toDraft, type Draft } from './draft'
import { useKeptDraft } from './useKeptDraft'

/**
 * A blade being described: what is typed, what it comes to, and what is wrong with it. `from`: measured anew or copied.
 */
export function useBladeDescription(from: KeptBlade | null, copy: boolean) {
  const preferences = usePreferences()
  function begun(): BladeDraft {
    if (!from) return emptyBladeDraft(preferences.unit)
    const draft = bladeDraftOf(from, preferences.unit)
    return copy ? { ...draft, facts: { ...draft.facts, name: `${from.name}, copy` } } : draft
  }
  const { draft, takenUp, forget, beginAnew } = useKeptDraft<BladeDraft>(
    `blade:${from?.id ?? 'new'}${copy ? ':copy' : ''}`,
    preferences.unit,
    begun,
  )
  draft.value = completed(draft.value)

  const read = computed(() => readBlade(draft.value, preferences.unit, from))
  const stations = computed(() => (read.value.outline ? evenStations(read.value.outline.edge, 300) : []))
  const found = computed(() => (read.value.outline ? zonesOf(read.value.outline.edge, stations.value) : []))
  const zones = computed(() => read.value.blade?.zones ?? found.value)
  const halfAngleDeg = computed(() => (read.value.blade ? primaryHalfAngleDeg(read.value.blade) : null))

  function chooseShape(id: ShapeId) {
    draft.value.shapeId = id
    draft.value.measures = toDraft(SHAPES[id].usual, preferences.unit) as Draft
  }
  const uses = computed(() => SHAPES[draft.value.shapeId].uses)
  const measureMm = (key: ShapeMeasure): number | null => {
    const parsed = parseLengthMm(String(draft.value.measures[key] ?? ''), preferences.unit)
    return parsed.ok ? parsed.value : null
  }
  /** A tenth of a millimetre is what a handle can be dragged to. */
  const setMeasure = (key: ShapeMeasure, mm: number) =>
    (draft.value.measures[key] = exactFigure(Math.round(mm * 10) / 10, preferences.unit))
  return {
    draft,
    takenUp,
    beginAnew,
    forget,
    read,
    stations,
    zones,
    found,
    halfAngleDeg,
    chooseShape,
    uses,
    measureMm,
    setMeasure,
  }
}
