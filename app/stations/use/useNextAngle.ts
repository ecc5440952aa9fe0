import { computed, ref } from 'vue'
import { adviseDial } from '#core/geometry/dial/advised'
import { perSide } from '#core/records/common/side'
import { MICRO_BEVEL_ADD_DEG, nextAngle } from '#core/use/nextAngle'
import { useSharpenings } from '~/composables/useSharpenings'
import { useJob } from '~/job/useJob'
import { useCollections } from '~/stores/collections'
import { WANTED_WHY } from '~/words/nextAngleText'

/** A micro-bevel is no flatter against its bevel than this, degrees. */
const LEAST_ADD_DEG = 0.5
const toTenth = (deg: number): number => Math.round(deg * 10) / 10

/** The angle that this job's blade is to have next, and the job that gives it to it. */
export function useNextAngle() {
  const job = useJob()
  const collections = useCollections()
  const { sharpenings, starting } = useSharpenings()
  const next = computed(() => nextAngle(sharpenings.value, job.blade.value, starting.value?.usual ?? null))
  /** Why the rig cannot dial the advised angle as the blade is held now; null where it can, on every side. */
  const refusal = computed(() => {
    const advice = next.value
    if (!advice.ok) return null
    const advised = job.sides.value.map((side) =>
      adviseDial(job.setup.value, side, advice.deg, job.dialFor.value.edgePoint),
    )
    return advised.find((one) => !one.ok) ?? null
  })
  const busy = ref(false)

  /** Starts the next job with the blade: at an angle, or at the one it had with a steeper micro-bevel. */
  async function start(deg: number, withMicroBevel: boolean) {
    if (busy.value || !next.value.ok) return null
    busy.value = true
    const { why, fromDeg } = next.value
    const { wanted, microBevel } = job.content.value
    // What the sides were to differ by stays. Of an edge with a micro-bevel that is the apex: its bevel stays as it is.
    const meanDeg = job.sides.value.reduce((sum, side) => sum + wanted.deg[side] / job.sides.value.length, 0)
    const byDeg = deg - (microBevel ? fromDeg : meanDeg)
    const shifted = (by: number) => perSide((side) => toTenth(wanted.deg[side] + by))
    const steeper = {
      addDeg: Math.max(LEAST_ADD_DEG, toTenth((microBevel?.addDeg ?? 0) + byDeg)),
      stoneId: microBevel?.stoneId ?? null,
    }
    const begun = await collections.startJob(job.content.value.bladeId, {
      wanted: { deg: microBevel ? wanted.deg : shifted(byDeg), linked: wanted.linked, why: WANTED_WHY[why] },
      microBevel: microBevel ? steeper : withMicroBevel ? { addDeg: MICRO_BEVEL_ADD_DEG, stoneId: null } : null,
    })
    busy.value = false
    return begun
  }
  const hasMicroBevel = computed(() => job.content.value.microBevel !== null)
  return { sharpenings, starting, next, refusal, hasMicroBevel, busy, start }
}
