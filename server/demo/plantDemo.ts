import { keptRepository, type Content } from '../repositories/keptRepository'
import type { KeptByKind, KeptKind } from '../../core/kept/kept'
import { setup } from '../../core/setup/setup'
import type { Database } from '../store/database'
import { demoBlades } from './blades'
import { demoRigs } from './rigs'
import { demoSetups } from './setups'
import { demoStones } from './stones'

/** Plants the demo data in an empty database; one that holds anything is left as it is. */
export async function plantDemo(db: Database): Promise<void> {
  const existing = await Promise.all(
    (['rigs', 'blades', 'stones', 'setups'] as const).map((kind) => keptRepository(db, kind).list(true)),
  )
  if (existing.some((list) => list.length > 0)) return
  const keep = <K extends KeptKind>(kind: K) => planter(db, kind)
  const rigs = await each(demoRigs, keep('rigs'))
  const blades = await each(demoBlades, keep('blades'))
  const stones: KeptByKind['stones'][] = []
  for (const stone of demoStones) stones.push(await keep('stones')(stone))
  const stoneId = (number: number) => stones[number - 1]!.id
  for (const { rig, blade, stoneNumber, order = [], ...content } of demoSetups) {
    const things = {
      rigId: rigs[rig].id,
      rigRevision: rigs[rig].revision,
      bladeId: blades[blade].id,
      stoneId: stoneId(stoneNumber),
      progression: order.map(stoneId),
    }
    await keep('setups')(setup.parse({ ...content, ...things }))
  }
}

const planter =
  <K extends KeptKind>(db: Database, kind: K) =>
  async (content: Content): Promise<KeptByKind[K]> => {
    const written = await keptRepository(db, kind).create(content)
    if (!written.ok) throw new Error(`The demo’s ${kind} cannot be kept: ${written.why}`)
    return written.kept
  }

async function each<Key extends string, T>(
  contents: Record<Key, Content>,
  keep: (content: Content) => Promise<T>,
): Promise<Record<Key, T>> {
  const kept: Partial<Record<Key, T>> = {}
  for (const key of Object.keys(contents) as Key[]) kept[key] = await keep(contents[key])
  return kept as Record<Key, T>
}
