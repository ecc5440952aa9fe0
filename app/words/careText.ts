import type { Stone } from '#core/records/stone/stone'

/** How a stone is cleaned, dried and kept, by its kind. */
const CARE: Readonly<Record<Stone['kind'], string>> = {
  diamond: 'Rinse it, brush it with a drop of soap, and let it dry. It needs no oil.',
  water: 'Rinse the slurry off and let it dry slowly, out of the sun and away from frost and heaters.',
  oil: 'Wipe it with thin oil and a cloth, and keep it covered. No water.',
  ceramic: 'Scrub it under water with cleaning powder when it turns grey, and let it dry.',
  film: 'Wipe it, and the plate below it, clean and dry; change it when it is loaded or torn.',
  strop: 'Keep it apart from the stones, and covered: one grain on it scratches. Brush it; no water.',
}
export const stoneCareText = ({ kind }: Pick<Stone, 'kind'>): string => CARE[kind]
