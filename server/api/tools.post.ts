import { toolFile, toolFileOfToday } from '../../core/exchange/files/toolFile'
import { jsonBody } from '../http/jsonBody'
import { parsed } from '../http/refusal'
import { refuseSlotsBelowFace } from '../http/slots'
import { takeInTools } from '../repositories/toolRepository'
import { useDatabase } from '../store/store'

const MOST_TOOLS_BYTES = 5_000_000

/** Takes rigs and stones in, all or none. */
export default defineEventHandler(async (event) => {
  const tools = parsed(toolFile, toolFileOfToday(await jsonBody(event, MOST_TOOLS_BYTES)))
  const db = await useDatabase()
  await refuseSlotsBelowFace(
    db,
    tools.rigs.map((rig, i) => ({ rig, path: `rigs.${i}.` })),
    tools.stones,
  )
  return takeInTools(db, tools)
})
