import type { z } from 'zod'
import { grainSize, type Grit } from '../../core/records/stone/grit'
import { handedOnStone, type HandedOnStone } from '../../core/exchange/files/toolFile'
import type { Stone } from '../../core/records/stone/stone'

type Row = [
  name: string,
  kind: Stone['kind'],
  grain: Grit | number,
  nearMm: number,
  farMm: number,
  lubricant: string,
  notes: string,
]

const fepaF = (number: number): Grit => ({ standard: 'FEPA F', number })
const jis = (number: number): Grit => ({ standard: 'JIS', number })

const rows: Row[] = [
  ['Plain No. 1', 'diamond', fepaF(120), 5.6, 5.6, 'water', 'For chips and new bevels. Keep it off the edge itself.'],
  ['Plain No. 2', 'diamond', fepaF(230), 5.6, 5.6, 'water', ''],
  ['Plain No. 3', 'diamond', fepaF(320), 5.7, 5.7, 'water', 'The one for looking at ink: light passes only.'],
  ['Plain No. 4', 'water', jis(800), 9.2, 9.2, 'water', 'Soak ten minutes.'],
  ['Plain No. 5', 'water', jis(1200), 8.5, 9.1, 'water', 'Worn at the lower end.'],
  ['Plain No. 6', 'ceramic', jis(2000), 7.4, 7.4, '', ''],
  ['Plain No. 7', 'film', 3, 6.1, 6.1, '', 'Trailing strokes only.'],
  ['Plain No. 8, leather', 'strop', 1, 8.3, 8.3, '', 'Soft: a degree or two flatter.'],
]

/** What has been measured and done since the stones were new. */
const worn: Record<string, Pick<z.input<typeof handedOnStone>, 'dishMm' | 'wornOutAtMm' | 'log'>> = {
  'Plain No. 4': {
    wornOutAtMm: 6.5,
    dishMm: 0.05,
    log: [
      { on: '2026-03-02', did: 'measured', faceOffsetMm: 9.6 },
      { on: '2026-06-15', did: 'used', blades: 22 },
      { on: '2026-09-04', did: 'flattened', faceOffsetMm: 9.2, blades: 14 },
    ],
  },
  'Plain No. 5': {
    wornOutAtMm: 6.5,
    dishMm: 0.12,
    log: [
      { on: '2026-03-02', did: 'measured', faceOffsetMm: 9.2 },
      {
        on: '2026-10-01',
        did: 'measured',
        faceOffsetMm: 8.8,
        blades: 30,
        note: 'Dished: the belly of the pruning knife does it.',
      },
    ],
  },
}

function micrometres(of: Grit): number {
  const size = grainSize(of)
  if (!size.ok) throw new RangeError(`${of.standard} knows no ${of.number}`)
  return size.um
}

/** Eight plain numbered stones, coarse to fine, with their wear logs. */
export const demoStones: HandedOnStone[] = rows.map(([name, kind, grain, nearMm, farMm, lubricant, notes]) => {
  return handedOnStone.parse({
    name,
    notes,
    kind,
    grit: typeof grain === 'number' ? null : grain,
    grainUm: typeof grain === 'number' ? grain : micrometres(grain),
    faceOffsetMm: (nearMm + farMm) / 2,
    faceOffsetEnds: { nearMm, farMm },
    faceOffsetToleranceMm: kind === 'strop' ? 0.3 : 0.1,
    lengthMm: 150,
    widthMm: kind === 'strop' ? 30 : 25,
    lubricant,
    ...worn[name],
  })
})
