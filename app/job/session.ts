import { computed, ref, shallowRef } from 'vue'
import { useDebounceFn } from '@vueuse/core'
import equal from 'fast-deep-equal'
import { v7 as newId } from 'uuid'
import { job as jobSchema, type Job } from '#core/records/job/job'
import { RECORDS, versionOfKind, type JobRecord } from '#core/records/storage/kinds'
import type { LogEntry } from '#core/log/entry'
import { checked, type FieldProblem } from '#core/schema/problem'
import { readContent } from '#core/schema/versioned'
import type { Answer } from '~/saving/api'
import { autosave, type SaveState } from '~/saving/autosave'
import {
  applied,
  keepHistory,
  keptHistory,
  redo,
  stepBetween,
  undo,
  withStep,
  type History,
  type UndoStep,
} from '~/saving/history'
import { storageJournal } from '~/saving/journal'
import type { Together } from '~/saving/merge'

export interface SessionParts {
  /** Outlives the page; and as long as this tab. */
  readonly local: Storage
  readonly session: Storage
  send(content: Job, revision: number): Promise<Answer<JobRecord>>
  /** What the server has now. */
  fetch(): Promise<Answer<JobRecord>>
  /** Adds entries to the log. */
  append(entries: readonly LogEntry[]): void
  onSaved?(saved: JobRecord): void
  now(): Date
}

/** What went otherwise than a hand expects, for the interface to say. */
export type SessionNotice =
  /** The undo will not outlive the page: the browser's storage is full. */
  | { is: 'undo-ends-with-page' }
  /** A step could not be undone (or done again), for what it changed was changed elsewhere since. */
  | { is: 'step-no-longer-fits'; label: string }

/**
 * How a blade is held and what is dialled are one figure each: half of one hand's and half of another's is neither. And
 * where the two did not agree on them, they stay with the rig and the blade that they were meant for.
 */
const TOGETHER: Together = {
  whole: ['hold', 'dialled.A', 'dialled.B'],
  follow: ['rigId', 'rigRevision', 'jawsName', 'bladeId', 'hold', 'dialled', 'dialForMm', 'positions', 'setAside'],
}

const readJob = (value: unknown, version: number): Job | null => {
  const read = readContent(RECORDS.jobs, version, value)
  return read.ok ? read.content : null
}
const parseJob = (value: unknown): Job | null => readJob(value, versionOfKind('jobs'))

/** How long changes are gathered before they are sent, ms; the journal has them at once. */
const GATHER_MS = 150
/** The same while a hand drags: the frames are for what is drawn. */
const GESTURE_GATHER_MS = 600

/**
 * One opened job: its content, its saving and its undo. It is of this job for good: whatever is opened after it, its
 * changes go to its own place. Every change goes through `change`, every entry of its log through `record`.
 */
export function jobSession(kept: JobRecord, parts: SessionParts) {
  const { id } = kept
  const historyKey = `jaw-tilt-history:${id}`
  const content = shallowRef<Job>(jobSchema.parse(kept))
  const saveState = shallowRef<SaveState<Job>>({ is: 'saved' })
  const history = shallowRef<History>(keptHistory(parts.session, historyKey))
  const lastStep = ref('')
  const notice = shallowRef<SessionNotice | null>(null)

  /** The gesture that goes on, and the content it began with; none once another hand has changed something. */
  let begun: { readonly gesture: string; readonly content: Job } | null = null

  const journal = storageJournal(parts.local, `jaw-tilt-unsaved:${id}`, versionOfKind('jobs'), readJob)
  const saver = autosave<Job>(kept, {
    journal,
    parse: parseJob,
    together: TOGETHER,
    gatherMs: GATHER_MS,
    send: parts.send,
    onState: (state) => (saveState.value = state),
    onMerged(both) {
      begun = null
      content.value = both
    },
    onSaved: (revision, saved) =>
      parts.onSaved?.({ ...kept, ...saved, revision, updatedAt: parts.now().toISOString() }),
  })

  const unsaved = journal.read()
  if (unsaved) {
    content.value = unsaved.content
    void saver.takeUp(unsaved, kept)
  }

  /** This job was saved elsewhere: takes that over, unless there are changes here to be sent. */
  async function heard(revision: number) {
    if (saver.unsaved || revision <= saver.revision) return
    const answer = await parts.fetch()
    if (!answer.ok || saver.unsaved) return
    begun = null
    content.value = jobSchema.parse(answer.value)
    saver.adopt(answer.value)
  }

  /** Undo lasts over a reload. Written at once, or when a gesture rests. */
  function keepUndoNow() {
    if (!keepHistory(parts.session, historyKey, history.value)) notice.value = { is: 'undo-ends-with-page' }
  }
  const keepUndoLater = useDebounceFn(keepUndoNow, 250)
  const keepUndo = () => (history.value.done.at(-1)?.gesture ? void keepUndoLater() : keepUndoNow())

  function settle(next: Job, withHistory: History, isGesture = false) {
    const changed = !equal(content.value, next)
    begun = null
    content.value = next
    history.value = withHistory
    keepUndo()
    if (changed) void saver.change(next, isGesture ? GESTURE_GATHER_MS : undefined)
  }

  /**
   * Changes the job, keeps it and makes it undoable. Changes of one gesture are one step. Content that the schema
   * refuses is not taken; what is wrong comes back. What a gesture changes is within the limits of its drawing and is
   * taken as it is, many times a second: it is not parsed, and what it leaves alone stays the same object.
   */
  function change(label: string, patch: Partial<Job>, gesture: string | null = null): readonly FieldProblem[] {
    const before = content.value
    const read = gesture === null ? checked(jobSchema, { ...before, ...patch }) : null
    if (read && !read.ok) return read.problems
    const after = read ? read.value : { ...before, ...patch }
    lastStep.value = label
    const goingOn = gesture !== null && begun?.gesture === gesture ? begun : null
    const from = goingOn?.content ?? before
    const step = stepBetween(label, from, after, gesture)
    settle(after, withStep(history.value, step, goingOn !== null), gesture !== null)
    begun = gesture === null ? null : { gesture, content: from }
    return []
  }

  /** What an entry of the log says that is noted on this job now: of its blade, and the stone on the rod. */
  const newEntry = () => ({
    id: newId(),
    at: parts.now().toISOString(),
    jobId: id,
    bladeId: content.value.bladeId,
    stoneId: content.value.stoneId,
    instrumentId: null,
  })
  const retractionOf = (entryId: string): LogEntry => ({ ...newEntry(), stoneId: null, kind: 'retraction', entryId })

  /**
   * Adds entries to the log of this job and retracts others, with a change of the job that goes with it: one step that
   * can be undone.
   */
  function record(
    label: string,
    entries: readonly LogEntry[],
    retract: readonly string[] = [],
    patch: Partial<Job> = {},
  ): readonly FieldProblem[] {
    const before = content.value
    const read = checked(jobSchema, { ...before, ...patch })
    if (!read.ok) return read.problems
    const all = [...retract.map(retractionOf), ...entries]
    if (all.length === 0) return []
    parts.append(all)
    lastStep.value = label
    const step: UndoStep = { ...stepBetween(label, before, read.value), entries: all.map((entry) => entry.id) }
    settle(read.value, withStep(history.value, step))
    return []
  }

  /** Answers what was done, in words; null where nothing was. */
  function step(to: { history: History; step: UndoStep } | null, direction: 'back' | 'forth'): string | null {
    if (!to) return null
    const { label, entries } = to.step
    const next = parseJob(applied(content.value, to.step[direction]))
    if (!next) {
      notice.value = { is: 'step-no-longer-fits', label }
      // What stands on a step that cannot be taken cannot be taken either.
      history.value = direction === 'back' ? { ...history.value, done: [] } : { ...history.value, undone: [] }
      keepUndo()
      return null
    }
    lastStep.value = `${direction === 'back' ? 'Undone' : 'Done again'}: ${label}`
    if (entries) {
      // What it added is retracted; to do it again, those retractions are.
      const retractions = entries.map(retractionOf)
      parts.append(retractions)
      const turned = { ...to.step, entries: retractions.map((retraction) => retraction.id) }
      const stack = direction === 'back' ? 'undone' : 'done'
      settle(next, { ...to.history, [stack]: [...to.history[stack].slice(0, -1), turned] })
    } else settle(next, to.history)
    return lastStep.value
  }

  /**
   * Ends a conflict by what was changed here, or elsewhere; what only one hand changed stays either way. Taking the
   * other can be undone.
   */
  function resolve(keep: 'mine' | 'theirs') {
    const state = saveState.value
    if (state.is !== 'conflict') return
    const [mine, next] = [state.between.mine, jobSchema.parse(state.between[keep])]
    if (keep === 'theirs') history.value = withStep(history.value, stepBetween('take the other version', mine, next))
    content.value = next
    keepUndo()
    void saver.overwrite(next)
  }

  return {
    id,
    content,
    saveState,
    lastStep,
    notice,
    canUndo: computed(() => history.value.done.at(-1)?.label ?? null),
    canRedo: computed(() => history.value.undone.at(-1)?.label ?? null),
    change,
    newEntry,
    record,
    goBack: () => step(undo(history.value), 'back'),
    goForward: () => step(redo(history.value), 'forth'),
    resolve,
    heard,
    retry: () => saver.retry(),
    /** Sends what is pending and ends; what is not acknowledged stays in the journal. */
    close: () => saver.close(),
  }
}
export type JobSession = ReturnType<typeof jobSession>
