/** A sentence as the second half of one: "The rod is short." becomes "the rod is short". */
export const uncapital = (sentence: string): string =>
  `${sentence.charAt(0).toLowerCase()}${sentence.slice(1).replace(/\.$/, '')}`
/** The second half of a sentence as one of its own, without its full stop. */
export const capital = (half: string): string => `${half.charAt(0).toUpperCase()}${half.slice(1)}`
