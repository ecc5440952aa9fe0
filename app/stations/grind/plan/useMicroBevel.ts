import { computed } from 'vue'
import { perSide, type PerSide } from '#core/records/common/side'
import { wantedAtApexDeg } from '#core/records/job/stoneUses'
import type { StoneRecord } from '#core/records/storage/kinds'
import { microBevel } from '#core/steel/removal/microBevel'
import type { MicroBevelAsked } from '#core/steel/stones/orders'
import { useJob } from '~/job/useJob'

/** The micro-bevel of the job: what becomes of each side, and what it asks of the stones; null where none is wanted. */
export function useMicroBevel() {
  const job = useJob()
  const bySide = computed((): PerSide<{ deg: number; widthMm: number; removedMm2: number }> | null => {
    const { wanted, microBevel: asked } = job.content.value
    if (!asked) return null
    const deg = (side: 'A' | 'B') => wantedAtApexDeg(job.content.value, side)
    return perSide((side) => ({ deg: deg(side), ...microBevel(wanted.deg[side], asked.addDeg) }))
  })
  const asked = computed((): MicroBevelAsked<StoneRecord> | null => {
    const found = bySide.value
    if (!found) return null
    const stoneId = job.content.value.microBevel?.stoneId
    return {
      stone: job.stones.value.find(({ id }) => id === stoneId) ?? null,
      sides: job.sides.value.map((side) => ({ side, removedMm3: found[side].removedMm2 * job.edgeMm.value })),
    }
  })
  return { bySide, asked }
}
