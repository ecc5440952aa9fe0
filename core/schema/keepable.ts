import type { FieldProblem } from './problem'

/** Nothing that is kept here is nested half as deep. */
const MOST_LEVELS = 64

/**
 * Why JSON cannot be kept by the database, at a dotted path: a text with a character NUL or with half a surrogate pair
 * (names of fields count as texts), or nesting deeper than it can follow. Null where it can.
 */
export function unkeepable(value: unknown): FieldProblem | null {
  const open: [value: unknown, path: string, level: number][] = [[value, '', 0]]
  for (;;) {
    const next = open.pop()
    if (!next) return null
    const [at, path, level] = next
    if (typeof at === 'string' && !isKeepable(at)) return { field: path, code: 'text-unkeepable' }
    if (typeof at !== 'object' || at === null) continue
    if (level > MOST_LEVELS) return { field: path.split('.').slice(0, 3).join('.'), code: 'nested-too-deep' }
    for (const [key, inside] of Object.entries(at)) {
      if (!isKeepable(key)) return { field: path, code: 'text-unkeepable' }
      if (typeof inside === 'string' || (typeof inside === 'object' && inside !== null))
        open.push([inside, path === '' ? key : `${path}.${key}`, level + 1])
    }
  }
}

const isKeepable = (text: string): boolean => !text.includes('\0') && !HALF_A_PAIR.test(text)
/** With the u flag a pair counts as one character: what still is a surrogate stands alone. */
const HALF_A_PAIR = /\p{Surrogate}/u
