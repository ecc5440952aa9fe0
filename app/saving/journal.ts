/**
 * Changes not yet acknowledged by the server, kept in this browser so that a crash, a closed tab or a full disk loses
 * nothing.
 */
export interface Journal<T> {
  read(): Unsaved<T> | null
  write(unsaved: Unsaved<T>): void
  clear(): void
}

export interface Unsaved<T> {
  /** The revision the changes started from. */
  revision: number
  /** What the server had at that revision; null where that is not known. */
  base: T | null
  content: T
  /** What was sent from that revision and not acknowledged: the server may have it all the same. */
  unheard: readonly T[]
}

/**
 * A journal in a storage such as localStorage. `version` is the one that contents are written in; `parse` reads one of
 * any version so far. A storage that is full or switched off is done without.
 */
export function storageJournal<T>(
  storage: Storage,
  key: string,
  version: number,
  parse: (value: unknown, version: number) => T | null,
): Journal<T> {
  return {
    read() {
      try {
        const stored = JSON.parse(storage.getItem(key) ?? 'null') as
          (Partial<Unsaved<unknown>> & { version?: number }) | null
        // The first version did not say that it was.
        const read = (value: unknown) => parse(value, stored?.version ?? 1)
        const content = stored && read(stored.content)
        if (!content || typeof stored.revision !== 'number') return null
        return {
          revision: stored.revision,
          base: stored.base ? read(stored.base) : null,
          content,
          unheard: (stored.unheard ?? []).map(read).filter((one) => one !== null),
        }
      } catch {
        return null
      }
    },
    write(unsaved) {
      try {
        storage.setItem(key, JSON.stringify({ ...unsaved, version }))
      } catch {
        // The server still gets the change; only the second copy is missing.
      }
    },
    clear: () => storage.removeItem(key),
  }
}
