import { computed } from 'vue'
import { perSide, type PerSide, type Side } from '#core/records/common/side'
import {
  provedAgainst,
  readAgainst,
  type JobAsSet,
  type ProvedAgainst,
  type ReadAgainst,
} from '#core/observe/ledger/against'
import { zoneAngles, type ZoneAngles } from '#core/observe/ledger/zoneAngles'
import { provedAtPlaces, readAtPlaces } from '#core/log/meanReading'
import { ofKind } from '#core/log/activeEntries'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'

/** What was read and proved on this job against what was set where it was found, as that was then. */
export const useAgainst = () => useJob().share(against)

function against(job: JobView) {
  const now = computed((): JobAsSet => ({
    setup: job.setup.value,
    job: job.content.value,
    setNow: job.setNow.value,
    dialFor: job.dialFor.value.edgePoint,
    zones: job.zones.value,
    stoneOf: (id) => job.stones.value.find((one) => one.id === id),
  }))
  /** The newest place of each side; null while nothing was proved, or read, on it. */
  const proved = computed((): PerSide<ProvedAgainst | null> =>
    perSide((side) => {
      const amount = job.proved.value[side]
      return amount && provedAgainst(now.value, side, amount)
    }),
  )
  const read = computed((): PerSide<ReadAgainst | null> =>
    perSide((side) => {
      const amount = job.read.value[side]
      return amount && readAgainst(now.value, side, amount)
    }),
  )
  /** At every place of a side that goes with the newest. */
  const provedAlong = (side: Side): ProvedAgainst[] =>
    provedAtPlaces(ofKind(job.entriesOfBlade.value, 'proof'), side).map((amount) =>
      provedAgainst(now.value, side, amount),
    )
  const readAlong = (side: Side): ReadAgainst[] =>
    readAtPlaces(ofKind(job.entriesOfBlade.value, 'reading'), side).map((amount) =>
      readAgainst(now.value, side, amount),
    )
  const zones = (side: Side): ZoneAngles[] => zoneAngles(now.value, job.content.value, job.entriesOfBlade.value, side)
  return { proved, read, provedAlong, readAlong, zones }
}
