import { expose } from 'comlink'
import { monteCarlo, type MonteCarloAsk, type MonteCarloResult } from '#core/doubt/monteCarlo'

let stopped = false

/** Lets what has been posted to the worker in. Timers would wait four milliseconds each time. */
const channel = new MessageChannel()
const breath = () =>
  new Promise((resolve) => {
    channel.port1.onmessage = resolve
    channel.port2.postMessage(null)
  })

/** Monte Carlo away from the screen: tells how far it is, and can be stopped between two chunks of samples. */
const sampler = {
  /** The result, or null when it was stopped. */
  async run(ask: MonteCarloAsk, onDone: (samples: number) => void): Promise<MonteCarloResult | null> {
    stopped = false
    const sampling = monteCarlo(ask)
    for (;;) {
      const step = sampling.next()
      if (step.done) return step.value
      onDone(step.value)
      await breath()
      if (stopped) return null
    }
  },
  stop() {
    stopped = true
  },
}
export type Sampler = typeof sampler

expose(sampler)
