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

  /** The angles of this job's strop and micro-bevel (0: none), as habits: so much steeper than the edge. */
  const angles = computed(() => ({
    stropAddDeg: job.content.value.stropAddDeg,
    microBevelAddDeg: job.content.value.microBevel?.addDeg ?? 0,
  }))
  /** Changes the strop's angle of this job, and of jobs that are begun later. */
  function changeStrop(stropAddDeg: number) {
    job.change(`strop ${steeperText(stropAddDeg)}`, { stropAddDeg })
    void change({ stropAddDeg })
  }
  /** Changes the micro-bevel's angle of this job, and of jobs that are begun later. */
  function changeMicroBevel(microBevelAddDeg: number) {
    setMicroBevel(microBevelAddDeg)
    void change({ microBevelAddDeg })
  }
  /** With which stone the micro-bevel of this job is ground; null: with the last one of the order. */
  const grindMicroBevelWith = (stoneId: string | null) => setMicroBevel(angles.value.microBevelAddDeg, stoneId)
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
  /** From now on what is chosen here is kept for this blade alone; or, null, it is as with every blade. */
  function keepForBlade(to: Habits | null = { ...habits.value, ...angles.value }) {
    const { [bladeId.value]: _, ...others } = kept.value.ofBlade
    const ofBlade = to ? { ...others, [bladeId.value]: to } : others
    return preferences.change({ habits: { ...kept.value, ofBlade } })
  }
  const isOfBlade = computed(() => ofThisBlade.value !== undefined)
  return { habits, isOfBlade, change, keepForBlade, angles, changeStrop, changeMicroBevel, grindMicroBevelWith }
}
