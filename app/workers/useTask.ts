import { onScopeDispose, ref, shallowRef } from 'vue'
import { proxy, wrap, type Remote } from 'comlink'
import type { BenchWorker } from './bench.worker'
import type { TaskAsk, TaskName, TaskResult } from './tasks'

/** Runs a task in a worker of its own: how far it is, its result, and a way to stop it. One run at a time. */
export function useTask<N extends TaskName>(name: N) {
  const running = ref(false)
  const done = ref(0)
  const result = shallowRef<TaskResult<N> | null>(null)
  const failure = ref('')
  let worker: Worker | null = null
  let bench: Remote<BenchWorker> | null = null

  async function run(ask: TaskAsk<N>) {
    if (running.value) return
    worker ??= new Worker(new URL('./bench.worker.ts', import.meta.url), { type: 'module' })
    bench ??= wrap<BenchWorker>(worker)
    running.value = true
    done.value = 0
    failure.value = ''
    try {
      // What the screen watches cannot be sent as it is: a plain copy can.
      const plain = JSON.parse(JSON.stringify(ask)) as TaskAsk<N>
      const found = (await bench.run(
        name,
        plain,
        proxy((now: number) => (done.value = now)),
      )) as TaskResult<N> | null
      if (found) result.value = found
    } catch {
      failure.value = 'This could not be worked out. Try again.'
    }
    running.value = false
  }
  const stop = () => void bench?.stop()
  const forget = () => (result.value = null)
  onScopeDispose(() => worker?.terminate())
  return { running, done, result, failure, run, stop, forget }
}
