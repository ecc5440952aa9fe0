import type { ScratchPart } from '#core/photo/scratches/readScratchPhoto'
import { scratchPhotograph } from '#core/simulation/standIn/scratchPhotograph'
import { useEdgeWorked } from '../bench/useEdgeWorked'
import { useTally } from '../bench/useTally'
import { useStoneDone } from '../useStoneDone'
import { useJob } from '~/job/useJob'

/** The strokes of the stone before crossed those of this one so far, degrees. */
const CROSSES_DEG = 40
/** The heel's third and the tip's get less of the steel. */
const BEHIND = [0.85, 1, 0.75] as const
/** A stone that has to shape the bevel begins with so much of its width not reached. */
const UNREACHED = 0.5

/** A close-up of the side that is up, in place of a loupe: what is left on it follows from the strokes so far. */
export function useSimulatedBevel() {
  const job = useJob()
  const { countOf } = useTally()
  const { leans } = useEdgeWorked()
  const { work, workOn } = useStoneDone()
  return function photograph() {
    const made = countOf(job.side.value)
    const needed = workOn(job.side.value)?.strokes.middle ?? 100
    const left = (behind: number) => Math.max(0, 1 - (behind * made) / needed)
    const third = (behind: number): ScratchPart => ({
      oldLeft: left(behind),
      unreached: work.value?.task === 'shape' ? UNREACHED * left(behind) : 0,
    })
    const newDeg = leans.value[Math.floor(leans.value.length / 2)] ?? 0
    return scratchPhotograph({
      seed: made + 1,
      newDeg,
      oldDeg: newDeg > 0 ? newDeg - CROSSES_DEG : newDeg + CROSSES_DEG,
      thirds: [third(BEHIND[0]), third(BEHIND[1]), third(BEHIND[2])],
    })
  }
}
