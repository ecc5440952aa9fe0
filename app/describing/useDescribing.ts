import { computed } from 'vue'
import type { Kept } from '#core/kept/things'
import { sheetPath } from '~/stations'
import { useCollections } from '~/stores/collections'
import { useJob } from '~/job/useJob'

/**
 * The page on which a rig or a blade of the job is described: which one it begins as, by the address, and the way back
 * to its station.
 */
export function useDescribing<K extends 'rigs' | 'blades'>(kind: K, station: 'rig' | 'blade') {
  const route = useRoute()
  const router = useRouter()
  const job = useJob()
  const collections = useCollections()
  const from = computed(() => (collections[kind].find((one) => one.id === route.query.from) ?? null) as Kept<K> | null)
  const copy = computed(() => route.query.copy === '1')
  const key = computed(() => route.fullPath)
  const back = () => router.push(sheetPath(job.id, station))
  return { from, copy, key, back }
}
