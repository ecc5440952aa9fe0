import type { z } from 'zod'
import { grainSize } from '#core/records/stone/grit'
import { middleOffsetMm } from '#core/records/stone/taper'
import { stone as stoneSchema, type Stone } from '#core/records/stone/stone'
import { rawOf } from '#core/schema/versioned'
import { checked, type FieldProblem } from '#core/schema/problem'
import type { LengthUnit } from '#core/math/units/length'
import { completed, emptyDraft, inUnit, readDraft, toDraft, usualDraft, type DraftOf } from '~/forms/draft'
import { firstAtEach } from '~/shelf/rig/rigDraft'
import type { DraftKind } from '~/forms/useKeptDraft'

/** The facts of a stone that are typed: its face offset at its middle follows from both ends. */
export const stoneFacts = stoneSchema.omit({ faceOffsetMm: true })

/** The draft of a stone. */
export interface StoneDraft {
  facts: DraftOf<z.output<typeof stoneFacts>>
  /** Whether its grain is told by the grit printed on it, or by its size. */
  byGrit: boolean
}

/** A bench stone of the usual size, measured with a calliper. */
const BEGUN_WITH = { lengthMm: 150, widthMm: 25, faceOffsetToleranceMm: 0.1 }

function begunFrom(from: Stone | null, copy: boolean, unit: LengthUnit): StoneDraft {
  if (!from) {
    const empty = emptyDraft(stoneFacts, unit)
    const usual = usualDraft(
      BEGUN_WITH,
      stoneFacts.pick({ lengthMm: true, widthMm: true, faceOffsetToleranceMm: true }),
      unit,
    )
    return { facts: { ...empty, ...usual, grit: { ...empty.grit, standard: 'FEPA F' } }, byGrit: true }
  }
  const { faceOffsetMm } = from
  const ends = from.faceOffsetEnds ?? { nearMm: faceOffsetMm, farMm: faceOffsetMm }
  const facts = toDraft({ ...stoneFacts.parse(from), faceOffsetEnds: ends }, stoneFacts, unit)
  return { facts: copy ? { ...facts, name: `${from.name}, copy` } : facts, byGrit: from.grit !== null }
}

/** How drafts of stones are begun and taken up. `from`: the stone to change or to copy. */
export const stoneDrafts = (from: Stone | null, copy: boolean): DraftKind<StoneDraft> => ({
  version: 1,
  begun: (unit) => begunFrom(from, copy, unit),
  takenUp(kept, unit) {
    const { facts, byGrit } = rawOf(kept)
    return {
      facts: completed(facts, stoneFacts, emptyDraft(stoneFacts, unit)),
      byGrit: byGrit !== false,
    }
  },
  inUnit: (draft, before, now) => ({ ...draft, facts: inUnit(draft.facts, stoneFacts, before, now) }),
})

export interface ReadStone {
  readonly stone: Stone | null
  readonly problems: readonly FieldProblem[]
}

/** Reads the draft of a stone. `base`: the stone that it began as. */
export function readStone({ facts, byGrit }: StoneDraft, unit: LengthUnit, base: Stone | null): ReadStone {
  const ends = base && (base.faceOffsetEnds ?? { nearMm: base.faceOffsetMm, farMm: base.faceOffsetMm })
  const counted = byGrit ? { ...facts, grainUm: undefined } : { ...facts, grit: null }
  const { content, problems } = readDraft(counted, stoneFacts, unit, {
    base: base ? { ...base, faceOffsetEnds: ends } : undefined,
    needed: ['grit', 'faceOffsetEnds'],
  })
  const read = content as Partial<Stone>
  const size = byGrit && read.grit?.number !== undefined ? grainSize(read.grit) : null
  const tooFar: FieldProblem[] =
    size && !size.ok ? [{ field: 'grit.number', code: size.code, figures: size.figures }] : []
  const { nearMm, farMm } = read.faceOffsetEnds ?? {}
  const faceOffsetMm =
    nearMm !== undefined && farMm !== undefined ? middleOffsetMm(nearMm, farMm, read.dishMm ?? 0) : undefined
  const whole = checked(stoneSchema, {
    ...read,
    faceOffsetMm,
    grainUm: byGrit ? (size?.ok ? size.um : undefined) : read.grainUm,
  })
  // Of what follows from others, those others are told.
  const follows = ['faceOffsetMm', ...(byGrit ? ['grainUm'] : [])]
  const found = whole.ok ? [] : whole.problems.filter(({ field }) => !follows.includes(field))
  const all = firstAtEach([...problems, ...tooFar, ...found])
  return { stone: whole.ok && all.length === 0 ? whole.value : null, problems: all }
}
