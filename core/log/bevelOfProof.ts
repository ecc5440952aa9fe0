import type { LogEntry, Proof } from './entry'
import { steelStrokes } from './steelStrokes'

/** So well is a bevel known from how it was ground alone, half-width in degrees. A starting value, ours. */
const AS_SET_DEG = 0.5

/**
 * What a proof says of the edge bevel, ± its uncertainty, degrees: where the micro-bevel was proved, what the rig was
 * set to for the bevel behind it. Null where that is not known. Log: active entries with the blade, oldest first.
 */
export function bevelOfProof(
  log: readonly LogEntry[],
  { side, at, deg, uncertaintyDeg, setup }: Pick<Proof, 'side' | 'at' | 'deg' | 'uncertaintyDeg' | 'setup'>,
): { readonly deg: number; readonly uncertaintyDeg: number } | null {
  if (!setup?.forMicroBevel) return { deg, uncertaintyDeg }
  const bevel = steelStrokes(log).findLast((one) => one.side === side && one.at < at && !one.setup?.forMicroBevel)
  const setDeg = bevel?.setup?.setDeg[side] ?? null
  return setDeg === null ? null : { deg: setDeg, uncertaintyDeg: AS_SET_DEG }
}
