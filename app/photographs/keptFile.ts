import { del, get, set } from 'idb-keyval'

/**
 * A file that was chosen for a description, kept in this browser until the description is. A browser that keeps no
 * files does without: what was said of it is kept all the same.
 */
export function keptFile(key: string) {
  const place = `jaw-tilt-file:${key}`
  return {
    read: () => get<File>(place).catch(() => undefined),
    keep: (file: File) => set(place, file).catch(() => {}),
    forget: () => del(place).catch(() => {}),
  }
}
