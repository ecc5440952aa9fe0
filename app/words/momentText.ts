/** Made once: making one takes longer than all that it writes on a page. */
const BENCH_TIME = new Intl.DateTimeFormat('sv', { dateStyle: 'short', timeStyle: 'short' })

/** A moment as at this bench: "2026-05-01 14:30"; what is no moment as it is. */
export function momentText(at: string): string {
  const moment = new Date(at)
  return Number.isNaN(moment.getTime()) ? at : BENCH_TIME.format(moment)
}
