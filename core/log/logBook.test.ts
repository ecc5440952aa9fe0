import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { activeEntries, ofKind } from './activeEntries'
import type { LogEntry } from './entry'
import { jobList, kindList, logBook } from './logBook'

const id = (n: number) => `0197a000-0000-7000-8000-${String(n).padStart(12, '0')}`
const about = (n: number, job: number) => ({
  id: id(n),
  at: new Date(1_780_000_000_000 + (n % 7) * 1000).toISOString(),
  jobId: job === 0 ? null : id(900 + job),
  bladeId: null,
  stoneId: null,
  instrumentId: null,
})
const practice = (n: number, job: number): LogEntry => ({
  ...about(n, job),
  kind: 'practice',
  level: 'easy',
  points: 50,
  looks: 2,
})
const retraction = (n: number, of: number): LogEntry => ({ ...about(n, 0), kind: 'retraction', entryId: id(of) })

const logs = fc
  .array(fc.record({ retracts: fc.boolean(), of: fc.nat(19), job: fc.nat(2) }), { maxLength: 20 })
  .map((all) => all.map(({ retracts, of, job }, n) => (retracts ? retraction(n, of) : practice(n, job))))

describe('a log that grows', () => {
  it('holds what is active of each job and kind, in whichever order entries come in, once or twice', () => {
    fc.assert(
      fc.property(logs, fc.infiniteStream(fc.nat()), fc.nat(20), (log, order, cut) => {
        const shuffled = log
          .map((entry) => [order.next().value ?? 0, entry] as const)
          .sort((a, b) => a[0] - b[0])
          .map(([, entry]) => entry)
        const book = logBook()
        for (const entry of shuffled.slice(0, cut)) book.add([entry])
        book.add(shuffled)
        const active = activeEntries(log)
        expect(book.list(kindList('practice'))).toEqual(ofKind(active, 'practice'))
        for (const job of [1, 2])
          expect(book.list(jobList(id(900 + job)))).toEqual(active.filter(({ jobId }) => jobId === id(900 + job)))
      }),
    )
  })

  it('says which lists are others than before, and leaves those that were read as they are', () => {
    const book = logBook()
    expect([...book.add([practice(1, 1)])].sort()).toEqual([jobList(id(901)), kindList('practice')])
    const before = book.list(jobList(id(901)))
    expect(book.add([practice(1, 1), practice(2, 2)])).not.toContain(jobList(id(901)))
    book.add([retraction(3, 1)])
    expect([before.length, book.list(jobList(id(901))).length]).toEqual([1, 0])
  })
})
