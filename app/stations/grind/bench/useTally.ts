import { useEventListener, useTimeoutFn } from '@vueuse/core'
import { computed, onScopeDispose, shallowRef } from 'vue'
import { ofKind } from '#core/log/activeEntries'
import { logEntry, MOST_STROKES, type Strokes } from '#core/log/entry'
import { strokesBefore, strokesMade } from '#core/log/strokesMade'
import type { Side } from '#core/records/common/side'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'
import { parsed } from '~/saving/parsed'

/** Strokes go to the log when none has come for so long. */
const SETTLED_MS = 4000

/**
 * Strokes that are being counted: each press is kept in this browser at once, and they go to the log together when the
 * hand pauses, turns the blade or changes the stone. What a page left that ended is taken up by the next one, and it
 * is there once however often it is sent: it has its id from its first stroke on.
 */
export const useTally = () => useJob().share(tally)

function tally(job: JobView) {
  const place = `jaw-tilt-strokes:${job.keptAs}`
  const open = shallowRef<Strokes | null>(null)
  const settle = useTimeoutFn(commit, SETTLED_MS, { immediate: false })

  function keep(entry: Strokes | null) {
    open.value = entry
    try {
      if (entry) localStorage.setItem(place, JSON.stringify(entry))
      else localStorage.removeItem(place)
    } catch {
      // A full storage is done without: what is counted then lasts as long as the page.
    }
  }
  function commit() {
    settle.stop()
    const entry = open.value
    if (!entry) return
    if (!job.entries.value.some(({ id }) => id === entry.id)) {
      const before = strokesBefore(job.entries.value, entry)
      job.session.record(
        'strokes',
        [{ ...entry, count: entry.count + (before?.count ?? 0) }],
        before ? [before.id] : [],
      )
    }
    keep(null)
  }
  const left = logEntry.safeParse(parsed(localStorage.getItem(place)))
  if (left.success && left.data.kind === 'strokes') {
    open.value = left.data
    commit()
  }

  /** Adds strokes on the side that is up, with the stone on the rod; fewer than none takes so many back. */
  function add(count: number) {
    const { side } = job
    const stoneId = job.content.value.stoneId
    if (open.value && (open.value.side !== side.value || open.value.stoneId !== stoneId)) commit()
    const now = open.value
    const next = (now?.count ?? 0) + count
    if (next > 0) {
      const entry = now ?? { ...job.newEntry(), kind: 'strokes' as const, side: side.value, count: 0, zone: null }
      keep({ ...entry, count: Math.min(MOST_STROKES, next) })
      settle.start()
      return
    }
    keep(null)
    if (next < 0) takeBack(-next)
  }
  /** Takes strokes back that are in the log already. */
  function takeBack(count: number) {
    const last = ofKind(job.entriesOfBlade.value, 'strokes').findLast(
      (one) => one.side === job.side.value && one.stoneId === job.content.value.stoneId && one.zone === null,
    )
    if (!last) return
    const { id } = job.newEntry()
    const rest = last.count - count
    job.session.record('take strokes back', rest > 0 ? [{ ...last, id, count: rest }] : [], [last.id])
  }

  /** Full strokes on a side with a stone, those that are not in the log yet among them. */
  const made = computed(() => strokesMade(ofKind(job.entriesOfBlade.value, 'strokes')))
  function countOf(side: Side, stoneId: string): number {
    const now = open.value?.side === side && open.value.stoneId === stoneId ? open.value.count : 0
    return (made.value.find((one) => one.stoneId === stoneId)?.full[side] ?? 0) + now
  }
  useEventListener(window, 'pagehide', commit)
  onScopeDispose(commit)
  return { add, commit, countOf }
}
