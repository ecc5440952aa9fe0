import { expose } from 'comlink'
import { TASKS, type TaskAsk, type TaskName, type TaskResult } from './tasks'

let stopped = false

/** Lets what has been posted to the worker in. Timers would wait four milliseconds each time. */
const channel = new MessageChannel()
const breath = () =>
  new Promise((resolve) => {
    channel.port1.onmessage = resolve
    channel.port2.postMessage(null)
  })
const BREATH_EVERY_MS = 12

/** Runs a task away from the screen: tells how far it is, and can be stopped between two of its steps. */
const bench = {
  /** The result, or null when it was stopped. */
  async run<N extends TaskName>(
    name: N,
    ask: TaskAsk<N>,
    onDone: (done: number) => void,
  ): Promise<TaskResult<N> | null> {
    stopped = false
    const task = (TASKS[name] as (ask: TaskAsk<N>) => Generator<number, TaskResult<N>, void>)(ask)
    let last = performance.now()
    for (;;) {
      const step = task.next()
      if (step.done) return step.value
      if (performance.now() - last < BREATH_EVERY_MS) continue
      onDone(step.value)
      await breath()
      last = performance.now()
      if (stopped) return null
    }
  },
  stop() {
    stopped = true
  },
}
export type BenchWorker = typeof bench

expose(bench)
