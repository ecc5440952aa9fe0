import { renamed, type Raw } from '#core/schema/versioned'
import { instrument, usableInstrument, type Instrument } from '#core/records/instrument/instrument'
import { checked, type FieldProblem } from '#core/schema/problem'
import type { LengthUnit } from '#core/math/units/length'
import { completed, emptyDraft, inUnit, readDraft, toDraft, type Draft } from '~/forms/draft'
import { firstAtEach } from '~/shelf/rig/rigDraft'
import type { DraftKind } from '~/forms/useKeptDraft'

function begunFrom(from: Instrument | null, copy: boolean, unit: LengthUnit): Draft {
  if (!from) return { ...(emptyDraft(instrument, unit) as Draft), uncertaintyDeg: '0.1' }
  const draft = toDraft(instrument.parse(from), instrument, unit) as Draft
  return copy ? { ...draft, name: `${from.name}, copy` } : draft
}

/** How drafts of instruments are begun and taken up. `from`: the instrument to change or to copy. */
export const instrumentDrafts = (from: Instrument | null, copy: boolean): DraftKind<Draft> => ({
  version: 2,
  begun: (unit) => begunFrom(from, copy, unit),
  takenUp(kept, unit, version) {
    const draft = version < 2 ? renamed({ doubtDeg: 'uncertaintyDeg' })((kept ?? {}) as Raw) : kept
    return completed(draft, instrument, emptyDraft(instrument, unit)) as Draft
  },
  inUnit: (draft, before, now) => inUnit(draft, instrument, before, now) as Draft,
})

/** Reads the draft of an instrument. `base`: the instrument that it began as. */
export function readInstrument(
  draft: Draft,
  unit: LengthUnit,
  base: Instrument | null,
): { readonly instrument: Instrument | null; readonly problems: readonly FieldProblem[] } {
  const { content, problems } = readDraft(draft, instrument, unit, { base: base ?? undefined })
  // What has no flat screen has no distance to it, whatever was typed before another kind was chosen.
  const screen = draft.kind === 'goniometer-screen'
  const said = screen ? content : { ...(content as Draft), screenDistanceMm: null }
  const whole = checked(usableInstrument, said)
  const counted = problems.filter(({ field }) => screen || field !== 'screenDistanceMm')
  const all = firstAtEach([...counted, ...(whole.ok ? [] : whole.problems)])
  return { instrument: whole.ok && all.length === 0 ? whole.value : null, problems: all }
}
