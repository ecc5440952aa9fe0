import { useEventListener, useTimeoutFn } from '@vueuse/core'
import { computed, onScopeDispose, shallowRef } from 'vue'
import { ofKind } from '#core/log/activeEntries'
import { logEntry, MOST_STROKES, type Strokes } from '#core/log/entry'
import { isOfUse } from '#core/log/stoneDone'
import { strokesBefore } from '#core/log/strokesMade'
import { isStrop } from '#core/steel/stones/orders'
import type { ZoneKind } from '#core/records/blade/zones'
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
  /** Each entry has a place of its own: another tab may count on this job as well. */
  const places = `jaw-tilt-strokes:${job.keptAs}:`
  const placeOf = ({ id }: Strokes) => places + id
  const open = shallowRef<Strokes | null>(null)
  const settle = useTimeoutFn(commit, SETTLED_MS, { immediate: false })

  function keep(entry: Strokes) {
    open.value = entry
    try {
      localStorage.setItem(placeOf(entry), JSON.stringify(entry))
    } catch {
      // A full storage is done without: what is counted then lasts as long as the page.
    }
  }
  function forget(entry: Strokes) {
    localStorage.removeItem(placeOf(entry))
    if (open.value?.id === entry.id) open.value = null
  }
  function commit() {
    settle.stop()
    if (open.value) record(open.value)
  }
  function record(entry: Strokes) {
    if (!job.entries.value.some(({ id }) => id === entry.id)) {
      const before = strokesBefore(job.entries.value, entry)
      const grown = { ...entry, count: entry.count + (before?.count ?? 0) }
      job.session.record('strokes', [grown], before ? [before.id] : [])
    }
    forget(entry)
  }
  for (const place of Object.keys(localStorage).filter((key) => key.startsWith(places))) {
    const left = logEntry.safeParse(parsed(localStorage.getItem(place)))
    if (left.success && left.data.kind === 'strokes') record(left.data)
    else localStorage.removeItem(place)
  }
  // Another tab that opens takes up what is counted here: what comes then, or came meanwhile, begins anew.
  useEventListener(window, 'storage', ({ key, oldValue, newValue }) => {
    const entry = open.value
    if (!entry || key !== placeOf(entry) || newValue !== null) return
    const taken = logEntry.safeParse(parsed(oldValue))
    const rest = entry.count - (taken.success && taken.data.kind === 'strokes' ? taken.data.count : 0)
    forget(entry)
    if (rest > 0) keep({ ...entry, id: job.newEntry().id, count: rest })
  })

  const isOnRod = (one: Strokes) =>
    isOfUse(one, { stoneId: job.content.value.stoneId, forMicroBevel: job.onRod.value.forMicroBevel })
  /** Where strokes go now: from heel to tip, null, or on one zone alone. */
  const zone = shallowRef<ZoneKind | null>(null)
  function workOn(where: ZoneKind | null) {
    commit()
    zone.value = where
  }
  /** Whether strokes go on with these: on the side that is up, where they go now, with the stone on the rod. */
  const isGoingOn = (one: Strokes) => one.side === job.side.value && isOnRod(one) && one.zone === zone.value

  function add(count: number) {
    if (open.value && !isGoingOn(open.value)) commit()
    const where = { side: job.side.value, zone: zone.value, strop: isStrop(job.stone.value) }
    const begun = { ...job.newEntry(), ...where, kind: 'strokes' as const, count: 0 }
    const now = open.value ?? begun
    keep({ ...now, count: Math.min(MOST_STROKES, now.count + count) })
    settle.start()
  }
  /** Takes so many back of those that are not in the log yet, as far as there are; answers how many. */
  function takeBackOpen(count: number): number {
    const entry = open.value
    if (!entry || !isGoingOn(entry)) return 0
    const taken = Math.min(entry.count, count)
    if (taken < entry.count) keep({ ...entry, count: entry.count - taken })
    else forget(entry)
    return taken
  }
  /** Takes one back, of those in the log too. */
  function takeBack() {
    if (takeBackOpen(1) > 0) return
    const last = made.value.findLast(isGoingOn)
    if (!last) return
    const { id } = job.newEntry()
    const rest = last.count - 1
    job.session.record('take a stroke back', rest > 0 ? [{ ...last, id, count: rest }] : [], [last.id])
  }

  /** Strokes in the log, oldest first: of a long blade those of the position that it is held in. */
  const made = computed(() => {
    const { position } = job.setNow.value
    const strokes = ofKind(job.entriesOfBlade.value, 'strokes')
    return strokes.filter(({ setup }) => position === null || setup?.position === position)
  })
  /** All strokes on a side with the stone on the rod, for what it is on for; those not in the log yet among them. */
  const strokesOn = (side: Side): Strokes[] =>
    [...made.value, ...(open.value ? [open.value] : [])].filter((one) => one.side === side && isOnRod(one))
  /** How many of them go from heel to tip, or on a zone alone. */
  const countOf = (side: Side, where: ZoneKind | null = null): number =>
    strokesOn(side).reduce((sum, one) => sum + (one.zone === where ? one.count : 0), 0)
  useEventListener(window, 'pagehide', commit)
  onScopeDispose(commit)
  return { zone, workOn, add, takeBack, takeBackOpen, commit, strokesOn, countOf }
}
