import type { RigKind } from '#core/records/rig/kinds'

/** How one kind of rig is spoken of. */
interface RigWords {
  readonly word: string
  readonly means: string
  /** What heights are measured from. */
  readonly plane: string
  /** What the setback is measured from, and which way. */
  readonly from: string
  readonly setbackGoes: string
  /** Where the pivot stands, behind a length: "95 mm behind the jaws". */
  readonly pivotStands: string
  /** What carries the pivot, what is set. */
  readonly carrier: string
  /** The measures of the bench. */
  readonly pivotHeight: string
  readonly edgeOut: string
  readonly heelToMiddle: string
  /** The place of the edge that stands over the middle of what holds the blade. */
  readonly overMiddle: string
  readonly turn: string
  /** What the blade is laid against. */
  readonly stop: string
  readonly stopFrom: string
}

const OUT_OF_JAWS = {
  plane: 'the jaws’ centre plane',
  from: 'the jaws’ front line',
  setbackGoes: 'straight back',
  pivotStands: 'behind the jaws',
  carrier: 'pivot',
  pivotHeight: 'Pivot height',
  edgeOut: 'edge out of the jaws',
  heelToMiddle: 'heel to the jaws’ middle',
  overMiddle: 'over the jaws’ middle',
  turn: 'Turn in the jaws',
  stop: 'stop or depth pin',
  stopFrom: 'Behind the front',
} as const

/** Every kind of rig; one that has no words does not compile. */
export const RIG_WORDS: Record<RigKind, RigWords> = {
  'slot-plate': {
    ...OUT_OF_JAWS,
    word: 'Plate with slots',
    means: 'The rod goes through a slot or hole behind a clamp; the clamp is turned over for the other side.',
  },
  'turning-post': {
    ...OUT_OF_JAWS,
    word: 'Turning clamp with post',
    means: 'The clamp turns over between stops; the pivot stands on a post of adjustable height.',
  },
  'two-arm': {
    ...OUT_OF_JAWS,
    word: 'Upright with two arms',
    means: 'The blade stands edge up; an arm on each side, each with its own setting.',
    plane: 'the middle plane of the jaws, sideways',
    from: 'the jaws’ front (upper) line',
    setbackGoes: 'straight down',
    pivotStands: 'below the jaws',
    carrier: 'arm',
    pivotHeight: 'Arm pivot, to the side',
  },
  'table-post': {
    ...OUT_OF_JAWS,
    word: 'Table with post',
    means: 'The blade lies on its flat; the pivot stands on a post beside the table.',
    plane: 'the table',
    from: 'the line that the spine is laid against',
    pivotStands: 'behind the line',
    edgeOut: 'edge in front of the line',
    heelToMiddle: 'heel to the table’s middle',
    overMiddle: 'over the table’s middle',
    turn: 'Turn on the table',
    stop: 'fence',
    stopFrom: 'Behind the line',
  },
}

export const STONE_KIND_WORD = {
  diamond: 'diamond',
  water: 'water stone',
  oil: 'oil stone',
  ceramic: 'ceramic',
  film: 'film',
  strop: 'strop',
} as const

export const STONE_DEED_WORD = {
  measured: 'measured',
  used: 'used',
  flattened: 'flattened',
  cleaned: 'cleaned',
} as const
