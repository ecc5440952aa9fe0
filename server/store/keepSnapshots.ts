import type { Database } from '../database/connection'
import { Copies } from './copies'
import { isDiskFull } from '../database/databaseErrors'
import type { OpenData } from './openData'
import { listSnapshots, readSnapshot, writeSnapshot, type Snapshot } from './snapshots'

/** At most so much is lost with a database that is harmed. */
const LEAST_BETWEEN_MS = 10 * 60_000
/** Where keeping one takes long, they are further apart: this share of the time goes into it at most. */
const MOST_SHARE = 1 / 50
const LOOK_EVERY_MS = 60_000

export interface KeptSnapshots {
  readonly given: Pick<OpenData, 'snapshot' | 'snapshots' | 'readSnapshot' | 'copies'>
  /** Something is not yet in a snapshot. */
  changed(): void
  /** Keeps a last one. */
  end(): Promise<void>
}

/** Keeps a snapshot every ten minutes in which something was changed, and one at the end. */
export function keepSnapshots(db: Database, folder: string, say: (line: string) => void): KeptSnapshots {
  const copies = new Copies(folder)
  let changed = true
  let notBefore = Date.now() + LEAST_BETWEEN_MS
  let keeping: Promise<Snapshot | null> | null = null
  async function keep(): Promise<Snapshot | null> {
    const begun = Date.now()
    changed = false
    try {
      const kept = await writeSnapshot(db, folder, new Date(begun))
      if (kept) copies.copy(kept)
      return kept
    } catch (error) {
      changed = true
      throw error
    } finally {
      keeping = null
      notBefore = Date.now() + Math.max(LEAST_BETWEEN_MS, (Date.now() - begun) / MOST_SHARE)
    }
  }
  const snapshot = () => (keeping ??= keep())
  const keepIfChanged = () =>
    changed
      ? snapshot().catch((error: unknown) =>
          say(`A snapshot could not be kept: ${isDiskFull(error) ? 'the disk is full' : String(error)}.`),
        )
      : null
  const looking = setInterval(() => Date.now() > notBefore && void keepIfChanged(), LOOK_EVERY_MS)
  looking.unref()
  return {
    given: {
      copies,
      snapshot,
      snapshots: () => listSnapshots(folder),
      readSnapshot: (name) => readSnapshot(folder, name),
    },
    changed: () => (changed = true),
    async end() {
      clearInterval(looking)
      await keepIfChanged()
    },
  }
}
