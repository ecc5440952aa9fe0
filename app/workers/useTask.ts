import { onScopeDispose, ref, shallowRef, watch } from 'vue'
import { proxy, wrap, type Remote } from 'comlink'
import equal from 'fast-deep-equal'
import { failed, type Failure } from '#core/schema/result'
import type { BenchWorker } from './bench.worker'
import type { TaskAsk, TaskName, TaskResult } from './tasks'

/**
 * Runs a task in a worker of its own: how far it is, its result, and a way to stop it. One run at a time. `about`: what
 * the result holds for; when that changes the result is forgotten, and one that still comes is not taken.
 */
export function useTask<N extends TaskName>(name: N, about: () => unknown = () => null) {
  const running = ref(false)
  const done = ref(0)
  const result = shallowRef<TaskResult<N> | null>(null)
  const failure = shallowRef<Failure<'not-worked-out'> | null>(null)
  let worker: Worker | null = null
  let bench: Remote<BenchWorker> | null = null

  /** The result; null when it was stopped, failed, or holds for something else by now. */
  async function run(ask: TaskAsk<N>): Promise<TaskResult<N> | null> {
    if (running.value) return null
    worker ??= new Worker(new URL('./bench.worker.ts', import.meta.url), { type: 'module' })
    bench ??= wrap<BenchWorker>(worker)
    running.value = true
    done.value = 0
    failure.value = null
    const asked = about()
    let found: TaskResult<N> | null = null
    try {
      // What the screen watches cannot be sent as it is: a plain copy can.
      const plain = JSON.parse(JSON.stringify(ask)) as TaskAsk<N>
      const onDone = proxy((now: number) => (done.value = now))
      found = (await bench.run(name, plain, onDone)) as TaskResult<N> | null
    } catch {
      failure.value = failed('not-worked-out')
    }
    running.value = false
    if (found === null || !equal(about(), asked)) return null
    result.value = found
    return found
  }
  const stop = () => void bench?.stop()
  watch(about, (now, before) => {
    if (!equal(now, before)) result.value = null
  })
  onScopeDispose(() => worker?.terminate())
  return { running, done, result, failure, run, stop }
}
