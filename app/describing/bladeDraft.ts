import { blade as bladeSchema, type Blade } from '#core/blade/blade'
import { fromHeel } from '#core/blade/heel'
import { SHAPES, shapeMeasures, type ShapeId, type ShapeMeasures } from '#core/blade/shapes'
import { crossesItself } from '#core/curve/crossesItself'
import type { Segment } from '#core/curve/segment'
import { evenStations } from '#core/curve/stations'
import { throughPoints } from '#core/curve/throughPoints'
import { readPoints } from '#core/exchange/edges/points'
import { problemFields } from '#core/kept/problem'
import { toMm, type LengthUnit } from '#core/units/length'
import { readDraft, toDraft, type Draft } from './draft'

/** How the edge's shape is given. */
export const EDGE_WAYS = ['shape', 'photo', 'file', 'points'] as const
export type EdgeWay = (typeof EDGE_WAYS)[number]

/** An edge as it was drawn, and whether a choil was drawn with it; null where that is not known. */
export interface Drawn {
  edge: Segment[]
  spine: Segment[] | null
  choil: boolean | null
}

/** The draft of a blade: its facts as they are typed, and its shape in each of the ways it can be given. */
export interface BladeDraft {
  facts: Draft
  way: EdgeWay
  shapeId: ShapeId
  measures: Draft
  /** Two figures a line: along the blade, and how wide it is there. */
  points: string
  /** As read from a file, or as it was before. */
  drawn: Drawn | null
}

/** The facts of a blade that are typed, empty. */
const emptyFacts = (): Draft => ({
  name: '',
  owner: '',
  use: '',
  complaint: '',
  steel: '',
  coating: '',
  hardnessHrc: '',
  notes: '',
  grind: 'flat',
  bevels: 'both',
  falseEdge: false,
  choil: true,
  spineThicknessMm: '',
  spineThicknessTipMm: '',
  thicknessBehindEdgeMm: '',
  thicknessBehindEdgeTipMm: '',
  primaryGrindHeightMm: '',
  handleLengthMm: '0',
  bevelDeg: { aDeg: '', bDeg: '' },
  landmark: { what: '', alongMm: '' },
  zones: null,
})
/** Facts of several figures that are there as a whole or not at all. */
const WHOLES = ['bevelDeg', 'landmark'] as const

const measuresDraft = (of: ShapeMeasures, unit: LengthUnit): Draft => toDraft(of, unit) as Draft

export function emptyBladeDraft(unit: LengthUnit): BladeDraft {
  return {
    facts: emptyFacts(),
    way: 'shape',
    shapeId: 'drop-point',
    measures: measuresDraft(SHAPES['drop-point'].usual, unit),
    points: '',
    drawn: null,
  }
}

export function bladeDraftOf(of: Blade, unit: LengthUnit): BladeDraft {
  const { edge, spine, shape, ...rest } = bladeSchema.parse(of)
  const all = toDraft(rest, unit) as Draft
  const facts = Object.fromEntries(Object.entries(emptyFacts()).map(([key, empty]) => [key, all[key] ?? empty]))
  return {
    facts,
    way: shape ? 'shape' : 'file',
    shapeId: shape?.id ?? 'drop-point',
    measures: measuresDraft(shape?.measures ?? SHAPES['drop-point'].usual, unit),
    points: '',
    drawn: { edge: [...edge], spine: spine ? [...spine] : null, choil: null },
  }
}

/** A draft that was kept by an earlier version, with the facts that have come since. */
export const completed = (draft: BladeDraft): BladeDraft => ({ ...draft, facts: { ...emptyFacts(), ...draft.facts } })

export interface ReadBlade {
  readonly blade: Blade | null
  readonly problems: Readonly<Record<string, string>>
  /** The shape so far, when there is one, even while the facts are not complete. */
  readonly outline: (Readonly<Drawn> & { readonly widthMm: number }) | null
}

/** Reads the draft of a blade. `base`: the blade that it began as. */
export function readBlade(draft: BladeDraft, unit: LengthUnit, base: Blade | null): ReadBlade {
  const shaped = readShape(draft, unit, base)
  const isEmpty = (whole: unknown) =>
    Object.values((whole as object | undefined) ?? {}).every((text) => String(text).trim() === '')
  const facts = {
    ...draft.facts,
    ...Object.fromEntries(WHOLES.filter((key) => isEmpty(draft.facts[key])).map((key) => [key, null])),
  }
  const { content, problems: unread } = readDraft(facts, unit, base ?? undefined)
  const problems: Record<string, string> = { ...unread, ...shaped.problems }
  if (!shaped.outline) return { blade: null, problems, outline: null }
  const { edge, spine, widthMm } = shaped.outline
  const parsed = bladeSchema.safeParse({ ...(content as object), edge, spine, widthMm, shape: shaped.shape })
  if (!parsed.success) for (const { field, message } of problemFields(parsed.error)) problems[field] ??= message
  const ok = parsed.success && Object.keys(problems).length === 0
  return { blade: ok ? parsed.data : null, problems, outline: shaped.outline }
}

interface Shaped {
  outline: ReadBlade['outline']
  shape: Blade['shape']
  problems: Record<string, string>
}

const CHECKED = 240

function readShape(draft: BladeDraft, unit: LengthUnit, base: Blade | null): Shaped {
  const none = (field: string, message: string): Shaped => ({
    outline: null,
    shape: null,
    problems: { [field]: message },
  })
  const outlined = ({ edge, spine, choil }: Drawn, shape: Blade['shape'], field: string): Shaped => {
    const points = evenStations(edge, CHECKED).map((station) => station.point)
    if (crossesItself(points) !== null) return none(field, 'With these measures the edge crosses itself.')
    return {
      outline: { edge, spine, choil, widthMm: Math.max(...points.map((point) => point[1])) },
      shape,
      problems: {},
    }
  }
  if (draft.way === 'points') {
    const read = readPoints(draft.points)
    if (!read.ok)
      return none(
        'points',
        draft.points.trim() === ''
          ? 'Measure along the blade from the heel, and how wide it is there; one pair a line.'
          : `Line ${read.line}: ${read.message}`,
      )
    const points = read.points.map(([x, y]) => [toMm(x, unit), toMm(y, unit)] as const)
    const back = points.findIndex(
      (point, i) => i > 0 && Math.hypot(point[0] - points[i - 1]![0], point[1] - points[i - 1]![1]) < 1e-6,
    )
    if (back > 0) return none('points', `Line ${back + 1} is the same point as the one before.`)
    return outlined({ ...fromHeel(throughPoints(points)), spine: null }, null, 'points')
  }
  if (draft.way === 'file' || draft.way === 'photo')
    return draft.drawn
      ? outlined(draft.drawn, null, 'file')
      : none(
          'file',
          draft.way === 'file' ? 'Choose a drawing of the edge first.' : 'Trace the edge in a photograph first.',
        )
  const { uses } = SHAPES[draft.shapeId]
  const { content, problems } = readDraft(
    { measures: Object.fromEntries(uses.map((key) => [key, draft.measures[key]])) },
    unit,
    { measures: base?.shape?.measures },
  )
  if (Object.keys(problems).length > 0) return { outline: null, shape: null, problems: { ...problems } }
  const parsed = shapeMeasures.safeParse({
    ...SHAPES[draft.shapeId].usual,
    ...(content as { measures: object }).measures,
  })
  if (!parsed.success)
    return {
      outline: null,
      shape: null,
      problems: Object.fromEntries(
        problemFields(parsed.error).map(({ field, message }) => [`measures.${field}`, message]),
      ),
    }
  const wrong = impossibleShape(parsed.data, uses)
  if (wrong) return none(`measures.${wrong.field}`, wrong.message)
  const { edge, spine } = SHAPES[draft.shapeId].build(parsed.data)
  return outlined(
    { edge: [...edge], spine: [...spine], choil: null },
    { id: draft.shapeId, measures: parsed.data },
    'measures.lengthMm',
  )
}

function impossibleShape(
  m: ShapeMeasures,
  uses: readonly (keyof ShapeMeasures)[],
): { field: keyof ShapeMeasures; message: string } | null {
  if (m.lengthMm < 10) return { field: 'lengthMm', message: 'A blade is 10 mm long at least.' }
  if (m.heelWidthMm < 3) return { field: 'heelWidthMm', message: 'A blade is 3 mm wide at least.' }
  if (uses.includes('widthMm') && m.widthMm < 3) return { field: 'widthMm', message: 'A blade is 3 mm wide at least.' }
  if (uses.includes('bellyFromMm') && (m.bellyFromMm < 1 || m.bellyFromMm > m.lengthMm - 1))
    return { field: 'bellyFromMm', message: 'This lies between the heel and the tip.' }
  if (uses.includes('depthMm') && m.depthMm > m.heelWidthMm * 0.9)
    return { field: 'depthMm', message: 'The hollow would come through the spine.' }
  return null
}
