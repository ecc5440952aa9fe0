import { computed } from 'vue'
import type { Habits } from '#core/records/preferences/habits'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'

/** How the user works at the stones: with this blade, where that is kept for it, else as with every blade. */
export function useHabits() {
  const job = useJob()
  const preferences = usePreferences()
  const kept = computed(() => preferences.current.habits)
  const bladeId = computed(() => job.content.value.bladeId)
  const ofThisBlade = computed(() => kept.value.ofBlade[bladeId.value])
  const habits = computed((): Habits => ofThisBlade.value ?? kept.value.usual)

  /** Changes what is kept for this blade, where anything is; else what is usual. */
  function change(patch: Partial<Habits>) {
    const to = { ...habits.value, ...patch }
    if (ofThisBlade.value) return keepForBlade(to)
    return preferences.change({ habits: { ...kept.value, usual: to } })
  }
  /** From now on what is chosen is kept for this blade alone; or, null, it is as with every blade. */
  function keepForBlade(to: Habits | null = habits.value) {
    const { [bladeId.value]: _, ...others } = kept.value.ofBlade
    const ofBlade = to ? { ...others, [bladeId.value]: to } : others
    return preferences.change({ habits: { ...kept.value, ofBlade } })
  }
  return { habits, isOfBlade: computed(() => ofThisBlade.value !== undefined), change, keepForBlade }
}
