import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { useDebounceFn } from '@vueuse/core'
import { keptJob } from '#core/kept/kept'
import { setup as jobSchema, type Job } from '#core/job/job'
import { ask } from '~/saving/api'
import { autosave, type Autosave, type SaveState } from '~/saving/autosave'
import { emptyHistory, redo as redone, undo as undone, withStep, type History } from '~/saving/history'
import { storageJournal } from '~/saving/journal'
import { useCollections } from './collections'

const historyKey = (id: string) => `jaw-tilt-history:${id}`
const journalKey = (id: string) => `jaw-tilt-unsaved:${id}`

const parseContent = (value: unknown): Job | null => {
  const parsed = jobSchema.safeParse(value)
  return parsed.success ? parsed.data : null
}

/** The job on the bench: its content, its saving and its undo. Every change goes through `change`. */
export const useJob = defineStore('job', () => {
  const collections = useCollections()
  const id = ref<string | null>(null)
  const content = shallowRef<Job | null>(null)
  const saveState = shallowRef<SaveState<Job>>({ is: 'saved' })
  const history = shallowRef<History<Job>>(emptyHistory())
  const missing = ref(false)
  const lastStep = ref('')
  let saver: Autosave<Job> | null = null
  let channel: BroadcastChannel | null = null

  /** Opens a job: what the server has, or the newer unsaved change that this browser still holds. */
  async function open(jobId: string) {
    close()
    missing.value = false
    const answer = await ask(keptJob, `/api/jobs/${jobId}`)
    if (!answer.ok) {
      missing.value = true
      return
    }
    const kept = answer.value
    const journal = storageJournal(localStorage, journalKey(jobId), parseContent)
    id.value = jobId
    saver = autosave<Job>(kept.revision, {
      journal,
      parse: parseContent,
      gatherMs: 150,
      send: (changed, revision) => ask(keptJob, `/api/jobs/${jobId}`, 'PUT', { ...changed, revision }),
      // A job that was left may still be sending its last change.
      onState: (state) => id.value === jobId && (saveState.value = state),
      onSaved: (revision, saved) => {
        channel?.postMessage({ id: jobId, revision })
        collections.noteSaved({ ...kept, ...saved, revision, updatedAt: new Date().toISOString() })
      },
    })
    content.value = jobSchema.parse(kept)
    saveState.value = { is: 'saved' }
    history.value = storedHistory(jobId)
    listen(jobId)
    const unsaved = journal.read()
    if (!unsaved) return
    content.value = unsaved.content
    void saver.takeUp(unsaved, kept)
  }

  /** Another tab saved this job: take its version over, unless there are changes here to be sent. */
  function listen(jobId: string) {
    channel = new BroadcastChannel('jaw-tilt-jobs')
    channel.onmessage = async ({ data }: MessageEvent<{ id: string; revision: number }>) => {
      if (data.id !== jobId || !saver || saver.unsaved || data.revision <= saver.revision) return
      const answer = await ask(keptJob, `/api/jobs/${jobId}`)
      if (answer.ok && saver && !saver.unsaved) adopt(answer.value)
    }
  }

  function adopt(kept: Job & { revision: number }) {
    content.value = jobSchema.parse(kept)
    saver?.adopt(kept.revision)
  }

  function close() {
    void saver?.close()
    channel?.close()
    saver = channel = null
    id.value = content.value = null
    history.value = emptyHistory()
  }

  /**
   * Changes the job, keeps it and makes it undoable. Changes of one gesture (a drag, a held key) are one step.
   * Content that the schema refuses is not taken; the message comes back.
   */
  function change(label: string, patch: Partial<Job>, gesture: string | null = null): string | null {
    const before = content.value
    if (!before) return null
    const parsed = jobSchema.safeParse({ ...before, ...patch })
    if (!parsed.success) return parsed.error.issues[0]?.message ?? 'This cannot be kept.'
    lastStep.value = label
    settle(parsed.data, withStep(history.value, { label, before, after: parsed.data, gesture }))
    return null
  }

  function settle(next: Job, withHistory: History<Job>) {
    content.value = next
    history.value = withHistory
    void keepHistory()
    void saver?.change(next)
  }

  /** Undo lasts over a reload. Written once a gesture rests, for it is long. */
  const keepHistory = useDebounceFn(() => {
    if (!id.value) return
    try {
      sessionStorage.setItem(historyKey(id.value), JSON.stringify(history.value))
    } catch {
      // Undo then lasts until the page is left.
    }
  }, 250)

  const goBack = () => step(undone(history.value), 'Undone')
  const goForward = () => step(redone(history.value), 'Done again')
  function step(to: ReturnType<typeof undone<Job>>, word: string) {
    if (!to) return
    lastStep.value = `${word}: ${to.label}`
    settle(to.content, to.history)
  }

  /** Ends a conflict by keeping what stands here, or by taking the other version; either can be undone. */
  function resolve(keep: 'mine' | 'theirs') {
    const state = saveState.value
    const mine = content.value
    if (state.is !== 'conflict' || !mine || !saver) return
    if (keep === 'mine') return void saver.overwrite(state.theirs.revision, mine)
    const theirs = jobSchema.parse(state.theirs)
    history.value = withStep(history.value, {
      label: 'take the other version',
      before: mine,
      after: theirs,
      gesture: null,
    })
    adopt(state.theirs)
  }

  const canUndo = computed(() => history.value.done.at(-1)?.label ?? null)
  const canRedo = computed(() => history.value.undone.at(-1)?.label ?? null)
  const retry = () => saver?.retry()
  return {
    id,
    content,
    saveState,
    missing,
    lastStep,
    canUndo,
    canRedo,
    open,
    close,
    change,
    goBack,
    goForward,
    resolve,
    retry,
  }
})

/** The undo steps of this tab's session, so that a reload does not end them. */
function storedHistory(jobId: string): History<Job> {
  try {
    return (JSON.parse(sessionStorage.getItem(historyKey(jobId)) ?? 'null') as History<Job> | null) ?? emptyHistory()
  } catch {
    return emptyHistory()
  }
}
