import { onScopeDispose, ref, shallowRef } from 'vue'
import { z } from 'zod'
import { broughtBack } from '#core/exchange/backup/backup'
import type { FileProblem, ReadFile } from '#core/exchange/files/fileProblem'
import { backupOfJob } from '#core/exchange/files/jobBackup'
import { lineOfField } from '#core/exchange/files/jsonFile'
import { takenIn, type ToolFile } from '#core/exchange/files/toolFile'
import type { Stone } from '#core/records/stone/stone'
import type { Problem } from '#core/schema/problem'
import { useReloadAll } from '~/job/reloadAll'
import { sheetPath } from '~/navigation/stations'
import { ask } from '~/saving/api'
import { useCollections } from '~/stores/collections'
import { useLog } from '~/stores/log'
import { usePreferences } from '~/stores/preferences'
import { goesElsewhere } from '~/words/fileWords'
import { skippedText } from '~/words/skippedText'
import { useWords } from '~/words/useWords'
import { kindOfFile } from '~/workers/kindOfFile'
import { readFileAside } from '~/workers/readFileAside'

const MOST_SHOWN = 6
/** The server takes no larger file of rigs and stones. */
const MOST_TOOL_BYTES = 5_000_000
/** Many pictures take their time. */
const IMPORTED_WITHIN_MS = 600_000
const LOOK_EVERY_MS = 400
const progress = z.object({ progress: z.object({ rows: z.number(), of: z.number() }).nullable() })

/** Imports a file for what its content says that it is: a backup, the record of a job, rigs and stones, or stones. */
export function useFileImport() {
  const words = useWords()
  const reloadAll = useReloadAll()
  const toast = useToast()
  const [collections, log, preferences] = [useCollections(), useLog(), usePreferences()]
  const done = ref('')
  const problems = ref<readonly string[]>([])
  /** The job that was imported, to be opened. */
  const job = ref<{ name: string; path: string } | null>(null)
  /** The fraction of a backup that is imported; null while the file is on its way. */
  const fraction = ref<number | null>(null)
  /** Cancels the import that is under way. */
  const underWay = shallowRef<AbortController | null>(null)
  let isShown = true
  onScopeDispose(() => (isShown = false))

  async function importFile(file: File): Promise<void> {
    done.value = ''
    problems.value = []
    job.value = null
    await importKind(file)
    // A backup opens the job anew, and the sheet that would have shown this with it.
    if (!isShown) toast.add({ title: [done.value, ...problems.value].join(' ') })
  }

  async function importKind(file: File): Promise<void> {
    const kind = await kindOfFile(file)
    switch (kind) {
      case 'backup':
        await importBackup(file, file.name)
        return
      case 'job':
        return importJob(file.name, await file.text())
      case 'tools':
      case 'stones':
        if (file.size > MOST_TOOL_BYTES)
          return refuse(file.name, [`It is larger than ${MOST_TOOL_BYTES / 1e6} MB: rigs and stones never are.`])
        return importTools(file.name, await file.text(), kind)
      default:
        problems.value = [goesElsewhere(file.name, kind), 'Nothing was changed.']
    }
  }

  async function importJob(name: string, text: string) {
    const read = await readFileAside(async (readers) => readers.readJobFile(text))
    if (!read.ok) return refuse(name, inLines(read))
    const { id, name: called } = read.content.job
    const backup = JSON.stringify(backupOfJob(read.content))
    if (await importBackup(new Blob([backup], { type: 'application/json' }), name))
      job.value = { name: called, path: sheetPath(id, 'clamp') }
  }

  async function importTools(name: string, text: string, kind: 'tools' | 'stones') {
    const read = await readFileAside<ReadFile<ToolFile | Stone[]>>((readers) =>
      kind === 'tools' ? readers.readToolFile(text) : readers.readStoneCsv(text),
    )
    if (!read.ok) return refuse(name, inLines(read))
    const { content } = read
    const tools = Array.isArray(content) ? { format: 'jaw-tilt-tools', version: 2, stones: content } : content
    const answer = await ask(takenIn, '/api/tools', 'POST', tools)
    if (!answer.ok) {
      const lineOf = kind === 'tools' ? (field: string) => lineOfField(text, field) : () => 1
      return refuse(name, said(answer.problem, lineOf))
    }
    const { added, already } = answer.value
    done.value = `${added} added${already > 0 ? `, ${already} were here already` : ''}.`
    await Promise.all([collections.load(), log.load()])
  }

  /** Adds what is missing here and what is newer; false where it was cancelled or refused, or rows were skipped. */
  async function importBackup(backup: Blob, name: string): Promise<boolean> {
    fraction.value = null
    const calling = (underWay.value = new AbortController())
    const looking = setInterval(() => void look(), LOOK_EVERY_MS)
    const answer = await ask(broughtBack, '/api/backup', 'POST', backup, IMPORTED_WITHIN_MS, calling.signal)
    clearInterval(looking)
    underWay.value = null
    if (calling.signal.aborted) {
      done.value = 'Cancelled. Nothing was changed.'
      return false
    }
    if (!answer.ok) {
      refuse(name, said(answer.problem))
      return false
    }
    const { added, updated, left, unreadable, skipped } = answer.value
    done.value = `${added} added, ${updated} updated, ${left} left as they are.`
    problems.value = [
      ...unreadable.map((one) => `“${one.name || one.id}” cannot be read by this version: it is kept as it is.`),
      ...skippedText(skipped, preferences.unit),
    ]
    await reloadAll()
    return skipped.count === 0
  }
  async function look() {
    const answer = await ask(progress, '/api/backup-progress')
    const came = answer.ok ? answer.value.progress : null
    fraction.value = came && came.of > 0 ? came.rows / came.of : null
  }

  function refuse(name: string, why: readonly string[]) {
    const more = why.length > MOST_SHOWN ? ['There is more.'] : []
    problems.value = [`${name} cannot be imported. Nothing was changed.`, ...why.slice(0, MOST_SHOWN), ...more]
  }
  /** What is wrong with a file that was read here, line by line. */
  function inLines(read: { code: 'takes-too-long' } | { code: 'invalid'; problems: readonly FileProblem[] }): string[] {
    if (read.code !== 'invalid') return [words.problem(read)]
    return read.problems.map(
      (one) => `Line ${one.line}${one.field ? `, ${one.field}` : ''}: ${words.problem(one, one.field)}`,
    )
  }
  /** What the server found wrong with it. */
  function said(problem: Problem, lineOf?: (field: string) => number): string[] {
    if (problem.fields.length === 0) return [words.problem(problem)]
    return problem.fields.map(
      (one) => `${lineOf ? `Line ${lineOf(one.field)}, ` : ''}${one.field}: ${words.problem(one, one.field)}`,
    )
  }
  return { importFile, done, problems, job, fraction, underWay }
}
