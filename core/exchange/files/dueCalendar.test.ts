import ICAL from 'ical.js'
import { expect, it } from 'vitest'
import { writeDueCalendar } from './dueCalendar'

it('jobs that are due are whole days in a calendar that another package reads, whatever their names', () => {
  const job = (n: number, name: string, dueOn: string, isReady: boolean) => ({
    ...{ jobId: `01980000-5a3e-7000-8000-00000000000${n}`, name, dueOn, isReady },
    ...{ bladeId: 'b', blade: 'Chef’s, 21 cm; thin', owner: n === 1 ? 'The tea room' : '' },
  })
  const due = [
    job(1, 'Knife\nBEGIN:VEVENT, for Monday; x', '2026-03-01', false),
    job(2, 'Ä'.repeat(110), '2026-12-31', true),
  ]
  const text = writeDueCalendar(due, new Date('2026-02-01T08:00:00Z'))
  const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((one) => new ICAL.Event(one))
  expect(events.map(({ uid }) => uid.slice(-1))).toEqual(['1', '2'])
  expect(events.map(({ summary }) => summary)).toEqual([
    'Due: Knife\nBEGIN:VEVENT, for Monday; x',
    `Ready: ${'Ä'.repeat(110)}`,
  ])
  expect(events.map(({ description }) => description)).toEqual([
    'Chef’s, 21 cm; thin, The tea room',
    'Chef’s, 21 cm; thin',
  ])
  expect(events.map(({ startDate }) => [startDate.toString(), startDate.isDate])).toEqual([
    ['2026-03-01', true],
    ['2026-12-31', true],
  ])
  expect(Math.max(...text.split('\r\n').map((line) => Buffer.byteLength(line)))).toBeLessThanOrEqual(75)
})
