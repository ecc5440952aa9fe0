import { ref } from 'vue'
import type { KeptByKind } from '#core/kept/kept'
import { useCollections, type Tool } from '~/stores/collections'

const WORD: Record<Tool, string> = { rigs: 'rig', blades: 'blade', stones: 'stone' }

/**
 * Keeps a described rig, blade or stone, over what it was (`from`) or as a new one (null). A change can be undone; one
 * that someone else made meanwhile is told, and written over when the user keeps again.
 */
export function useKeeping<K extends Tool>(kind: K, from: KeptByKind[K] | null, changed: string) {
  const collections = useCollections()
  const toast = useToast()
  const busy = ref(false)
  const failure = ref('')
  /** What the server refused, by dotted path. */
  const refused = ref<Record<string, string>>({})
  /** The version a save starts from: newer once someone else's was seen. */
  let before = from

  async function keep(content: object): Promise<KeptByKind[K] | null> {
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
    failure.value = answer.problem.message
    refused.value = Object.fromEntries(answer.problem.fields.map(({ field, message }) => [field, message]))
    if (answer.status === 409 && answer.problem.current) {
      before = answer.problem.current as KeptByKind[K]
      failure.value = `This ${WORD[kind]} was changed elsewhere meanwhile. Keep again to write yours over it, or go back and look.`
    }
    return null
  }
  return { keep, busy, failure, refused }
}
