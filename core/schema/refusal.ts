import { failed, type Failure } from './result'

/** Why an angle or a setting does not exist. */
export type RefusalCode =
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
  | 'jaws-in-the-way'
  | 'stops-too-near'
  | 'slips-out'
  | 'false-edge'
  | 'flatter-than-primary'

/** No angle or setting: its figures hold what would have to be passed for one to exist (`limitMm`, `limitDeg`). */
export type Refusal = Failure<RefusalCode>

export const refuse = (
  code: RefusalCode,
  limits?: { readonly limitMm: number } | { readonly limitDeg: number },
): Refusal => failed(code, limits)
