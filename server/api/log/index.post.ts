import { z } from 'zod'
import { rawOf } from '../../../core/schema/versioned'
import type { LogEntry } from '../../../core/log/entry'
import { readEntry, sentEntry, type ReadEntry, type TakenEntries } from '../../../core/log/stored'
import type { FieldProblem } from '../../../core/schema/problem'
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
    const stored = sentEntry(one)
    const read = stored && readEntry(stored)
    if (read?.ok) good.push(read.entry)
    else refused.push({ id: idOf(one), problems: read ? problemsOf(read) : [{ field: '', code: 'wrong-kind' }] })
  }
  await append(await useDatabase(), good)
  return { taken: good.map((entry) => entry.id), refused }
})

/** What is wrong with an entry, by the fields of its content. */
const problemsOf = ({ problems, unreadable }: Exclude<ReadEntry, { ok: true }>): FieldProblem[] =>
  problems.length > 0
    ? [...problems]
    : [{ field: '', code: unreadable.why === 'later-version' ? 'later-version' : 'wrong-kind' }]

/** The id of what was sent, as far as it has one. */
function idOf(sent: unknown): string {
  const id = rawOf(sent).id
  return typeof id === 'string' ? id : ''
}
