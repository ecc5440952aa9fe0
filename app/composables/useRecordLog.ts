import { onMounted, shallowRef, toValue, watch, type MaybeRefOrGetter } from 'vue'
import { recordLog, type Recorded, type RecordLog } from '#core/exchange/api/recordLog'
import { ask } from '~/saving/api'

/** Everything that happened with a blade, a rig or a stone, on whatever job, as the server tells. */
export function useRecordLog(of: Recorded, id: MaybeRefOrGetter<string>) {
  const told = shallowRef<RecordLog | null>(null)
  const failed = shallowRef(false)
  async function load() {
    const answer = await ask(recordLog, `/api/record?of=${of}&id=${toValue(id)}`)
    failed.value = !answer.ok
    if (answer.ok) told.value = answer.value
  }
  onMounted(load)
  watch(() => toValue(id), load)
  return { told, failed, load }
}
