/** What a task that yields its progress comes to, run to its end. */
export function finished<T>(task: Generator<number, T, void>): T {
  for (;;) {
    const step = task.next()
    if (step.done) return step.value
  }
}
