import { computed, shallowRef, watch } from 'vue'
import equal from 'fast-deep-equal'
import type { TaskAsk, TaskName, TaskResult } from './tasks'
import { useTask } from './useTask'

/**
 * What a worker answers to a question that changes: asked anew whenever it does, one run at a time, the newest last. A
 * run that fails leaves no answer until it is asked again.
 */
export function useAnswer<N extends TaskName>(name: N, ask: () => TaskAsk<N> | null) {
  const task = useTask(name)
  const question = computed(ask)
  const answered = shallowRef<{ readonly ask: TaskAsk<N>; readonly result: TaskResult<N> | null } | null>(null)
  async function work() {
    const now = question.value
    if (now === null || (answered.value && equal(answered.value.ask, now))) return
    answered.value = { ask: now, result: await task.run(now) }
    await work()
  }
  watch(question, () => void (task.running.value || work()), { immediate: true })
  /** Asks once more what failed. */
  async function again() {
    answered.value = null
    await work()
  }
  /** Null while it is being worked out, where that failed, and where nothing is asked. */
  const answer = computed(() =>
    question.value && answered.value && equal(answered.value.ask, question.value) ? answered.value.result : null,
  )
  return { answered, answer, running: task.running, failure: task.failure, again }
}
