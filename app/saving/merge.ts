import equal from 'fast-deep-equal'
import { nth } from '#core/math/list'

/** Two changes of one content, put together. */
export interface Merged<T> {
  /** What both changed in different ways, as dotted paths: here `mine` has one, `theirs` the other. */
  readonly clashes: readonly string[]
  readonly mine: T
  readonly theirs: T
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** What is not parted when two changes are put together. */
export interface Together {
  /** Parts that are one figure each, as dotted paths. */
  readonly whole: readonly string[]
  /** Fields that go with each other: where one of them clashes, each side keeps all of its own. */
  readonly follow: readonly string[]
}

/**
 * Three-way merge: what only one of the two changed since `base` is in both results. Objects with the same keys are
 * gone into; lists and objects of different kinds are one figure each.
 */
export function merged<T>(
  base: T,
  mine: T,
  theirs: T,
  { whole, follow }: Together = { whole: [], follow: [] },
): Merged<T> {
  const clashes: string[] = []
  const both = put(base, mine, theirs, '') as { mine: T; theirs: T }
  if (!clashes.some((path) => follow.includes(nth(path.split('.'), 0)))) return { clashes, ...both }
  const own = (of: T) => Object.fromEntries(follow.map((field) => [field, of[field as keyof T]]))
  return { clashes, mine: { ...both.mine, ...own(mine) }, theirs: { ...both.theirs, ...own(theirs) } }

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
