import { kindOfStored, type EntryKind } from '#core/log/entry'

/** What an entry of the log is called. */
const ENTRY_WORD: Readonly<Record<EntryKind, string>> = {
  reading: 'Gauge reading',
  proof: 'Proved angle',
  dialled: 'Dialled setting',
  'ink-look': 'Marker test',
  practice: 'Practice score',
  strokes: 'Strokes',
  'stone-done': 'Stone finished',
  scratches: 'Scratches in a picture',
  sharpness: 'Sharpness test',
  'bevel-width': 'Bevel width',
  'blade-height': 'Measured blade height',
  'bevel-found': 'Bevel found',
  decided: 'Decision',
  'left-out': 'Step left out',
  'put-to-use': 'Put to use',
  outcome: 'Outcome in use',
  'handed-back': 'Handed back',
  'stone-wear': 'Stone wear',
  retraction: 'Removal of an entry',
}

/** The word for a stored kind, also one of an earlier or a later version. */
export function entryWord(kind: string): string {
  const known = kindOfStored(kind)
  return known ? ENTRY_WORD[known] : kind
}
