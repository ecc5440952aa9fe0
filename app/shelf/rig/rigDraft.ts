import { checked, type FieldProblem } from '#core/schema/problem'
import { impossibilities } from '#core/records/rig/impossible'
import { possibleRig } from '#core/records/rig/possibleRig'
import { RIGS, type RigKind } from '#core/records/rig/kinds'
import { rigMeasures, type Rig } from '#core/records/rig/rig'
import { rawOf } from '#core/schema/versioned'
import type { LengthUnit } from '#core/math/units/length'
import { DIALS, dialsOf } from '~/forms/rigDials'
import { completed, emptyDraft, inUnit, readDraft, toDraft, usualDraft, type DraftOf } from '~/forms/draft'
import type { DraftKind } from '~/forms/useKeptDraft'

/**
 * The draft of a rig, as its schema has it. All that any kind or language has is there, so that changing one's mind
 * loses nothing; `height.by` says which language counts.
 */
export type RigDraft = Omit<DraftOf<Rig>, 'fitted'> & {
  /** Nothing of it is typed. */
  fitted: null
}

/** What usual rigs have: their pivot behind the middle of the jaws, without play, and measured with a rule. */
const BEGUN_WITH = { heightMm: 0.5, setbackMm: 0.5, alongMm: 0.5, againOffsetMm: 0.05, againTiltDeg: 0.1 }
const NOT_OFF = { offsetMm: 0, tiltDeg: 0 }

const { centring, tolerance } = rigMeasures.shape

export function emptyRigDraft(kind: RigKind, unit: LengthUnit): RigDraft {
  const empty = { ...emptyDraft(rigMeasures, unit), fitted: null }
  const dials = Object.values(DIALS).map((dial) => dial.begunWith(unit))
  return {
    ...empty,
    kind,
    pivot: { ...empty.pivot, alongMm: '0' },
    pivotB: { ...empty.pivotB, alongMm: '0' },
    centring: toDraft(NOT_OFF, centring, unit),
    height: dials.reduce<RigDraft['height']>((height, dial) => Object.assign(height, dial), {
      ...empty.height,
      by: dialsOf(kind)[0],
    }),
    tolerance: usualDraft(BEGUN_WITH, tolerance, unit),
  }
}

/** An existing rig as a draft. */
export function rigDraftOf(rig: Rig, unit: LengthUnit): RigDraft {
  const draft = toDraft(rigMeasures.parse(rig), rigMeasures, unit)
  const empty = emptyRigDraft(rig.kind, unit)
  const of = DIALS[rig.height.by].measures
  const height = {
    ...empty.height,
    by: rig.height.by,
    ...Object.fromEntries(of.map((key) => [key, draft.height[key]])),
  }
  return { ...draft, pivotB: rig.pivotB ? draft.pivotB : draft.pivot, height, fitted: null }
}

/** How drafts of rigs are begun and taken up. `from`: the rig to measure anew or to copy. */
export const rigDrafts = (from: Rig | null, copy: boolean): DraftKind<RigDraft> => ({
  version: 2,
  begun(unit) {
    if (!from) return emptyRigDraft('turning-post', unit)
    const draft = rigDraftOf(from, unit)
    return copy ? { ...draft, name: `${draft.name}, copy` } : draft
  },
  takenUp(kept, unit, version) {
    const before = rawOf(kept)
    // The first version had the language beside the measures.
    const now = version === 1 ? { ...before, height: { ...rawOf(before.height), by: before.by } } : kept
    return completed(now, rigMeasures, emptyRigDraft('turning-post', unit))
  },
  inUnit: (draft, before, now) => inUnit(draft, rigMeasures, before, now),
})

export interface ReadRig {
  /** The rig, when nothing is wrong with it. */
  readonly rig: Rig | null
  readonly problems: readonly FieldProblem[]
}

/**
 * Reads the draft of a rig: only what its kind and its language have counts. `base`: the rig that the draft began as.
 */
export function readRig(draft: RigDraft, unit: LengthUnit, base: Rig | null): ReadRig {
  const { by } = draft.height
  const { onTable: table, twoArms } = RIGS[draft.kind]
  const counted = {
    ...draft,
    jaws: table ? null : draft.jaws,
    moreJaws: table ? [] : draft.moreJaws,
    pivotB: twoArms ? draft.pivotB : null,
    height: { by, ...Object.fromEntries(DIALS[by].measures.map((key) => [key, draft.height[key]])) },
  }
  const { content, problems } = readDraft(counted, rigMeasures, unit, {
    base: base ?? undefined,
    needed: ['jaws', 'pivotB'],
  })
  const read = checked(possibleRig, content)
  if (read.ok && problems.length === 0) {
    const fitted = base && sameMeasures(base, read.value) ? base.fitted : null
    return { rig: { ...read.value, fitted }, problems }
  }
  // Rules between several measures are told only when each of them can be read.
  const measures = checked(rigMeasures, content)
  const found = measures.ok ? impossibilities(measures.value) : measures.problems
  return { rig: null, problems: firstAtEach([...problems, ...found]) }
}

/** What proofs left open of a rig's own measures holds while these stand as they were fitted. */
const sameMeasures = (one: Rig, other: Rig): boolean =>
  JSON.stringify(measuresOf(one)) === JSON.stringify(measuresOf(other))
const measuresOf = ({ height, pivot, pivotB, centring, tolerance }: Rig) => [height, pivot, pivotB, centring, tolerance]

/** The first problem of each field. */
export function firstAtEach(problems: readonly FieldProblem[]): FieldProblem[] {
  const seen = new Set<string>()
  return problems.filter(({ field }) => !seen.has(field) && seen.add(field))
}
