import { owner, type Owner } from '#core/records/owner/owner'
import { checked, type FieldProblem } from '#core/schema/problem'
import type { LengthUnit } from '#core/math/units/length'
import { completed, emptyDraft, readDraft, toDraft, type DraftOf } from '~/forms/draft'
import { firstAtEach } from '~/shelf/rig/rigDraft'
import type { DraftKind } from '~/forms/useKeptDraft'

type OwnerDraft = DraftOf<Owner>

/** How drafts of owners are begun and taken up. `from`: the owner to change; `name`: of one that is new. */
export const ownerDrafts = (from: Owner | null, name: string): DraftKind<OwnerDraft> => ({
  version: 1,
  begun: (unit) => (from ? toDraft(owner.parse(from), owner, unit) : { ...emptyDraft(owner, unit), name }),
  takenUp: (kept, unit) => completed(kept, owner, emptyDraft(owner, unit)),
  inUnit: (draft) => draft,
})

/** Reads the draft of an owner. `base`: the owner that it began as. */
export function readOwner(
  draft: OwnerDraft,
  unit: LengthUnit,
  base: Owner | null,
): { readonly owner: Owner | null; readonly problems: readonly FieldProblem[] } {
  const { content, problems } = readDraft(draft, owner, unit, { base: base ?? undefined })
  const whole = checked(owner, content)
  const all = firstAtEach([...problems, ...(whole.ok ? [] : whole.problems)])
  return { owner: whole.ok && all.length === 0 ? whole.value : null, problems: all }
}
