import { onScopeDispose, ref, shallowRef } from 'vue'
import { proxy, wrap, type Remote } from 'comlink'
import type { MonteCarloAsk, MonteCarloResult } from '#core/doubt/monteCarlo'
import type { Sampler } from './monteCarlo.worker'

/** Runs Monte Carlo in a worker: how far it is, its result, and a way to stop it. One run at a time. */
export function useMonteCarlo() {
  const running = ref(false)
  const done = ref(0)
  const result = shallowRef<MonteCarloResult | null>(null)
  const failure = ref('')
  let worker: Worker | null = null
  let sampler: Remote<Sampler> | null = null

  async function run(ask: MonteCarloAsk) {
    if (running.value) return
    worker ??= new Worker(new URL('./monteCarlo.worker.ts', import.meta.url), { type: 'module' })
    sampler ??= wrap<Sampler>(worker)
    running.value = true
    done.value = 0
    failure.value = ''
    try {
      // What the screen watches cannot be sent as it is: a plain copy can.
      const plain = JSON.parse(JSON.stringify(ask)) as MonteCarloAsk
      const drawn = await sampler.run(plain, proxy((samples: number) => (done.value = samples)))
      if (drawn) result.value = drawn
    } catch {
      failure.value = 'The samples could not be drawn. Try again.'
    }
    running.value = false
  }
  const stop = () => void sampler?.stop()
  const forget = () => (result.value = null)
  onScopeDispose(() => worker?.terminate())
  return { running, done, result, failure, run, stop, forget }
}
