import equal from 'fast-deep-equal'

/** Two changes of one content, put together. */
export interface Merged<T> {
  /** What both changed in different ways, as dotted paths: here `mine` has one, `theirs` the other. */
  readonly clashes: readonly string[]
  readonly mine: T
  readonly theirs: T
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/**
 * Three-way merge: what only one of the two changed since `base` is in both results. Objects with the same keys are
 * gone into; lists, objects of different kinds and the parts named in `whole` (dotted paths) are one figure each.
 */
export function merged<T>(base: T, mine: T, theirs: T, whole: readonly string[]): Merged<T> {
  const clashes: string[] = []
  return { clashes, ...put(base, mine, theirs, '') } as Merged<T>

  function put(was: unknown, here: unknown, there: unknown, path: string): { mine: unknown; theirs: unknown } {
    if (equal(here, there) || equal(was, there)) return { mine: here, theirs: here }
    if (equal(was, here)) return { mine: there, theirs: there }
    if (isObject(was) && isObject(here) && isObject(there) && !whole.includes(path)) {
      const keys = Object.keys(was)
      if ([here, there].every((one) => equal(Object.keys(one).sort(), [...keys].sort()))) {
        const parts = keys.map((key) => [key, put(was[key], here[key], there[key], path ? `${path}.${key}` : key)])
        const pick = (of: 'mine' | 'theirs') =>
          Object.fromEntries(parts.map(([key, part]) => [key, (part as Record<typeof of, unknown>)[of]]))
        return { mine: pick('mine'), theirs: pick('theirs') }
      }
    }
    clashes.push(path)
    return { mine: here, theirs: there }
  }
}
