import { computed, ref, watch } from 'vue'
import { useCollections } from '~/stores/collections'

/** The page on which a rig or a blade is described: which one it begins as, by the address, and the way back. */
export function useDescribing<K extends 'rigs' | 'blades'>(kind: K, backTo: string) {
  const route = useRoute()
  const router = useRouter()
  const collections = useCollections()
  const from = computed(() => collections.listOf(kind).find((one) => one.id === route.query.from) ?? null)
  /** False while what it begins as is being fetched. */
  const ready = ref(false)
  watch(
    () => [route.query.from, collections.loaded] as const,
    async ([id, loaded]) => {
      if (!loaded) return
      if (kind === 'blades' && typeof id === 'string' && !from.value) await collections.learnBlade(id)
      ready.value = true
    },
    { immediate: true },
  )
  const copy = computed(() => route.query.copy === '1')
  const key = computed(() => route.fullPath)
  const back = () => router.push(backTo)
  return { from, copy, key, ready, back }
}

/** The address of a page on which a record is described, beginning as another one. */
export const describingAt = (path: string, from: { id: string } | null, copy: boolean) => ({
  path,
  query: { ...(from ? { from: from.id } : {}), ...(copy ? { copy: '1' } : {}) },
})
