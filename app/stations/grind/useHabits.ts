import { computed } from 'vue'
import type { Habits } from '#core/records/preferences/habits'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { steeperText } from '~/words/steeperText'

/** How the user works at the stones: with this blade, where that is kept for it, else as with every blade. */
export function useHabits() {
  const job = useJob()
  const preferences = usePreferences()
  const kept = computed(() => preferences.current.habits)
  const bladeId = computed(() => job.content.value.bladeId)
  const ofThisBlade = computed(() => kept.value.ofBlade[bladeId.value])
  const habits = computed((): Habits => ofThisBlade.value ?? kept.value.usual)

  const addDeg = computed(() => job.content.value.microBevel?.addDeg ?? 0)
  /** How much steeper the strop lies in this job; jobs that are begun later have it too. */
  function strop(stropAddDeg: number) {
    job.change(`strop ${steeperText(stropAddDeg)}`, { stropAddDeg })
    void change({ stropAddDeg })
  }
  /** How much steeper the micro-bevel of this job is, 0: none; jobs that are begun later have it too. */
  function microBevel(microBevelAddDeg: number) {
    setMicroBevel(microBevelAddDeg)
    void change({ microBevelAddDeg })
  }
  /** With which stone the micro-bevel of this job is ground; null: with the last that grinds. */
  const microBevelWith = (stoneId: string | null) => setMicroBevel(addDeg.value, stoneId)
  function setMicroBevel(steeperBy: number, stoneId = job.content.value.microBevel?.stoneId ?? null) {
    const label = steeperBy > 0 ? `micro-bevel ${steeperText(steeperBy)}` : 'no micro-bevel'
    job.change(label, { microBevel: steeperBy > 0 ? { addDeg: steeperBy, stoneId } : null })
  }

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
  const isOfBlade = computed(() => ofThisBlade.value !== undefined)
  return { habits, isOfBlade, change, keepForBlade, strop, microBevel, microBevelWith }
}
