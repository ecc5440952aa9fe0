import { ref, shallowRef } from 'vue'
import type { RecordOf } from '#core/records/storage/kinds'
import type { FieldProblem } from '#core/schema/problem'
import { useWords } from '~/words/useWords'
import { useCollections } from '~/stores/collections'
import type { Tool } from '~/stores/known'
import { RECORD_WORD } from '~/words/recordText'

/**
 * Keeps a described rig, blade, stone or instrument, over what it was (`from`) or as a new one (null). A change can be
 * undone; one that someone else made meanwhile is told, and written over when the user keeps again.
 */
export function useKeeping<K extends Tool>(kind: K, from: RecordOf<K> | null, changed: string) {
  const collections = useCollections()
  const toast = useToast()
  const words = useWords()
  const busy = ref(false)
  const failure = ref('')
  /** What the server refused, at its fields. */
  const refused = shallowRef<readonly FieldProblem[]>([])
  /** The version a save starts from: newer once someone else's was seen. */
  let before = from

  async function keep(content: object): Promise<RecordOf<K> | null> {
    failure.value = ''
    busy.value = true
    const was = before
    const answer = await collections.keep(kind, content, was)
    busy.value = false
    if (answer.ok) {
      if (was)
        toast.add({
          title: `${answer.value.name} ${changed}`,
          actions: [{ label: 'Undo', onClick: () => void collections.keep(kind, was, answer.value) }],
        })
      return answer.value
    }
    failure.value = words.problem(answer.problem)
    refused.value = answer.problem.fields
    if (answer.status === 409 && answer.problem.current) {
      before = answer.problem.current as RecordOf<K>
      failure.value = `This ${RECORD_WORD[kind]} was changed elsewhere. Save again to replace that with yours, or go back and look.`
    }
    return null
  }
  return { keep, busy, failure, refused }
}
