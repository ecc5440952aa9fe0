import { ref } from 'vue'
import { bladePage, MOST_NAMED_AT_ONCE, type BladePage } from '#core/exchange/api/lists'
import { collectionOf, type Unreadable } from '#core/records/storage/stored'
import type { BladeRecord } from '#core/records/storage/kinds'
import { ask, type Answer } from '~/saving/api'
import { merged, queryOf, type AskedPart, type Known } from './known'

/** Blades as they were fetched again; `asked`: which were known before. */
export interface FetchedBlades {
  readonly asked: readonly string[]
  readonly records: BladeRecord[]
  readonly unreadable: Unreadable[]
}

/** The blades: thousands of them, fetched in parts as they are asked for. */
export function bladeList(known: Known) {
  const { all } = known
  /** How many there are in use, and how often those that are listed changed. */
  const inUse = ref(0)
  const changed = ref(0)

  const fetchNamed = (ids: readonly string[]) => ask(collectionOf('blades'), `/api/blades?ids=${ids.join(',')}`)
  async function fetchPart(asked: AskedPart): Promise<Answer<BladePage>> {
    const page = await ask(bladePage, `/api/blades?${queryOf(asked)}`)
    if (page.ok && !asked.away && !asked.search) inUse.value = page.value.total
    return page
  }
  /** Those that are known, and those that were in hand last, as they are now. */
  async function fetchKnown(): Promise<Answer<FetchedBlades>> {
    const ids = all.value.blades.map(({ id }) => id)
    const chunks = Array.from({ length: Math.ceil(ids.length / MOST_NAMED_AT_ONCE) }, (_, i) =>
      ids.slice(i * MOST_NAMED_AT_ONCE, (i + 1) * MOST_NAMED_AT_ONCE),
    )
    const [first, ...named] = await Promise.all([fetchPart({}), ...chunks.map(fetchNamed)])
    const failed = [first, ...named].find((answer) => !answer.ok)
    if (failed && !failed.ok) return failed
    const listed = [first, ...named].flatMap((answer) => (answer.ok ? answer.value : []))
    changed.value++
    return {
      ok: true,
      value: {
        asked: ids,
        records: [...new Map(listed.flatMap(({ records }) => records).map((one) => [one.id, one])).values()],
        unreadable: [...new Map(listed.flatMap((of) => of.unreadable).map((one) => [one.id, one])).values()],
      },
    }
  }
  /** What is known of them with what was fetched again: those that are no more are forgotten. */
  function knownWith(fetched: FetchedBlades, replaced = false): BladeRecord[] {
    const there = new Set(fetched.records.map(({ id }) => id))
    const gone = new Set(fetched.asked.filter((id) => !there.has(id)))
    const left = all.value.blades.filter(({ id }) => !gone.has(id))
    return merged(left, fetched.records, replaced)
  }
  /** A part of them: those in hand last, those in which words are found, or those put away. */
  async function find(asked: AskedPart): Promise<Answer<BladePage>> {
    const page = await fetchPart(asked)
    if (page.ok) known.learn('blades', page.value.records)
    return page
  }
  /** One that is named comes to be known; null where there is none that can be read. */
  async function learnOne(id: string): Promise<Answer<BladeRecord | null>> {
    const there = () => all.value.blades.find((one) => one.id === id) ?? null
    if (there()) return { ok: true, value: there() }
    const named = await fetchNamed([id])
    if (!named.ok) return named
    known.learn('blades', named.value.records)
    return { ok: true, value: there() }
  }
  /** One was kept, put away or put back: `by` how many more there are in use. */
  function noted(by: number) {
    inUse.value += by
    changed.value++
  }
  return { inUse, changed, fetchKnown, knownWith, find, learnOne, noted }
}
