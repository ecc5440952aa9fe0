/**
 * Where in JSON a text stands that the database cannot keep: with a character NUL, or with half a surrogate pair; as a
 * dotted path, null where there is none. Names of fields count as texts.
 */
export function unkeepableText(value: unknown): string | null {
  const open: [path: string, value: unknown][] = [['', value]]
  for (;;) {
    const next = open.pop()
    if (!next) return null
    const [path, at] = next
    if (typeof at === 'string' && !isKeepable(at)) return path
    if (typeof at !== 'object' || at === null) continue
    for (const [key, inside] of Object.entries(at)) {
      if (!isKeepable(key)) return path
      if (typeof inside === 'string' || (typeof inside === 'object' && inside !== null))
        open.push([path === '' ? key : `${path}.${key}`, inside])
    }
  }
}

const isKeepable = (text: string): boolean => !text.includes('\0') && !HALF_A_PAIR.test(text)
/** With the u flag a pair counts as one character: what still is a surrogate stands alone. */
const HALF_A_PAIR = /\p{Surrogate}/u
