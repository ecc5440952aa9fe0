/** The element at a zero-based index. Throws a RangeError where the list has none: that is an error of the caller. */
export function nth<T>(list: ArrayLike<T>, index: number): T {
  const element = list[index]
  if (element === undefined) throw new RangeError(`There is no element ${index} in a list of ${list.length}.`)
  return element
}

/** What comes of both of a pair. */
export const bothOf = <T, U>(pair: readonly [T, T], of: (one: T, index: 0 | 1) => U): [U, U] => [
  of(pair[0], 0),
  of(pair[1], 1),
]

/** Those that have the same key together, in their order. */
export function groupedBy<T, K>(list: readonly T[], keyOf: (one: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>()
  for (const one of list) {
    const of = groups.get(keyOf(one))
    if (of) of.push(one)
    else groups.set(keyOf(one), [one])
  }
  return groups
}

/** The last element. Throws a RangeError for an empty list. */
export const lastOf = <T>(list: ArrayLike<T>): T => nth(list, list.length - 1)
