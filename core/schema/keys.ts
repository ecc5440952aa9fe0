/** The keys of a table that was written with these and no others, in their order. */
export const keysOf = <K extends string>(table: Readonly<Record<K, unknown>>): K[] => Object.keys(table) as K[]

/** A table with a value for each key. */
export const tableOf = <K extends string, V>(keys: readonly K[], valueOf: (key: K) => V): Record<K, V> =>
  Object.fromEntries(keys.map((key) => [key, valueOf(key)])) as Record<K, V>

/** Whether a word is one of these. */
export const isOneOf = <K extends string>(words: readonly K[], word: unknown): word is K =>
  words.some((one) => one === word)
