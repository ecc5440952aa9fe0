import { hiddenBlade } from '#core/simulation/standIn/hiddenBlade'
import { useInk } from '~/composables/useInk'
import { usePractice } from './usePractice'
import { seedOf } from '~/devices/trueBench'
import { useJob } from '~/job/useJob'
import { useSimulatedOffered } from '~/job/useSimulatedOffered'

/** A make-believe blade in the place of this job's: offered with the samples, and where it was asked for. */
export function useSimulatedBlade() {
  const job = useJob()
  const ink = useInk()
  const offered = useSimulatedOffered()
  const practice = usePractice()
  const blade = () => {
    if (practice.blade.value) return practice.blade.value
    const wanted = job.content.value.wanted.deg.A
    return hiddenBlade({
      seed: seedOf(job.id),
      level: 'usual',
      zones: ink.names.value,
      aroundDeg: wanted,
      widthMm: ink.faceOf(0, job.side.value, wanted).widthMm,
      setUncertaintyDeg: job.up.value.ok ? job.up.value.uncertaintyDeg : 0.3,
    })
  }
  return { offered, blade }
}
