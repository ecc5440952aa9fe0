import { effectScope, nextTick, ref, type EffectScope } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { TaskAsk, TaskResult } from './tasks'
import { useAnswer } from './useAnswer'
import { useTask } from './useTask'

type Ask = TaskAsk<'inkSays'>
/** The runs that the worker was asked for: each is answered, or fails, by hand. */
const runs: { ask: { n: number }; answer(n: number): Promise<void>; fail(): Promise<void> }[] = []
vi.mock('comlink', () => ({
  proxy: (one: unknown) => one,
  wrap: () => ({
    stop: () => {},
    run: (_name: string, ask: { n: number }) =>
      new Promise((resolve, reject) => {
        const settled = async (settle: () => void) => {
          settle()
          for (let i = 0; i < 5; i++) await nextTick()
        }
        runs.push({ ask, answer: (n) => settled(() => resolve({ n })), fail: () => settled(() => reject(new Error())) })
      }),
  }),
}))
vi.stubGlobal(
  'Worker',
  class {
    terminate() {}
  },
)

let scope: EffectScope
beforeEach(() => (scope = effectScope()))
afterEach(() => {
  scope.stop()
  runs.length = 0
})
const asked = (n: number) => ({ n }) as unknown as Ask
const given = (result: TaskResult<'inkSays'> | null) => (result as unknown as { n: number } | null)?.n ?? null

describe('a task', () => {
  it('whose result holds for something else by the time it comes gives none', async () => {
    const about = ref(1)
    const task = scope.run(() => useTask('inkSays', () => about.value))!
    const run = task.run(asked(1))
    about.value = 2
    await runs[0]!.answer(10)
    expect([await run, task.result.value, task.running.value]).toEqual([null, null, false])
    void task.run(asked(2))
    await runs[1]!.answer(20)
    expect(given(task.result.value)).toBe(20)
    about.value = 3
    await nextTick()
    expect(task.result.value).toBeNull()
  })
})

describe('an answer to a question that changes', () => {
  it('is that to the newest question: those in between are not asked', async () => {
    const n = ref<number | null>(1)
    const { answer } = scope.run(() => useAnswer('inkSays', () => (n.value === null ? null : asked(n.value))))!
    n.value = 2
    await nextTick()
    n.value = 3
    await nextTick()
    expect(runs.map(({ ask }) => ask.n)).toEqual([1])
    await runs[0]!.answer(10)
    expect(answer.value).toBeNull()
    expect(runs.map(({ ask }) => ask.n)).toEqual([1, 3])
    await runs[1]!.answer(30)
    expect(given(answer.value)).toBe(30)
    n.value = null
    expect(answer.value).toBeNull()
    n.value = 3
    await nextTick()
    expect([given(answer.value), runs.length]).toEqual([30, 2])
  })

  it('is none where the run failed, and says so, until it is asked again', async () => {
    const { answer, failure, again } = scope.run(() => useAnswer('inkSays', () => asked(1)))!
    await runs[0]!.fail()
    expect([answer.value, runs.length]).toEqual([null, 1])
    expect(failure.value).toMatchObject({ code: 'not-worked-out' })
    void again()
    await runs[1]!.answer(10)
    expect([given(answer.value), failure.value]).toEqual([10, null])
  })
})
