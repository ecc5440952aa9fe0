import { z } from 'zod'
import { lastOf, nth } from '#core/math/list'
import { blade as bladeSchema, type Blade } from '#core/records/blade/blade'
import type { EdgeUncertainty } from '#core/records/blade/edgeUncertainty'
import { rawOf } from '#core/schema/versioned'
import { possibleBlade } from '#core/records/blade/impossible'
import { fromHeel } from '#core/records/blade/heel'
import { SHAPES } from '#core/records/blade/shapes'
import { SHAPE_IDS, shapeMeasures, type ShapeId, type ShapeMeasures } from '#core/records/blade/shapeMeasures'
import { crossesItself } from '#core/math/curve/crossesItself'
import { evenEdgePoints } from '#core/math/curve/edgePoints'
import { throughPoints } from '#core/math/curve/throughPoints'
import { readPoints } from '#core/exchange/edges/points'
import type { ProblemCode } from '#core/schema/codes'
import { checked, type FieldProblem } from '#core/schema/problem'
import type { Figures } from '#core/schema/result'
import { toMm, type LengthUnit } from '#core/math/units/length'
import { completed, emptyDraft, exactFigure, inUnit, readDraft, toDraft, usualDraft, type DraftOf } from '~/forms/draft'
import { firstAtEach } from '~/shelf/rig/rigDraft'
import type { DraftKind } from '~/forms/useKeptDraft'

/** How the edge's shape is given. */
const EDGE_SOURCES = ['shape', 'photo', 'file', 'points'] as const
export type EdgeSource = (typeof EDGE_SOURCES)[number]

const drawnEdge = z.object({
  edge: bladeSchema.shape.edge,
  spine: bladeSchema.shape.spine,
  /** Whether one was drawn; null where that is not known. */
  choil: z.boolean().nullable().default(null),
  /** How well a trace follows the edge; null where it is no trace. */
  uncertainty: bladeSchema.shape.edgeUncertainty,
})
/** An edge as it was drawn. */
export type Drawn = z.output<typeof drawnEdge>

/** What is said of the drawing an edge is taken from is kept beside the draft, under this. */
export const edgeFileKey = (draftKey: string): string => `edge-file:${draftKey}`

/** The facts of a blade that are typed. */
export const bladeFacts = bladeSchema.omit({
  edge: true,
  edgeUncertainty: true,
  spine: true,
  widthMm: true,
  shape: true,
})

/** The draft of a blade: its facts as they are typed, and its shape in each of the ways it can be given. */
export interface BladeDraft {
  facts: DraftOf<z.output<typeof bladeFacts>>
  source: EdgeSource
  shapeId: ShapeId
  measures: DraftOf<ShapeMeasures>
  /** Two figures a line: along the blade, and how wide it is there. */
  points: string
  /** As read from a file, or as it was before. */
  drawn: Drawn | null
}

export const emptyBladeDraft = (unit: LengthUnit): BladeDraft => ({
  facts: emptyDraft(bladeFacts, unit),
  source: 'shape',
  shapeId: 'drop-point',
  measures: usualDraft(SHAPES['drop-point'].usual, shapeMeasures, unit),
  points: '',
  drawn: null,
})

export function bladeDraftOf(of: Blade, unit: LengthUnit): BladeDraft {
  const { edge, spine, shape, edgeUncertainty: uncertainty } = of
  return {
    facts: toDraft(bladeFacts.parse(of), bladeFacts, unit),
    source: shape ? 'shape' : 'file',
    shapeId: shape?.id ?? 'drop-point',
    measures: shape
      ? toDraft(shape.measures, shapeMeasures, unit)
      : usualDraft(SHAPES['drop-point'].usual, shapeMeasures, unit),
    points: '',
    drawn: { edge: [...edge], spine: spine ? [...spine] : null, choil: null, uncertainty },
  }
}

/** Typed points for another unit; a line that is no pair of figures stays as it was typed. */
const pointsInUnit = (points: string, from: LengthUnit, to: LengthUnit): string =>
  points
    .split('\n')
    .map((line) => {
      const read = readPoints(`${line}\n${line}`)
      if (!read.ok) return line
      return nth(read.points, 0)
        .map((value) => exactFigure(toMm(value, from), to))
        .join('  ')
    })
    .join('\n')

/** How drafts of blades are begun and taken up. `from`: the blade to measure anew or to copy. */
export const bladeDrafts = (from: Blade | null, copy: boolean): DraftKind<BladeDraft> => ({
  version: 4,
  begun(unit) {
    if (!from) return emptyBladeDraft(unit)
    const draft = bladeDraftOf(from, unit)
    return copy ? { ...draft, facts: { ...draft.facts, name: `${from.name}, copy` } } : draft
  },
  takenUp(kept, unit, version) {
    const before = rawOf(kept)
    const empty = emptyBladeDraft(unit)
    const shapeId = SHAPE_IDS.find((one) => one === before.shapeId) ?? empty.shapeId
    // The first version called the source the way.
    const source = EDGE_SOURCES.find((one) => one === (before.source ?? before.way)) ?? empty.source
    const measures = completed(before.measures, shapeMeasures, empty.measures)
    // The second version fitted the long kitchen shape by its heel alone.
    const asWide = version < 3 && shapeId === 'long-kitchen'
    // The third version called the uncertainty of a traced edge a doubt.
    const { doubt = null, ...traced } = rawOf(before.drawn)
    const drawn = drawnEdge.safeParse({ uncertainty: doubt, ...traced }).data ?? null
    return {
      facts: completed(before.facts, bladeFacts, empty.facts),
      source,
      shapeId,
      measures: asWide ? { ...measures, widthMm: measures.heelWidthMm } : measures,
      points: typeof before.points === 'string' ? before.points : '',
      drawn,
    }
  },
  inUnit: (draft, before, now) =>
    before === now
      ? draft
      : {
          ...draft,
          facts: inUnit(draft.facts, bladeFacts, before, now),
          measures: inUnit(draft.measures, shapeMeasures, before, now),
          points: pointsInUnit(draft.points, before, now),
        },
})

export interface ReadBlade {
  readonly blade: Blade | null
  readonly problems: readonly FieldProblem[]
  /** The shape so far, when there is one, even while the facts are not complete. */
  readonly outline: (Readonly<Drawn> & { readonly widthMm: number }) | null
}

/** Reads the draft of a blade. `base`: the blade that it began as. */
export function readBlade(draft: BladeDraft, unit: LengthUnit, base: Blade | null): ReadBlade {
  const shaped = readShape(draft, unit, base)
  const { content, problems: unread } = readDraft(draft.facts, bladeFacts, unit, { base: base ?? undefined })
  const { outline, shape } = shaped
  if (!outline) {
    const facts = checked(bladeFacts, content)
    const found = facts.ok ? [] : facts.problems
    return { blade: null, problems: firstAtEach([...shaped.problems, ...unread, ...found]), outline: null }
  }
  const { edge, spine, widthMm, uncertainty } = outline
  const { edgeHeadingToleranceDeg: said } = content
  const edgeUncertainty = uncertainty && typeof said === 'number' ? asSaid(uncertainty, said) : uncertainty
  const read = checked(possibleBlade, { ...content, edge, edgeUncertainty, spine, widthMm, shape })
  const problems = firstAtEach([...shaped.problems, ...unread, ...(read.ok ? [] : read.problems)])
  return { blade: read.ok && problems.length === 0 ? read.value : null, problems, outline }
}

/** What a trace says of its direction in one figure, as it is shown and typed: away from its ends, degrees. */
export const tracedHeadingDeg = ({ headingDeg }: EdgeUncertainty): number =>
  Math.min(MOST_HEADING_DEG, Math.ceil(Math.min(...headingDeg) * 10 - 1e-6) / 10)
/** No more than this can be said of an edge's direction, degrees. */
const MOST_HEADING_DEG = 10

/** A trace's uncertainty, with the direction as a hand has said it where it has. */
const asSaid = (uncertainty: EdgeUncertainty, saidDeg: number): EdgeUncertainty =>
  saidDeg === tracedHeadingDeg(uncertainty) ? uncertainty : { ...uncertainty, headingDeg: [saidDeg, saidDeg] }

interface Shaped {
  outline: ReadBlade['outline']
  shape: Blade['shape']
  problems: readonly FieldProblem[]
}

const CHECKED = 240
const none = (problems: readonly FieldProblem[]): Shaped => ({ outline: null, shape: null, problems })
const noneFor = (field: string, code: ProblemCode, figures: Figures = {}): Shaped => none([{ field, code, figures }])

function outlined({ edge, spine, choil, uncertainty }: Drawn, shape: Blade['shape'], field: string): Shaped {
  const points = evenEdgePoints(edge, CHECKED).map((edgePoint) => edgePoint.point)
  if (crossesItself(points) !== null) return noneFor(field, 'crosses-itself')
  const widthMm = Math.max(...points.map((point) => point[1]))
  return { outline: { edge, spine, choil, uncertainty, widthMm }, shape, problems: [] }
}

function readShape(draft: BladeDraft, unit: LengthUnit, base: Blade | null): Shaped {
  if (draft.source === 'points') {
    const read = readPoints(draft.points)
    if (!read.ok) return noneFor('points', read.code, { ...read.figures, line: read.line })
    const typed = read.points.map(([x, y]) => [toMm(x, unit), toMm(y, unit)] as const)
    // From tip to heel is as good.
    const points = nth(typed, 0)[0] > lastOf(typed)[0] ? typed.reverse() : typed
    const back = points.findIndex(
      (point, i) => i > 0 && Math.hypot(point[0] - nth(points, i - 1)[0], point[1] - nth(points, i - 1)[1]) < 1e-6,
    )
    if (back > 0) return noneFor('points', 'same-point-twice', { line: back + 1 })
    return outlined({ ...fromHeel(throughPoints(points)), spine: null, uncertainty: null }, null, 'points')
  }
  if (draft.source !== 'shape') {
    if (draft.drawn) return outlined(draft.drawn, null, 'file')
    return noneFor('file', draft.source === 'file' ? 'choose-drawing' : 'trace-first')
  }
  const { uses, build, usual } = SHAPES[draft.shapeId]
  const typed = Object.fromEntries(uses.map((key) => [key, draft.measures[key]]))
  const { content, problems } = readDraft(typed, shapeMeasures, unit, { base: base?.shape?.measures })
  const below = (all: readonly FieldProblem[]) => all.map((one) => ({ ...one, field: `measures.${one.field}` }))
  if (problems.length > 0) return none(below(problems))
  const read = checked(shapeMeasures, { ...usual, ...content })
  if (!read.ok) return none(below(read.problems))
  const wrong = impossibleShape(read.value, uses)
  if (wrong) return none(below([wrong]))
  const { edge, spine } = build(read.value)
  const shape = { id: draft.shapeId, measures: read.value }
  return outlined({ edge: [...edge], spine: [...spine], choil: null, uncertainty: null }, shape, 'measures.lengthMm')
}

const LEAST = { lengthMm: 10, widthMm: 3 } as const
/** A hollow leaves so much of the width standing. */
const MOST_HOLLOW = 0.9

function impossibleShape(m: ShapeMeasures, uses: readonly (keyof ShapeMeasures)[]): FieldProblem | null {
  const tooSmall = (field: keyof ShapeMeasures, least: number): FieldProblem => ({
    field,
    code: 'too-small',
    figures: { least, unit: 'mm' },
  })
  if (m.lengthMm < LEAST.lengthMm) return tooSmall('lengthMm', LEAST.lengthMm)
  if (m.heelWidthMm < LEAST.widthMm) return tooSmall('heelWidthMm', LEAST.widthMm)
  if (uses.includes('widthMm') && m.widthMm < LEAST.widthMm) return tooSmall('widthMm', LEAST.widthMm)
  if (uses.includes('bellyFromMm') && (m.bellyFromMm < 1 || m.bellyFromMm > m.lengthMm - 1))
    return { field: 'bellyFromMm', code: 'between-heel-and-tip' }
  if (uses.includes('depthMm') && m.depthMm > m.heelWidthMm * MOST_HOLLOW)
    return { field: 'depthMm', code: 'hollow-through-spine' }
  return null
}
