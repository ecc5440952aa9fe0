import { nextTick, ref, watch, type Ref } from 'vue'
import { rawOf } from '#core/schema/versioned'
import type { LengthUnit } from '#core/math/units/length'
import { parsed } from '~/saving/parsed'

/** How a kind of draft is begun, taken up again and put into another unit. */
export interface DraftKind<T extends object> {
  /** Of the drafts that are written today. */
  readonly version: number
  begun(unit: LengthUnit): T
  /**
   * A draft that was kept by this version or an earlier one, as far as it can be read; null where nothing of it can.
   */
  takenUp(kept: unknown, unit: LengthUnit, version: number): T | null
  inUnit(draft: T, from: LengthUnit, to: LengthUnit): T
}

interface StoredDraft {
  readonly version: number
  readonly unit: LengthUnit
  readonly draft: unknown
  readonly step: number
}

function storedDraft(text: string | null): StoredDraft | null {
  // The first drafts did not say their version.
  const { version = 1, unit, draft, step = 0 } = rawOf(parsed(text))
  if ((unit !== 'mm' && unit !== 'in') || typeof version !== 'number' || typeof step !== 'number') return null
  return { version, unit, draft, step }
}

const placeOf = (key: string): string => `jaw-tilt-draft:${key}`

/** Throws a draft away that is not open. */
export const forgetDraft = (key: string): void => localStorage.removeItem(placeOf(key))

/**
 * A draft that outlives the page: describing a record takes a while. It says in which unit it was typed, so that a
 * length stays the same length when another unit is shown. `key`: what it is kept under.
 */
export function useKeptDraft<T extends object>(key: string, unit: Ref<LengthUnit>, kind: DraftKind<T>) {
  const place = placeOf(key)
  const stored = () => localStorage.getItem(place)
  const before = storedDraft(stored())
  const usable =
    before && before.version <= kind.version ? kind.takenUp(before.draft, before.unit, before.version) : null
  const draft = ref(usable && before ? kind.inUnit(usable, before.unit, unit.value) : kind.begun(unit.value)) as Ref<T>
  /** Whether it was begun earlier. */
  const takenUp = ref(usable !== null)
  /** The step of describing that one is at: it outlives the page as the draft does. */
  const step = ref(usable ? (before?.step ?? 0) : 0)
  const keep = () => {
    const now: StoredDraft = { version: kind.version, unit: unit.value, draft: draft.value, step: step.value }
    try {
      localStorage.setItem(place, JSON.stringify(now))
    } catch {
      // A full storage is done without: the draft then lasts as long as the page.
    }
  }
  watch(draft, keep, { deep: true })
  watch(step, () => stored() !== null && keep())
  watch(unit, (to, from) => {
    const begunNow = stored() === null
    draft.value = kind.inUnit(draft.value, from, to)
    // Nothing was typed yet: then nothing is kept either.
    if (begunNow) void nextTick(() => localStorage.removeItem(place))
  })
  async function forget() {
    await nextTick()
    localStorage.removeItem(place)
    step.value = 0
    takenUp.value = false
  }
  async function beginAnew() {
    draft.value = kind.begun(unit.value)
    await forget()
  }
  return { draft, takenUp, step, forget, beginAnew }
}
