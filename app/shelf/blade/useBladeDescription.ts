import { computed } from 'vue'
import { primaryHalfAngleDeg } from '#core/records/blade/primaryHalfAngle'
import { SHAPES } from '#core/records/blade/shapes'
import { shapeMeasures, type ShapeId, type ShapeMeasure } from '#core/records/blade/shapeMeasures'
import { zonesOf, type Zone } from '#core/records/blade/zones'
import { evenEdgePoints } from '#core/math/curve/edgePoints'
import type { BladeRecord } from '#core/records/storage/kinds'
import { bladeDrafts, bladeFacts, readBlade } from './bladeDraft'
import { exactFigure, parseFigure, usualDraft } from '~/forms/draft'
import { useDescription } from '~/forms/useDescription'

const EDGE_POINTS = 300

/** The steps in which a blade is described. */
export const BLADE_STEPS: readonly string[] = ['The edge', 'Thickness', 'What it is for']
function stepOf(path: string): number {
  if (/^(measures|points|file|zones|edge)/.test(path)) return 0
  return /^(spine|thickness|primary|bevel|grind|handle|width)/.test(path) ? 1 : 2
}

/**
 * A blade being described: what is typed, what it comes to, and what is wrong with it. `from`: measured anew or copied.
 */
export function useBladeDescription(from: BladeRecord | null, copy: boolean) {
  const description = useDescription({
    kind: 'blades',
    from,
    copy,
    changed: 'is measured again',
    drafts: bladeDrafts(from, copy),
    read: (draft, now) => readBlade(draft, now, from),
    content: ({ blade }) => blade,
    steps: () => ({ ids: BLADE_STEPS, of: stepOf }),
  })
  const { draft, unit, read } = description
  const facts = description.fieldsOf((typed) => typed.facts, bladeFacts)
  const measures = description.fieldsOf((typed) => typed.measures, shapeMeasures)
  const edgePoints = computed(() => (read.value.outline ? evenEdgePoints(read.value.outline.edge, EDGE_POINTS) : []))
  const found = computed(() => (read.value.outline ? zonesOf(read.value.outline.edge, edgePoints.value) : []))
  /** Set by hand as far as they can be read, else as found. */
  const zones = computed((): readonly Zone[] => {
    const set = (draft.value.facts.zones ?? []).flatMap(({ kind, fromMm, toMm }) => {
      const [from, to] = [parseFigure(fromMm, 'mm', unit.value), parseFigure(toMm, 'mm', unit.value)]
      return from.ok && to.ok ? { kind, fromMm: from.value, toMm: to.value } : []
    })
    return set.length > 0 && set.length === draft.value.facts.zones?.length ? set : found.value
  })
  const halfAngleDeg = computed(() => (read.value.blade ? primaryHalfAngleDeg(read.value.blade) : null))

  function chooseShape(id: ShapeId) {
    draft.value.shapeId = id
    draft.value.measures = usualDraft(SHAPES[id].usual, shapeMeasures, unit.value)
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
    ...description,
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
