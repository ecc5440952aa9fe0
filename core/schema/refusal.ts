/** Why an angle or a setting does not exist. Codes for the program, words for the person at the bench. */
export type Reason =
  | 'pivot-below-face'
  | 'edge-behind-pivot'
  | 'beyond-rod'
  | 'beyond-stop'
  | 'before-stop'
  | 'angle-out-of-range'
  | 'height-out-of-range'
  | 'setting-of-another-rig'
  | 'parallel-to-jaws'
  | 'into-jaws'
  | 'not-held'
  | 'jaws-reach-to'
  | 'stone-meets-jaws'
  | 'flatter-than-primary'

export interface Refusal {
  readonly ok: false
  readonly reason: Reason
  /**
   * What would have to be passed for a result to exist, in the quantity the reason is about (mm or °), where that is
   * known.
   */
  readonly limit?: number
}

/** A refusal with its reason; the limit is left out where none is known. */
export const refuse = (reason: Reason, limit?: number): Refusal =>
  limit === undefined ? { ok: false, reason } : { ok: false, reason, limit }
