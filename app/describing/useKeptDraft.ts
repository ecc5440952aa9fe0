import { nextTick, ref, watch, type Ref } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import type { LengthUnit } from '#core/units/length'

/**
 * A draft that outlives the page: describing a thing takes a while. `begun`: what it begins as; `key`: what it is kept
 * under.
 */
export function useKeptDraft<T extends object>(key: string, unit: LengthUnit, begun: () => T) {
  const kept = useLocalStorage<string>(`jaw-tilt-draft:${key}`, '')
  const stored = kept.value ? (JSON.parse(kept.value) as { unit: LengthUnit; draft: T }) : null
  const taken = stored?.unit === unit ? stored.draft : null
  const draft = ref(taken ?? begun()) as Ref<T>
  /** Whether it was begun earlier. */
  const takenUp = ref(taken !== null)
  watch(draft, (now) => (kept.value = JSON.stringify({ unit, draft: now })), { deep: true })
  async function forget() {
    await nextTick()
    kept.value = ''
    takenUp.value = false
  }
  async function beginAnew() {
    draft.value = begun()
    await forget()
  }
  return { draft, takenUp, forget, beginAnew }
}
