import { computed } from 'vue'
import { doneWith, sameHold } from '#core/process/card/sameAgain'
import { useJob } from '~/job/useJob'
import { useCollections } from '~/stores/collections'

/** Other jobs with this blade on this rig, and which of those before it this one is held as. */
export function useSameAgain() {
  const job = useJob()
  const collections = useCollections()
  /** The latest first. */
  const others = computed(() => doneWith(collections.jobsByTime, job.content.value).filter((one) => one.id !== job.id))
  // Ids are made in order of time.
  const heldAs = computed(() => others.value.find((one) => one.id < job.id && sameHold(one, job.content.value)) ?? null)
  return { others, heldAs }
}
