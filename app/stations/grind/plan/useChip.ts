import { computed } from 'vue'
import type { Chip } from '#core/records/job/job'
import { APEX_WORN_MM } from '#core/steel/removal/plan'
import { useJob } from '~/job/useJob'

const SHARPENINGS: Readonly<Record<Chip['over'], number>> = { once: 1, three: 3 }

/** The deepest chip of the edge, and how far grinding it out takes the apex back. */
export function useChip() {
  const job = useJob()
  const chip = computed(() => job.content.value.chip)
  /** Changes its depth, mm; 0: there is none. Answers what is wrong with it, in words. */
  const setDepth = (depthMm: number) =>
    job.change('deepest chip', { chip: depthMm === 0 ? null : { depthMm, over: chip.value?.over ?? 'once' } })
  const grindOver = (over: Chip['over']) =>
    void (chip.value && job.change('grind the chips out', { chip: { ...chip.value, over } }))
  /** How far one sharpening takes the apex back, mm: its part of the chip, and no less than a worn apex loses. */
  const backMm = (over: Chip['over'] = chip.value?.over ?? 'once') =>
    Math.max(APEX_WORN_MM, (chip.value?.depthMm ?? 0) / SHARPENINGS[over])
  return { chip, setDepth, grindOver, backMm }
}
