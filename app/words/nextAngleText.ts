import type { AlikeEdge } from '#core/exchange/api/alike'
import type { NextAngle, NextWhy } from '#core/use/nextAngle'
import type { StartingAngle, StartingReason } from '#core/use/startingAngle'
import { FIRST_LEFT_OUT } from '#core/use/sharpenings'
import { angleText } from './angleText'

/** Why the next angle is what it is. */
export const NEXT_WHY: Readonly<Record<NextWhy, string>> = {
  held: 'The edge held: a flatter one cuts more easily. One degree at a time.',
  rolled: 'The edge rolled: the steel does not hold this angle in this use.',
  chipped: 'The edge chipped: the steel does not hold this angle in this use.',
  burr: 'Most likely a burr was left: sharpen it alike, and take the burr off with care. Then the angle can be judged.',
  'near-its-limit': 'The edge held, but a degree lower it most likely fails. This is its angle.',
  'factory-edge': `The first ${FIRST_LEFT_OUT} sharpenings of a new blade do not count: its factory edge was overheated. Sharpen it alike.`,
}

/** Why the next job wants its angle, as that job keeps it. */
export const WANTED_WHY: Readonly<Record<NextWhy, string>> = {
  held: 'The last edge held.',
  rolled: 'The last edge rolled.',
  chipped: 'The last edge chipped.',
  burr: 'A burr was left last time.',
  'near-its-limit': 'The last edge held; flatter ones failed.',
  'factory-edge': 'The factory edge does not count.',
}

/** Out of 100, without a figure that nobody can back: "under 5 of 100", "about 40 of 100". */
export function shareText(share: number): string {
  const of100 = share * 100
  if (of100 < 5) return 'under 5 of 100'
  if (of100 > 95) return 'over 95 of 100'
  return `about ${Math.round(of100 / 5) * 5} of 100`
}

/** What the record says of where edges of this blade fail. */
export function thresholdText({ threshold, known }: Pick<NextAngle, 'threshold' | 'known'>): string {
  const { leastDeg, middleDeg, mostDeg } = threshold
  const from = known === 0 ? 'Nothing of its own is known yet' : known === 1 ? 'From one edge' : `From ${known} edges`
  return `${from}: below ${angleText(middleDeg, 1)} it fails more often than not (90 in 100: ${angleText(leastDeg, 1)} to ${angleText(mostDeg, 1)}).`
}

const STARTING_WHY: Readonly<Record<StartingReason, string>> = {
  'kitchen-hard': 'kitchen work, hard steel',
  'kitchen-soft': 'kitchen work, softer steel',
  'kitchen-unknown': 'kitchen work; its hardness is not known, so it is taken for softer',
  general: 'general use',
  outdoor: 'outdoor and hard use',
  chopping: 'chopping',
  'careful-hand': 'a careful hand: flatter',
  'rough-hand': 'a rough hand: steeper',
  'soft-rolls': 'soft steel rolls: steeper',
  'hard-chips': 'very hard steel chips: steeper',
  'hollow-bends': 'a hollow grind has little behind its edge: steeper',
  'thick-behind': 'it is thick behind the edge: thinning makes it cut more easily than a flatter edge',
}
/** "17 to 22° per side is usual: general use; a rough hand: steeper. Begin at 21°", without a full stop. */
export const startingText = ({ usual, deg, why }: StartingAngle): string =>
  `${usual[0]} to ${usual[1]}° per side is usual: ${why.map((one) => STARTING_WHY[one]).join('; ')}. Begin at ${deg}°; or, as others do, at ${usual[0]}° and a degree steeper each time that it fails, or at ${usual[1]}° and a degree flatter while it holds`

/** "2 other blades of this steel and for this work: 3 edges held at 17.0° to 18.1°; one edge failed at 16.0°." */
export function alikeText(edges: readonly AlikeEdge[]): string {
  const blades = new Set(edges.map(({ bladeId }) => bladeId)).size
  const said = ([true, false] as const).flatMap((held) => {
    const degs = edges.filter(({ became }) => (became === 'held') === held).map(({ deg }) => deg)
    if (degs.length === 0) return []
    const [least, most] = [Math.min(...degs), Math.max(...degs)].map((deg) => angleText(deg))
    const count = degs.length === 1 ? 'one edge' : `${degs.length} edges`
    return [`${count} ${held ? 'held' : 'failed'} at ${least === most ? least : `${least} to ${most}`}`]
  })
  const others = blades === 1 ? 'Another blade' : `${blades} other blades`
  return `${others} of this steel and for this work: ${said.join('; ')}.`
}
