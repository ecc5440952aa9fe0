import { READINGS, type DialLanguage, type HeightReading } from '#core/records/rig/dials/readings'
import { RIGS, type RigKind } from '#core/records/rig/kinds'
import { lengthUnit, type LengthUnit } from '#core/math/units/length'
import { exactFigure, type DraftOf } from './draft'

/** One measure to take. Its unit stands in the schema of the record. */
export interface Field {
  /** Where it stands in the record, dotted. */
  readonly path: string
  readonly label: string
  /** How to measure it with a rule and a calliper. */
  readonly how: string
}

/** Measures of which there can be several. */
export interface FieldList {
  readonly path: string
  readonly word: string
  readonly least: number
  /** Paths are below the one of the row. */
  readonly fields: readonly Field[]
}

/** A fact that is chosen among a few, not measured. */
export interface Choice {
  readonly path: string
  readonly label: string
  readonly options: readonly (string | { value: string; label: string })[]
}

type HeightDraft = DraftOf<HeightReading>

interface DescribedDial {
  /** The fields that such a dial has. */
  readonly measures: readonly (keyof HeightDraft)[]
  /** What they begin with, where that is not nothing. */
  begunWith(unit: LengthUnit): Partial<HeightDraft>
  /** Measured from `plane`. */
  fields(plane: string): Field[]
  lists(plane: string): FieldList[]
  readonly choices: readonly Choice[]
}

const field = (path: string, label: string, how: string): Field => ({ path: `height.${path}`, label, how })
function measuresOf(by: DialLanguage) {
  const keys: readonly (keyof HeightDraft)[] = READINGS[by].keyof().options
  return keys.filter((key) => key !== 'by')
}

const ends = (plane: string) => [
  field(
    'lowestMm',
    'Lowest pivot height',
    `Post all the way down: calliper or height rule from ${plane} to the middle of the pivot.`,
  ),
  field('highestMm', 'Highest pivot height', 'Post all the way up, measured the same way.'),
]

/** How a dial of each language is described; one that is not does not compile. */
export const DIALS: Record<DialLanguage, DescribedDial> = {
  slot: {
    measures: measuresOf('slot'),
    begunWith: () => ({
      slots: [
        { label: '1', heightMm: '' },
        { label: '2', heightMm: '' },
      ],
      slideMm: '0',
    }),
    fields: () => [
      field(
        'slideMm',
        'Slide to each side',
        'How far the rod’s end can slide from the slot’s middle to its end, along the jaws. 0 for round holes.',
      ),
    ],
    lists: (plane) => [
      {
        path: 'height.slots',
        word: 'slot',
        least: 1,
        fields: [
          { path: 'label', label: 'Label', how: 'As printed, or counted from below.' },
          {
            path: 'heightMm',
            label: 'Height',
            how: `From ${plane} to the middle of the rod when it lies in this slot: calliper to the slot’s lower edge, and half the rod on top.`,
          },
        ],
      },
    ],
    choices: [],
  },
  millimetres: {
    measures: measuresOf('millimetres'),
    begunWith: (unit) => ({ resolutionMm: exactFigure(1, unit) }),
    fields: (plane) => [
      field(
        'zeroMm',
        'Height at mark 0',
        `Set the scale to a mark, measure from ${plane} to the middle of the pivot, take the mark off: what is left is the height at 0.`,
      ),
      field('resolutionMm', 'From mark to mark', 'How far apart the marks of the scale stand.'),
      ...ends(plane),
    ],
    lists: () => [],
    choices: [{ path: 'height.engravedIn', label: 'Its figures are', options: lengthUnit.options }],
  },
  turns: {
    measures: measuresOf('turns'),
    begunWith: () => ({ divisions: '1' }),
    fields: (plane) => [
      field(
        'zeroMm',
        'Height at turn 0',
        `Turn the screw to where you count from; measure from ${plane} to the middle of the pivot.`,
      ),
      field(
        'pitchMm',
        'Rise in one turn',
        'Measure the height, make ten whole turns, measure again; a tenth of the difference.',
      ),
      field('divisions', 'Marks in one turn', 'Count the marks on the screw’s collar; 1 where there are none.'),
      ...ends(plane),
    ],
    lists: () => [],
    choices: [],
  },
  'degree-scale': {
    measures: measuresOf('degree-scale'),
    begunWith: () => ({ stepDeg: '1', zeroMm: '0' }),
    fields: () => [
      field('lowestMarkDeg', 'Lowest mark', 'The first printed degree that the pivot can be set to.'),
      field('highestMarkDeg', 'Highest mark', 'The last one.'),
      field('stepDeg', 'From mark to mark', 'Degrees between two marks.'),
      field(
        'drawnForBladeHeightMm',
        'Drawn for a blade height of',
        'The blade that the marks are right for: how far its edge stood out.',
      ),
      field(
        'drawnForFaceOffsetMm',
        'Drawn for a face offset of',
        'Rod axis to stone face of the stone the scale was made with: usually the stone that came with the rig.',
      ),
      field('zeroMm', 'Stands higher than the marks say by', '0 unless it was found out, as by the angles proved.'),
    ],
    lists: () => [],
    choices: [],
  },
}

/** The languages of a kind of rig, the usual one first. */
export const dialsOf = (kind: RigKind): readonly [DialLanguage, ...DialLanguage[]] => RIGS[kind].dials
