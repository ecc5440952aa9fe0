import equal from 'fast-deep-equal'
import { v7 as newId } from 'uuid'
import { handedOnStone, type TakenIn, type ToolFile } from '../../core/exchange/files/toolFile'
import { activeEntries } from '../../core/log/activeEntries'
import { wearEntry, wearLogOf } from '../../core/log/wearLog'
import { rigMeasures } from '../../core/records/rig/rig'
import type { Database } from '../database/connection'
import { append, listLog } from './logRepository'
import { recordRepository } from './recordRepository'

/** The rigs and stones that are not put away, without what only this copy of the data knows of them. */
export async function readTools(db: Database): Promise<ToolFile> {
  const rigs = await recordRepository(db, 'rigs').list()
  const stones = await recordRepository(db, 'stones').list()
  const log = activeEntries((await listLog(db, 0)).entries)
  return {
    format: 'jaw-tilt-tools',
    version: 2,
    rigs: rigs.records.map((rig) => rigMeasures.parse(rig)),
    stones: stones.records.map((stone) => handedOnStone.parse({ ...stone, log: wearLogOf(log, stone.id) })),
  }
}

/**
 * Adds rigs and stones, all or none. What is here already to the last figure is left; another of the same name gets a
 * number.
 */
export async function takeInTools(db: Database, tools: ToolFile): Promise<TakenIn> {
  const count: TakenIn = { added: 0, already: 0 }
  await db.transaction(async (tx) => {
    const here = await readTools(tx)
    const isNew = <T extends { name: string }>(record: T, those: T[]): T | null => {
      if (those.some((one) => equal(one, record))) {
        count.already++
        return null
      }
      count.added++
      const named = { ...record, name: nameBeside(record.name, those) }
      those.push(named)
      return named
    }
    for (const rig of tools.rigs) {
      const added = isNew(rig, here.rigs)
      if (added) await recordRepository(tx, 'rigs').create(added)
    }
    for (const stone of tools.stones) {
      const added = isNew(stone, here.stones)
      if (!added) continue
      const { log, ...content } = added
      const stoneId = newId()
      await recordRepository(tx, 'stones').create(content, stoneId)
      await append(
        tx,
        log.map((line) => wearEntry(stoneId, line, newId())),
      )
    }
  })
  return count
}

/** The name, or with the lowest number behind it that nothing here has yet: "Plain No. 4 (2)". */
function nameBeside(name: string, here: readonly { name: string }[]): string {
  const taken = new Set(here.map((one) => one.name))
  for (let i = 1; ; i++) {
    const tried = i === 1 ? name : `${name.slice(0, 74)} (${i})`
    if (!taken.has(tried)) return tried
  }
}
