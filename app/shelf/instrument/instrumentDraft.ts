import { rawOf, renamed } from '#core/schema/versioned'
import { instrument, usableInstrument, type Instrument } from '#core/records/instrument/instrument'
import { checked, type FieldProblem } from '#core/schema/problem'
import type { LengthUnit } from '#core/math/units/length'
import { completed, emptyDraft, inUnit, readDraft, toDraft, type DraftOf } from '~/forms/draft'
import { firstAtEach } from '~/shelf/rig/rigDraft'
import type { DraftKind } from '~/forms/useKeptDraft'

type InstrumentDraft = DraftOf<Instrument>

function begunFrom(from: Instrument | null, copy: boolean, unit: LengthUnit): InstrumentDraft {
  if (!from) return { ...emptyDraft(instrument, unit), uncertaintyDeg: '0.1' }
  const draft = toDraft(instrument.parse(from), instrument, unit)
  return copy ? { ...draft, name: `${from.name}, copy` } : draft
}

/** How drafts of instruments are begun and taken up. `from`: the instrument to change or to copy. */
export const instrumentDrafts = (from: Instrument | null, copy: boolean): DraftKind<InstrumentDraft> => ({
  version: 2,
  begun: (unit) => begunFrom(from, copy, unit),
  takenUp(kept, unit, version) {
    const draft = version < 2 ? renamed({ doubtDeg: 'uncertaintyDeg' })(rawOf(kept)) : kept
    return completed(draft, instrument, emptyDraft(instrument, unit))
  },
  inUnit: (draft, before, now) => inUnit(draft, instrument, before, now),
})

/** Reads the draft of an instrument. `base`: the instrument that it began as. */
export function readInstrument(
  draft: InstrumentDraft,
  unit: LengthUnit,
  base: Instrument | null,
): { readonly instrument: Instrument | null; readonly problems: readonly FieldProblem[] } {
  const { content, problems } = readDraft(draft, instrument, unit, { base: base ?? undefined })
  // What has no flat screen has no distance to it, whatever was typed before another kind was chosen.
  const screen = draft.kind === 'goniometer-screen'
  const said = screen ? content : { ...content, screenDistanceMm: null, screenDistanceToleranceMm: undefined }
  const whole = checked(usableInstrument, said)
  const counted = problems.filter(({ field }) => screen || !field.startsWith('screenDistance'))
  const all = firstAtEach([...counted, ...(whole.ok ? [] : whole.problems)])
  return { instrument: whole.ok && all.length === 0 ? whole.value : null, problems: all }
}
