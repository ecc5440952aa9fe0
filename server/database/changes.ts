/** One that watches: told each time something was changed, by the page that did it; and when the server ends. */
interface Watcher {
  changed(by: string): void
  end(): void
  /** Whether it may still: a device may have been shut out since it began. */
  mayWatch(): boolean
}

const watchers = new Set<Watcher>()

/** Tells all who watch here that something was changed. */
export function announceHere(by: string): void {
  endWhoMayNotWatch()
  for (const watcher of watchers) watcher.changed(by)
}

/** Ends it for all who may no longer watch. */
export function endWhoMayNotWatch(): void {
  for (const watcher of watchers) if (!watcher.mayWatch()) watcher.end()
}

let announce = announceHere
/** Where several processes have the data open: what is announced goes by way of what they share. */
export const tellOthersBy = (way: (by: string) => void) => void (announce = way)

/** Tells all who watch that something was changed. */
export const announceChange = (by: string): void => announce(by)

/** Watches until what is answered is called. */
export function watchChanges(watcher: Watcher): () => void {
  watchers.add(watcher)
  return () => watchers.delete(watcher)
}

/** The server ends: nobody need wait for those who only watch. */
export function endWatching(): void {
  for (const watcher of watchers) watcher.end()
}
