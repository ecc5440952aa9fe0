import { nextTick, ref, watch, type Ref } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import type { LengthUnit } from '#core/units/length'

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

interface Kept {
  readonly version: number
  readonly unit: LengthUnit
  readonly draft: unknown
}

function parsed(text: string): Kept | null {
  try {
    const kept = JSON.parse(text || 'null') as Partial<Kept> | null
    // The first drafts did not say their version.
    if (!kept || (kept.unit !== 'mm' && kept.unit !== 'in')) return null
    return { version: kept.version ?? 1, unit: kept.unit, draft: kept.draft }
  } catch {
    return null
  }
}

/**
 * A draft that outlives the page: describing a thing takes a while. It says in which unit it was typed, so that a
 * length stays the same length when another unit is shown. `key`: what it is kept under.
 */
export function useKeptDraft<T extends object>(key: string, unit: Ref<LengthUnit>, kind: DraftKind<T>) {
  const stored = useLocalStorage<string>(`jaw-tilt-draft:${key}`, '')
  const before = parsed(stored.value)
  const usable =
    before && before.version <= kind.version ? kind.takenUp(before.draft, before.unit, before.version) : null
  const draft = ref(usable && before ? kind.inUnit(usable, before.unit, unit.value) : kind.begun(unit.value)) as Ref<T>
  /** Whether it was begun earlier. */
  const takenUp = ref(usable !== null)
  const keep = () => {
    const now: Kept = { version: kind.version, unit: unit.value, draft: draft.value }
    stored.value = JSON.stringify(now)
  }
  watch(draft, keep, { deep: true })
  watch(unit, (to, from) => {
    const begunNow = stored.value === ''
    draft.value = kind.inUnit(draft.value, from, to)
    // Nothing was typed yet: then nothing is kept either.
    if (begunNow) void nextTick(() => (stored.value = ''))
  })
  async function forget() {
    await nextTick()
    stored.value = ''
    takenUp.value = false
  }
  async function beginAnew() {
    draft.value = kind.begun(unit.value)
    await forget()
  }
  return { draft, takenUp, forget, beginAnew }
}
