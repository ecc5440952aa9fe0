/** An edge angle, degrees, how sure (half-width, 95 in 100), and which of the four it is. */
export interface EdgeAngleThere {
  readonly deg: number
  readonly uncertaintyDeg: number
  readonly by: 'proved' | 'set'
}

/**
 * The edge angle at a place of one side: what is set there, moved by as much as the steel differs from what is set
 * where it was proved. As proved where nothing is set there; null where neither is known.
 */
export function edgeAngleThere(
  setDeg: { readonly here: number | null; readonly whereProved: number | null; readonly uncertaintyDeg: number },
  proved: { readonly deg: number; readonly uncertaintyDeg: number } | null,
): EdgeAngleThere | null {
  const { here, whereProved, uncertaintyDeg } = setDeg
  if (!proved) return here === null ? null : { deg: here, uncertaintyDeg, by: 'set' }
  const along = here === null || whereProved === null ? 0 : here - whereProved
  return { deg: proved.deg + along, uncertaintyDeg: proved.uncertaintyDeg, by: 'proved' }
}
