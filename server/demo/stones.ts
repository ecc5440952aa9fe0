import type { Stone } from '../../core/stone/stone'

type Row = [name: string, kind: Stone['kind'], grainUm: number, faceOffsetMm: number, notes: string]

const rows: Row[] = [
  ['Plain No. 1', 'diamond', 115, 5.6, 'For chips and new bevels. Keep it off the edge itself.'],
  ['Plain No. 2', 'diamond', 54, 5.6, ''],
  ['Plain No. 3', 'diamond', 30, 5.7, 'The one for looking at ink: light passes only.'],
  ['Plain No. 4', 'water', 15, 9.2, 'Soak ten minutes.'],
  ['Plain No. 5', 'water', 9, 8.8, 'Dished a little at the lower end.'],
  ['Plain No. 6', 'ceramic', 6, 7.4, ''],
  ['Plain No. 7', 'film', 3, 6.1, 'Trailing strokes only.'],
  ['Plain No. 8, leather', 'strop', 1, 8.3, 'Soft: a degree or two flatter.'],
]

/** Eight plain numbered stones, coarse to fine. */
export const demoStones: Stone[] = rows.map(([name, kind, grainUm, faceOffsetMm, notes]) => ({
  name,
  notes,
  kind,
  grainUm,
  faceOffsetMm,
  faceOffsetToleranceMm: kind === 'strop' ? 0.3 : 0.1,
  lengthMm: 150,
  widthMm: kind === 'strop' ? 30 : 25,
}))
