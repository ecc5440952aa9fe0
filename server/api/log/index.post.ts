import { z } from 'zod'
import { logEntry, type LogEntry } from '../../../core/log/entry'
import type { TakenEntries } from '../../../core/log/stored'
import { checked } from '../../../core/schema/problem'
import { jsonBody } from '../../http/jsonBody'
import { parsed } from '../../http/refusal'
import { append } from '../../repositories/logRepository'
import { useDatabase } from '../../store/store'

const MOST_ENTRIES = 500
const sent = z.array(z.unknown()).max(MOST_ENTRIES)

/**
 * Takes entries in their order; one that was sent before is taken as well. One that is wrong does not keep the others
 * out.
 */
export default defineEventHandler(async (event): Promise<TakenEntries> => {
  const good: LogEntry[] = []
  const refused: TakenEntries['refused'] = []
  for (const one of parsed(sent, await jsonBody(event))) {
    const read = checked(logEntry, one)
    if (read.ok) good.push(read.value)
    else refused.push({ id: idOf(one), problems: read.problems })
  }
  await append(await useDatabase(), good)
  return { taken: good.map((entry) => entry.id), refused }
})

/** The id of what was sent, as far as it has one. */
function idOf(sent: unknown): string {
  const id = (sent as { id?: unknown } | null)?.id
  return typeof id === 'string' ? id : ''
}
