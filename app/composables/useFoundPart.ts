import { computed, shallowRef, watch, type MaybeRefOrGetter, toValue } from 'vue'
import { LISTED_AT_ONCE, MOST_LISTED_AT_ONCE } from '#core/exchange/api/lists'
import type { Problem } from '#core/schema/problem'
import type { Answer } from '~/saving/api'
import type { AskedPart } from '~/stores/known'

interface Part {
  readonly records: readonly { id: string }[]
  readonly total: number
  readonly next: string | null
}

/**
 * A list that comes in parts: those in which words are found, or all; `asked` null: nothing is looked for. It is looked
 * for anew with each change of that and of what `again` watches, as many as were shown; more come by `more`.
 */
export function useFoundPart<P extends Part>(
  find: (asked: AskedPart) => Promise<Answer<P>>,
  asked: MaybeRefOrGetter<AskedPart | null>,
  again: () => unknown = () => null,
) {
  const part = shallowRef<P | null>(null)
  const ids = shallowRef<readonly string[]>([])
  /** Why nothing could be looked for. */
  const problem = shallowRef<Problem | null>(null)
  let latest = 0
  async function look(from: string | null, atLeast = 0) {
    const mine = ++latest
    const now = toValue(asked)
    if (!now) return void (part.value = problem.value = null)
    const { limit = LISTED_AT_ONCE, ...rest } = now
    const answer = await find({ ...rest, from, limit: Math.max(limit, atLeast) })
    // Something else was looked for meanwhile.
    if (mine !== latest) return
    problem.value = answer.ok ? null : answer.problem
    if (!answer.ok) return
    const found = answer.value.records.map(({ id }) => id)
    ids.value = from === null ? found : [...new Set([...ids.value, ...found])]
    part.value = answer.value
  }
  watch(
    () => JSON.stringify(toValue(asked)),
    () => void look(null),
    { immediate: true },
  )
  watch(again, () => void look(null, Math.min(ids.value.length, MOST_LISTED_AT_ONCE)))
  return {
    part,
    ids,
    problem,
    left: computed(() => (part.value ? part.value.total - ids.value.length : 0)),
    more: () => void look(part.value?.next ?? null),
  }
}
