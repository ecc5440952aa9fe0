/** Degrees to radians. Degrees are used at every boundary, radians only inside a function. */
export const radians = (degrees: number): number => (degrees * Math.PI) / 180

/** Radians to degrees. */
export const degrees = (radians: number): number => (radians * 180) / Math.PI
