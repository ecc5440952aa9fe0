import { GRIT_STANDARDS, nearestGrit, type Grit } from '#core/records/stone/grit'
import type { Stone } from '#core/records/stone/stone'

/** A grain size to as many figures as a standard gives: "115 µm", "9.5 µm", "1.2 µm". */
export const grainText = (um: number): string => `${um >= 20 ? Math.round(um) : Math.round(um * 10) / 10} µm`

const gritText = (grit: Grit): string => `${grit.standard} ${grit.number}`

/** A stone's grit as printed and its grain. */
export const stoneGrainText = (stone: Pick<Stone, 'grit' | 'grainUm'>): string =>
  stone.grit ? `${gritText(stone.grit)}, ${grainText(stone.grainUm)}` : grainText(stone.grainUm)

/** What the other standards call this grain, as far as they have one near it. */
export const elsewhereText = (um: number, except: Grit['standard'] | null): string =>
  GRIT_STANDARDS.filter((standard) => standard !== except)
    .flatMap((standard) => nearestGrit(um, standard) ?? [])
    .map(gritText)
    .join(', ')
