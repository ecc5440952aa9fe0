import { computed } from 'vue'
import { storeToRefs } from 'pinia'
import { primaryHalfAngleDeg } from '#core/records/blade/primaryHalfAngle'
import { SHAPES } from '#core/records/blade/shapes'
import { shapeMeasures, type ShapeId, type ShapeMeasure } from '#core/records/blade/shapeMeasures'
import { zonesOf, type Zone, type ZoneKind } from '#core/records/blade/zones'
import { evenEdgePoints } from '#core/math/curve/edgePoints'
import type { BladeRecord } from '#core/records/kept/things'
import { usePreferences } from '~/stores/preferences'
import { bladeDrafts, bladeFacts, readBlade } from './bladeDraft'
import { exactFigure, parseFigure, toDraft, type Draft } from '~/forms/draft'
import { useFields } from '~/forms/useFields'
import { useKeptDraft } from '~/forms/useKeptDraft'

const EDGE_POINTS = 300

/**
 * A blade being described: what is typed, what it comes to, and what is wrong with it. `from`: measured anew or copied.
 */
export function useBladeDescription(from: BladeRecord | null, copy: boolean) {
  const { unit } = storeToRefs(usePreferences())
  const key = `blade:${from?.id ?? 'new'}${copy ? ':copy' : ''}`
  const { draft, takenUp, step, forget, beginAnew } = useKeptDraft(key, unit, bladeDrafts(from, copy))

  const read = computed(() => readBlade(draft.value, unit.value, from))
  const problems = () => read.value.problems
  const facts = useFields(() => draft.value.facts, bladeFacts, problems)
  const measures = useFields(() => draft.value.measures, shapeMeasures, problems)
  const edgePoints = computed(() => (read.value.outline ? evenEdgePoints(read.value.outline.edge, EDGE_POINTS) : []))
  const found = computed(() => (read.value.outline ? zonesOf(read.value.outline.edge, edgePoints.value) : []))
  /** Set by hand as far as they can be read, else as found. */
  const zones = computed((): readonly Zone[] => {
    const rows = draft.value.facts.zones as { kind: ZoneKind; fromMm: string; toMm: string }[] | null
    const set = (rows ?? []).flatMap(({ kind, fromMm, toMm }) => {
      const [from, to] = [parseFigure(fromMm, 'mm', unit.value), parseFigure(toMm, 'mm', unit.value)]
      return from.ok && to.ok ? { kind, fromMm: from.value, toMm: to.value } : []
    })
    return set.length > 0 && set.length === rows?.length ? set : found.value
  })
  const halfAngleDeg = computed(() => (read.value.blade ? primaryHalfAngleDeg(read.value.blade) : null))

  function chooseShape(id: ShapeId) {
    draft.value.shapeId = id
    draft.value.measures = toDraft(SHAPES[id].usual, shapeMeasures, unit.value) as Draft
  }
  const uses = computed(() => SHAPES[draft.value.shapeId].uses)
  const measureMm = (key: ShapeMeasure): number | null => {
    const parsed = parseFigure(measures.textAt(key), 'mm', unit.value)
    return parsed.ok ? parsed.value : null
  }
  /** A tenth of a millimetre is what a handle can be dragged to. */
  const setMeasure = (key: ShapeMeasure, mm: number) =>
    measures.put(key, exactFigure(Math.round(mm * 10) / 10, unit.value))
  return {
    key,
    step,
    draft,
    takenUp,
    beginAnew,
    forget,
    read,
    facts,
    measures,
    edgePoints,
    zones,
    found,
    halfAngleDeg,
    chooseShape,
    uses,
    measureMm,
    setMeasure,
  }
}
