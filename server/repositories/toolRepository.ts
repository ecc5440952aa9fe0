import { isDeepStrictEqual } from 'node:util'
import { toolFile, type TakenIn, type ToolFile } from '../../core/exchange/toolFile'
import { rigMeasures } from '../../core/rig/rig'
import { stone } from '../../core/stone/stone'
import type { Database } from '../store/database'
import { keptRepository, type Content } from './keptRepository'

const CONTENT = { rigs: rigMeasures, stones: stone } as const

/** The rigs and stones that are not put away, without what only this copy of the data knows of them. */
export async function readTools(db: Database): Promise<ToolFile> {
  const content = async <K extends keyof typeof CONTENT>(kind: K) =>
    (await keptRepository(db, kind).list()).map((kept) => CONTENT[kind].parse(kept))
  return toolFile.parse({
    format: 'jaw-tilt-tools',
    version: 1,
    rigs: await content('rigs'),
    stones: await content('stones'),
  })
}

/**
 * Adds rigs and stones, all or none. What is here already to the last figure is left; another of the same name gets a
 * number.
 */
export async function takeInTools(db: Database, tools: ToolFile): Promise<TakenIn> {
  const count: TakenIn = { added: 0, already: 0 }
  await db.transaction(async (within) => {
    for (const kind of ['rigs', 'stones'] as const) {
      const repository = keptRepository(within as unknown as Database, kind)
      const here: Content[] = (await repository.list()).map((kept) => CONTENT[kind].parse(kept))
      for (const thing of tools[kind] as Content[]) {
        if (here.some((one) => isDeepStrictEqual(one, thing))) {
          count.already++
          continue
        }
        const named = { ...thing, name: nameBeside(thing.name, here) }
        await repository.create(named)
        here.push(named)
        count.added++
      }
    }
  })
  return count
}

/** The name, or with the lowest number behind it that nothing here has yet: "Plain No. 4 (2)". */
function nameBeside(name: string, here: readonly Content[]): string {
  const taken = new Set(here.map((one) => one.name))
  for (let i = 1; ; i++) {
    const tried = i === 1 ? name : `${name.slice(0, 74)} (${i})`
    if (!taken.has(tried)) return tried
  }
}
