import { bench, describe } from 'vitest'
import type { LogEntry } from './entry'
import { logBook } from './logBook'

const entry = (n: number): LogEntry => ({
  id: `0197a000-0000-7000-8000-${String(n).padStart(12, '0')}`,
  at: new Date(1_780_000_000_000 + n * 1000).toISOString(),
  jobId: `0197a000-0000-7000-8001-${String(Math.floor(n / 20)).padStart(12, '0')}`,
  bladeId: null,
  stoneId: null,
  instrumentId: null,
  kind: 'practice',
  level: 'easy',
  points: 50,
  looks: 2,
})

describe('one more entry', () => {
  for (const there of [20, 100_000]) {
    const book = logBook()
    book.add(Array.from({ length: there }, (_, n) => entry(n)))
    let next = there
    bench(`with ${there} in the log`, () => {
      book.add([entry(next++)])
    })
  }
})
