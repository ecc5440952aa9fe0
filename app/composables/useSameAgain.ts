import { computed } from 'vue'
import { doneWith, heldAlike } from '#core/card/sameAgain'
import { useCollections } from '~/stores/collections'
import { useJob } from '~/stores/job'

/** Earlier jobs with this blade on this rig, and which of them this one is held as. */
export function useSameAgain() {
  const job = useJob()
  const collections = useCollections()
  /** The latest first. */
  const earlier = computed(() => (job.content ? doneWith(collections.jobsByTime, job.content).filter((one) => one.id !== job.id) : []))
  const heldAs = computed(() => earlier.value.find((one) => heldAlike(one, job.content!)) ?? null)
  return { earlier, heldAs }
}
