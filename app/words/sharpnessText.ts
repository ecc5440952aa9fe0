import type { ZoneKind } from '#core/records/blade/zones'
import type { Sharpness } from '#core/log/entry'
import type { Burr, SharpnessTest } from '#core/log/choices'
import { repeated } from '#core/math/statistics/repeated'
import { decimalsBackedBy } from '#core/math/units/figures'
import type { PerSide } from '#core/records/common/side'
import { ZONE_WORD } from './zoneText'

export const TEST_WORD: Record<SharpnessTest, string> = {
  paper: 'Paper',
  light: 'Light along the edge',
  strop: 'Drag on the strop',
  magnifier: 'Magnifier',
  thread: 'Cutting a thread',
  burr: 'Felt for a burr',
}
/** What is looked for with each test, and what it is called where it is found nowhere. */
export const TEST_FINDS: Record<SharpnessTest, readonly [where: string, nowhere: string]> = {
  paper: ['catches at', 'clean'],
  light: ['glints at', 'dark all along'],
  strop: ['drags at', 'even all along'],
  magnifier: ['chipped at', 'whole'],
  thread: ['', ''],
  burr: ['', ''],
}
export const burrText = (burr: Burr, names: PerSide<string>): string =>
  burr === 'none' ? 'no burr' : burr === 'both' ? 'a burr on both sides' : `a burr on ${names[burr]}`

/** A force with its spread: "86 g ± 12 g, 6 g from cut to cut". */
export function forceText(forcesG: readonly number[]): string {
  const force = repeated(forcesG)
  if (!force) return ''
  const text = (grams: number, uncertainty: number) => `${grams.toFixed(decimalsBackedBy(uncertainty, 1))} g`
  if (force.uncertainty === null) return `${text(force.mean, 10)}, one cut alone`
  const { mean, uncertainty, spread } = force
  return `${text(mean, uncertainty)} ± ${text(uncertainty, uncertainty)}, ${text(spread!, uncertainty)} from cut to cut`
}

/** What was found: "catches at belly, tip; a burr on A". */
export function foundText({ test, zones, forcesG, burr, burrZones }: Sharpness, names: PerSide<string>): string {
  const [where, nowhere] = TEST_FINDS[test]
  const at = (all: readonly ZoneKind[]) => all.map((zone) => ZONE_WORD[zone]).join(', ')
  const found = zones.length > 0 ? `${where} ${at(zones)}` : nowhere
  const what = test === 'thread' ? forceText(forcesG) : found
  const burrAt = burrZones.length > 0 ? ` at ${at(burrZones)}` : ''
  return [what, burr && `${burrText(burr, names)}${burrAt}`].filter(Boolean).join('; ')
}
