import { defineStore } from 'pinia'
import { ref, shallowRef, watch } from 'vue'
import { recordSchema } from '#core/records/storage/kinds'
import type { Problem } from '#core/schema/problem'
import { jobSession, type JobSession } from './session'
import { ask } from '~/saving/api'
import { useCollections } from '~/stores/collections'
import { useLog } from '~/stores/log'

/**
 * Which job is open. Opening takes a while: whatever was opened last is what stands here, however the answers come, and
 * nothing is open in between.
 */
export const useOpenJob = defineStore('openJob', () => {
  const collections = useCollections()
  const log = useLog()
  const session = shallowRef<JobSession | null>(null)
  /** Why the job that was asked for is not open. */
  const problem = shallowRef<Problem | null>(null)
  const opening = ref<string | null>(null)
  let latest = 0
  let channel: BroadcastChannel | null = null

  const fetchJob = (id: string) => ask(recordSchema('jobs'), `/api/jobs/${id}`)

  /** Opens a job: what the server has, or the newer unsaved change that this browser still holds. */
  async function open(id: string) {
    close()
    const mine = ++latest
    opening.value = id
    const answer = await fetchJob(id)
    // Another was opened, or this one was left, while the answer was under way.
    if (mine !== latest) return
    if (!answer.ok) {
      opening.value = null
      return void (problem.value = answer.problem)
    }
    const { rigId, bladeId } = answer.value
    await collections.learnAround({ jobId: id, rigId, bladeId })
    if (mine !== latest) return
    collections.learn(answer.value)
    const opened = jobSession(answer.value, {
      local: localStorage,
      session: sessionStorage,
      send: (content, revision) => ask(recordSchema('jobs'), `/api/jobs/${id}`, 'PUT', { ...content, revision }),
      fetch: () => fetchJob(id),
      append: log.append,
      now: () => new Date(),
      onSaved(saved) {
        collections.noteSaved(saved)
        channel?.postMessage({ id, revision: saved.revision })
      },
    })
    // What this browser still holds may name another blade.
    const blade = await collections.learnBlade(opened.content.value.bladeId)
    if (mine !== latest) return void opened.close()
    if (!blade.ok) {
      opening.value = null
      void opened.close()
      return void (problem.value = blade.problem)
    }
    channel = new BroadcastChannel('jaw-tilt-jobs')
    channel.onmessage = ({ data }: MessageEvent<{ id: string; revision: number }>) => {
      if (data.id === id) void opened.heard(data.revision)
    }
    opening.value = null
    session.value = opened
  }

  // Another rig or blade: what bears on the job with it.
  watch(
    () =>
      session.value &&
      ([session.value.id, session.value.content.value.rigId, session.value.content.value.bladeId] as const),
    (now, before) => {
      if (!now || !before || now[0] !== before[0] || (now[1] === before[1] && now[2] === before[2])) return
      void collections.learnAround({ jobId: now[0], rigId: now[1], bladeId: now[2] })
    },
  )

  /** Ends what is open, or being opened. */
  function close() {
    latest++
    void session.value?.close()
    channel?.close()
    channel = session.value = problem.value = opening.value = null
  }

  return { session, problem, opening, open, close }
})
