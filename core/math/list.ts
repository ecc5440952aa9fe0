/** The element at a zero-based index. Throws a RangeError where the list has none: that is an error of the caller. */
export function nth<T>(list: ArrayLike<T>, index: number): T {
  const element = list[index]
  if (element === undefined) throw new RangeError(`There is no element ${index} in a list of ${list.length}.`)
  return element
}

/** The last element. Throws a RangeError for an empty list. */
export const lastOf = <T>(list: ArrayLike<T>): T => nth(list, list.length - 1)
