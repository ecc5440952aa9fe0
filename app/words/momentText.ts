/** A moment as at this bench: "2026-05-01 14:30". */
export const momentText = (at: string): string =>
  new Date(at).toLocaleString('sv', { dateStyle: 'short', timeStyle: 'short' })
