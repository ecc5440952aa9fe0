/** What a text kept in the browser says; null where it is none, or no JSON. */
export function parsed(text: string | null): unknown {
  try {
    return JSON.parse(text || 'null')
  } catch {
    return null
  }
}
