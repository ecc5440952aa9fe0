/** The element at an index counted from nought. An index outside the list is an error of the caller, and is thrown. */
export function nth<T>(list: ArrayLike<T>, index: number): T {
  const element = list[index]
  if (element === undefined) throw new RangeError(`There is no element ${index} in a list of ${list.length}.`)
  return element
}

/** The last element of a list that is not empty; an empty list is an error of the caller, and is thrown. */
export const lastOf = <T>(list: ArrayLike<T>): T => nth(list, list.length - 1)
