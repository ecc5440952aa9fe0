/** A storage in memory, as a browser has it; full when so many characters lie in it. */
export function memoryStorage(mostCharacters = Infinity): Storage {
  const items = new Map<string, string>()
  const size = () => [...items].reduce((sum, [key, value]) => sum + key.length + value.length, 0)
  return {
    get length() {
      return items.size
    },
    key: (i) => [...items.keys()][i] ?? null,
    getItem: (key) => items.get(key) ?? null,
    setItem(key, value) {
      const before = items.get(key)
      items.set(key, value)
      if (size() <= mostCharacters) return
      if (before === undefined) items.delete(key)
      else items.set(key, before)
      throw new DOMException('full', 'QuotaExceededError')
    },
    removeItem: (key) => void items.delete(key),
    clear: () => items.clear(),
  }
}
