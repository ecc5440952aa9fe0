import { computed } from 'vue'
import { bothOf } from '#core/math/list'
import { SIDES } from '#core/records/common/side'
import { thrownBy, type ThrownSide } from '#core/simulation/standIn/thrownPattern'
import { hiddenError, seedOf } from '~/devices/trueBench'
import { useJob } from '~/job/useJob'
import { useSimulatedOffered } from '~/job/useSimulatedOffered'

/** The primary face of a make-believe blade, degrees. */
const PRIMARY_DEG = 3

/** What the steel of the make-believe bench throws on a goniometer's screen, as it would really have cut it. */
export function useSimulatedScreen() {
  const job = useJob()
  /** Make-believe is offered with the samples, and where it was asked for. */
  const offered = useSimulatedOffered()
  const thrown = computed(() => {
    const hidden = hiddenError(job.setup.value, job.content.value, seedOf(job.id))
    const { sides, edgePoint } = job.dialFor.value
    return bothOf(SIDES, (side): ThrownSide => {
      const set = sides[side]
      if (!set.ok) return { primaryDeg: PRIMARY_DEG, edge: null }
      const deg = set.contact.edgeAngleDeg + hidden(side, set.pivotHeightMm, edgePoint)
      return { primaryDeg: PRIMARY_DEG, edge: thrownBy(deg, job.stone.value.grainUm) }
    })
  })
  return { offered, thrown, seed: computed(() => seedOf(`${job.id}:screen`)) }
}
