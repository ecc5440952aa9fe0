/** What may be off by as much each time on a rig; a face offset is a stone's. */
export const RIG_UNKNOWNS = [
  'pivot-height',
  'pivot-height-b',
  'setback',
  'setback-b',
  'centre-offset',
  'tilt',
  'face-offset',
] as const
export type UnknownId = (typeof RIG_UNKNOWNS)[number]
