import { ICalCalendar, ICalEventBusyStatus } from 'ical-generator'
import type { DueJob } from '../api/today'

/**
 * The days on which jobs are wanted back, as an iCalendar file: whole days, one event a job. `now`: when it is written.
 * Source: RFC 5545.
 */
export function writeDueCalendar(due: readonly DueJob[], now: Date): string {
  const calendar = new ICalCalendar({ name: 'Jaw Tilt: due', prodId: { company: 'Jaw Tilt', product: 'due' } })
  for (const { jobId, name, dueOn, blade, owner, isReady } of due) {
    const whose = owner ? `${blade}, ${owner}` : blade
    calendar.createEvent({
      id: jobId,
      start: new Date(`${dueOn}T00:00:00Z`),
      stamp: now,
      allDay: true,
      timezone: 'UTC',
      summary: isReady ? `Ready: ${name}` : `Due: ${name}`,
      description: whose,
      busystatus: ICalEventBusyStatus.FREE,
    })
  }
  return calendar.toString()
}
