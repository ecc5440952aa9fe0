import type { RecordOf } from '#core/records/storage/kinds'
import { useWords } from '~/words/useWords'
import { useCollections } from '~/stores/collections'
import type { Tool } from '~/stores/known'

/** Puts a record away, which can be taken back at once, or back on the shelf. */
export function useArchiving<K extends Tool>(kind: K) {
  const collections = useCollections()
  const toast = useToast()
  const words = useWords()
  async function shelve(record: RecordOf<K>, away: boolean): Promise<void> {
    const answer = await collections.putAway(kind, record, away)
    if (!answer.ok) toast.add({ title: words.problem(answer.problem), color: 'error' })
    else if (away)
      toast.add({
        title: `${record.name} archived`,
        actions: [{ label: 'Undo', onClick: () => void shelve(answer.value, false) }],
      })
  }
  /** The same by its id, back on the shelf. */
  function putBack(id: string): void {
    const record = collections.listOf(kind).find((one) => one.id === id)
    if (record) void shelve(record, false)
  }
  return { shelve, putBack }
}
