/** One that watches: told each time something was changed, by the page that did it; and when the server ends. */
interface Watcher {
  changed(by: string): void
  end(): void
}

const watchers = new Set<Watcher>()

/** Tells all who watch that something was changed. */
export function announceChange(by: string): void {
  for (const watcher of watchers) watcher.changed(by)
}

/** Watches until what is answered is called. */
export function watchChanges(watcher: Watcher): () => void {
  watchers.add(watcher)
  return () => watchers.delete(watcher)
}

/** The server ends: nobody need wait for those who only watch. */
export function endWatching(): void {
  for (const watcher of watchers) watcher.end()
}
