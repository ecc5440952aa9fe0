/** A mean square as decibels of full scale; silence is −140 dB. */
export const decibel = (power: number): number => 10 * Math.log10(Math.max(power, 1e-14))
