import type { Blade } from '../records/blade/blade'

/** What harms an edge, as its owner can avoid it. */
const HARMS = ['pull-through', 'hard-plates', 'dishwasher', 'bones', 'prying', 'left-wet'] as const
export type Harm = (typeof HARMS)[number]

/** Harder than this a blade chips rather than bends, HRC; flatter than this an edge is too thin for bones, degrees. */
const [BRITTLE_HRC, THIN_DEG] = [62, 22]

/**
 * What a blade is to be kept off, the worst first. `apexDeg`: the angle of its apex, degrees per side; null where it is
 * not known. Source: docs/use.md, "What an edge is kept off".
 */
export function keptOff({ work, hardnessHrc }: Pick<Blade, 'work' | 'hardnessHrc'>, apexDeg: number | null): Harm[] {
  const isThin = apexDeg !== null && apexDeg < THIN_DEG
  const isBrittle = hardnessHrc !== null && hardnessHrc >= BRITTLE_HRC
  const holds: Readonly<Record<Harm, boolean>> = {
    'pull-through': true,
    'hard-plates': work === 'kitchen' || work === 'general' || work === null,
    dishwasher: work === 'kitchen' || work === null,
    bones: work !== 'chopping' && (isThin || isBrittle),
    prying: work !== 'kitchen' || isBrittle,
    'left-wet': true,
  }
  return HARMS.filter((harm) => holds[harm])
}
