import { getQuery } from 'h3'
import { askedRecord } from '../../core/exchange/api/recordLog'
import { parsed } from '../http/refusal'
import { readRecord } from '../repositories/recordLog'
import { useDatabase } from '../store/store'

/** Everything that happened with a blade, a rig or a stone. */
export default defineEventHandler(async (event) => {
  const { of, id } = parsed(askedRecord, getQuery(event))
  return readRecord(await useDatabase(), of, id)
})
