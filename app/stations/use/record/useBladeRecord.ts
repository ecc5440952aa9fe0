import { computed } from 'vue'
import { ofKind } from '#core/log/activeEntries'
import type { LogEntry } from '#core/log/entry'
import { meanProof } from '#core/log/meanReading'
import { strokesMade } from '#core/log/strokesMade'
import { lastOf } from '#core/math/list'
import { perSide, SIDES, type PerSide, type Side } from '#core/records/common/side'
import { useRecordLog } from '~/composables/useRecordLog'
import { useJob } from '~/job/useJob'

/** What one job did with the blade, in short, with all of its entries. */
export interface RecordedJob {
  readonly id: string
  readonly name: string
  readonly from: string
  readonly to: string
  /** What was proved last on each side, degrees, and when; null where nothing was. */
  readonly proved: PerSide<{ readonly at: string; readonly deg: number } | null>
  readonly strokes: ReturnType<typeof strokesMade>
  readonly entries: readonly LogEntry[]
}

/** Everything that happened to this job's blade, on whatever job, the newest job first. */
export function useBladeRecord() {
  const job = useJob()
  const { told, failed, load } = useRecordLog('blade', () => job.content.value.bladeId)

  const jobs = computed((): RecordedJob[] => {
    const entries = told.value?.log.entries ?? []
    const names = new Map(told.value?.jobs.map(({ id, name }) => [id, name]))
    const ids = [...new Set(entries.flatMap(({ jobId }) => jobId ?? []))]
    return ids
      .map((id): RecordedJob => {
        const own = entries.filter(({ jobId }) => jobId === id)
        const proofs = ofKind(own, 'proof')
        const proved = (side: Side) => {
          const mean = meanProof(proofs, side)
          return mean && { at: lastOf(mean.of).at, deg: mean.deg }
        }
        return {
          ...{ id, name: names.get(id) ?? '', entries: own },
          ...{ from: own[0]!.at, to: own.at(-1)!.at },
          proved: perSide(proved),
          strokes: strokesMade(ofKind(own, 'strokes')),
        }
      })
      .sort((a, b) => (a.from < b.from ? 1 : -1))
  })
  /** What was proved over the years, side by side, oldest first. */
  const proved = computed(() =>
    SIDES.map((side) => ({
      side,
      points: jobs.value.flatMap((one) => one.proved[side] ?? []).reverse(),
    })),
  )
  return { told, failed, load, jobs, proved }
}
