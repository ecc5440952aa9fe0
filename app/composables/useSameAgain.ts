import { computed } from 'vue'
import { doneWith, sameHold } from '#core/card/sameAgain'
import { useCollections } from '~/stores/collections'
import { useJob } from '~/stores/job'

/** Other jobs with this blade on this rig, and which of those before it this one is held as. */
export function useSameAgain() {
  const job = useJob()
  const collections = useCollections()
  /** The latest first. */
  const others = computed(() =>
    job.content ? doneWith(collections.jobsByTime, job.content).filter((one) => one.id !== job.id) : [],
  )
  // Ids are made in order of time.
  const heldAs = computed(() => others.value.find((one) => one.id < job.id! && sameHold(one, job.content!)) ?? null)
  return { others, heldAs }
}
