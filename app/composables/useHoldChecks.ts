import { computed } from 'vue'
import { clearances, handleReach, jawFit, taperInJawsMm, tipStop, type Verdict } from '#core/hold/holdChecks'
import { useBench } from './useBench'

/** More than this of taper within the jaws wants the pressure on the thin corner, mm. */
const TAPER_MM = 0.05
/** A handle that reaches further than so many widths of the jaws wants support. */
const SUPPORT_FROM = 5
/** Less rod than this beyond the far contact is tight, mm. */
const SPARE_MM = 15

/** Will it hold, will it reach, will it clear. */
export function useHoldChecks() {
  const bench = useBench()
  const set = computed(() => (bench.up.value?.ok ? bench.up.value : null))
  const checks = computed(() => {
    const [job, now] = [bench.setup.value, set.value]
    if (!job || !now || bench.stations.value.length === 0) return null
    const taper = taperInJawsMm(job)
    const reach = handleReach(job)
    const [heel, tip] = [now.along[0]!, now.along.at(-1)!]
    const limit = job.rig.stroke?.farthestMm ?? job.rig.rodLengthMm
    const reached = (at: typeof heel) => ({
      ok: at.ok,
      reachMm: at.ok ? at.reachMm : null,
      refusal: at.ok ? null : at,
      verdict: (at.ok ? (limit - at.reachMm < SPARE_MM ? 'watch' : 'good') : 'bad') as Verdict,
    })
    const clear = clearances(job, now.along)
    const lowestSet = now.lowestDeg
    return {
      fit: jawFit(job),
      taper:
        Math.abs(taper) > TAPER_MM
          ? { mm: Math.abs(taper), towards: taper > 0 ? ('tip' as const) : ('heel' as const) }
          : null,
      coating: job.blade.coating,
      noChoil: !job.blade.choil,
      support: reach > SUPPORT_FROM,
      heel: reached(heel),
      tip: reached(tip),
      limitMm: limit,
      stop: tipStop(job, bench.stations.value),
      clear: clear.map((one) => ({
        ...one,
        verdict: (one.lowestDeg === null || one.lowestDeg < lowestSet - 1
          ? 'good'
          : one.lowestDeg < lowestSet
            ? 'watch'
            : 'bad') as Verdict,
      })),
      lowestSet,
    }
  })
  return { set, checks }
}
