import { EMPTY_JAWS, type Language, type RigDraft } from './rigDraft'

/** One measure to take. */
export interface RigField {
  /** Where it stands in the rig, dotted. */
  readonly path: string
  readonly label: string
  readonly unit: 'length' | 'angle' | 'count' | 'text'
  /** How to measure it with a rule and a calliper. */
  readonly how: string
}

/** Measures of which there can be several. */
export interface RigList {
  readonly path: string
  readonly word: string
  readonly least: number
  readonly empty: () => Record<string, string>
  /** Paths are below the one of the row. */
  readonly fields: readonly RigField[]
}

export interface RigStep {
  readonly id: string
  readonly title: string
  readonly lead: string
  readonly fields: readonly RigField[]
  readonly lists: readonly RigList[]
}

const length = (path: string, label: string, how: string): RigField => ({ path, label, unit: 'length', how })
const count = (path: string, label: string, how: string): RigField => ({ path, label, unit: 'count', how })
const angle = (path: string, label: string, how: string): RigField => ({ path, label, unit: 'angle', how })
const text = (path: string, label: string, how: string): RigField => ({ path, label, unit: 'text', how })

/** What a rig is measured from: its jaws, or the line on a table. */
const PLANE = {
  'slot-plate': 'the jaws’ centre plane',
  'turning-post': 'the jaws’ centre plane',
  'two-arm': 'the middle plane of the jaws, sideways',
  'table-post': 'the table',
} as const

const jawFields = (at: string): RigField[] => [
  text(`${at}name`, 'Name', 'As you call them: wide, narrow, small blades.'),
  length(`${at}widthMm`, 'Width along the edge', 'Calliper across the jaws, along the blade.'),
  length(
    `${at}halfThicknessMm`,
    'Half-thickness at the front',
    'Close the jaws on a feeler or a thin blade; calliper over both at their very front, take half.',
  ),
  length(`${at}depthMm`, 'Depth', 'Depth rod from the jaws’ front back to where they end.'),
  length(
    `${at}knobHeightMm`,
    'Height of a screw or knob',
    'Where one stands higher than the front: from the centre plane to its top. Empty where none does.',
  ),
  length(`${at}knobBehindMm`, 'Its front, behind the jaws’', 'From the jaws’ front line back to where it begins.'),
  length(
    `${at}mostSpineFlatMm`,
    'Thickest flat spine held',
    'The thickest fully flat blade that did not slip out. Empty where it was not tried.',
  ),
  length(
    `${at}mostSpineSabreMm`,
    'Thickest sabre spine held',
    'The same with a blade whose flats are parallel there. Empty where it was not tried.',
  ),
]

function pivotStep({ kind }: RigDraft): RigStep {
  const from =
    kind === 'table-post'
      ? 'the line that the spine is laid against'
      : kind === 'two-arm'
        ? 'the jaws’ front (upper) line'
        : 'the jaws’ front line'
  const way = kind === 'two-arm' ? 'straight down' : 'straight back'
  const along = `Square from the middle of ${kind === 'table-post' ? 'the line' : 'the jaws'}: how far the pivot stands to the side, towards the tip is positive. 0 where it stands behind the middle.`
  const setback = (path: string, which: string) =>
    length(path, `Setback${which}`, `Rule from ${from} ${way} to the middle of the pivot’s ball or eye${which}.`)
  const fields = [
    setback('pivot.setbackMm', kind === 'two-arm' ? ' of arm A' : ''),
    length('pivot.alongMm', `Off the middle${kind === 'two-arm' ? ', arm A' : ''}`, along),
  ]
  const second =
    kind === 'two-arm'
      ? [setback('pivotB.setbackMm', ' of arm B'), length('pivotB.alongMm', 'Off the middle, arm B', along)]
      : []
  return {
    id: 'pivot',
    title: 'The pivot',
    lead: 'Where the rod turns. This decides the angle more than anything else: measure it twice.',
    fields: [...fields, ...second],
    lists: [],
  }
}

function heightStep({ kind, by }: RigDraft): RigStep {
  const plane = PLANE[kind]
  const toBall = `to the middle of the pivot`
  const ends = [
    length(
      'height.lowestMm',
      'Lowest pivot height',
      `Post all the way down: calliper or height rule from ${plane} ${toBall}.`,
    ),
    length('height.highestMm', 'Highest pivot height', `Post all the way up, measured the same way.`),
  ]
  const byLanguage: Record<Language, RigField[]> = {
    slot: [
      length(
        'height.slideMm',
        'Slide to each side',
        'How far the rod’s end can slide from the slot’s middle to its end, along the jaws. 0 for round holes.',
      ),
    ],
    millimetres: [
      length(
        'height.zeroMm',
        'Height at mark 0',
        `Set the scale to a mark, measure from ${plane} ${toBall}, take the mark off: what is left is the height at 0.`,
      ),
      length('height.resolutionMm', 'From mark to mark', 'How far apart the marks of the scale stand.'),
      ...ends,
    ],
    turns: [
      length(
        'height.zeroMm',
        'Height at turn 0',
        `Turn the screw to where you count from; measure from ${plane} ${toBall}.`,
      ),
      length(
        'height.pitchMm',
        'Rise in one turn',
        'Measure the height, make ten whole turns, measure again; a tenth of the difference.',
      ),
      count('height.divisions', 'Marks in one turn', 'Count the marks on the screw’s collar; 1 where there are none.'),
      ...ends,
    ],
    'degree-scale': [
      angle('height.lowestMarkDeg', 'Lowest mark', 'The first printed degree that the pivot can be set to.'),
      angle('height.highestMarkDeg', 'Highest mark', 'The last one.'),
      angle('height.stepDeg', 'From mark to mark', 'Degrees between two marks.'),
      length(
        'height.drawnForBladeHeightMm',
        'Drawn for a blade height of',
        'The blade that the marks are right for: how far its edge stood out.',
      ),
      length(
        'height.drawnForFaceOffsetMm',
        'Drawn for a face offset of',
        'Rod axis to stone face of the stone the scale was made with: usually the stone that came with the rig.',
      ),
    ],
  }
  const slots: RigList = {
    path: 'height.slots',
    word: 'slot',
    least: 1,
    empty: () => ({ label: '', heightMm: '' }),
    fields: [
      text('label', 'Label', 'As printed, or counted from below.'),
      length(
        'heightMm',
        'Height',
        `From ${plane} to the middle of the rod when it lies in this slot: calliper to the slot’s lower edge, and half the rod on top.`,
      ),
    ],
  }
  return {
    id: 'height',
    title: 'How the height is set',
    lead: 'In the rig’s own language: what you read off it when you set an angle.',
    fields: byLanguage[by],
    lists: by === 'slot' ? [slots] : [],
  }
}

const stopList = (table: boolean): RigList => ({
  path: 'stops',
  word: table ? 'fence' : 'stop or depth pin',
  least: 0,
  empty: () => ({ name: '', depthMm: '' }),
  fields: [
    text('name', 'Name', 'As you call it.'),
    length(
      'depthMm',
      table ? 'Behind the line' : 'Behind the front',
      'How far behind the front line the spine comes to rest on it.',
    ),
  ],
})

function jawsStep({ kind }: RigDraft): RigStep {
  const table = kind === 'table-post'
  const marks: RigList = {
    path: 'positionMarks',
    word: 'position mark',
    least: 0,
    empty: () => ({ name: '', alongMm: '' }),
    fields: [
      text('name', 'Name', 'As engraved.'),
      length('alongMm', 'From the middle', 'Rule from the middle of the jaws, towards the tip is positive.'),
    ],
  }
  const more: RigList = {
    path: 'moreJaws',
    word: 'set of jaws',
    least: 0,
    empty: () => ({ ...EMPTY_JAWS, name: '' }),
    fields: jawFields(''),
  }
  if (table)
    return {
      id: 'jaws',
      title: 'Fence and marks',
      lead: 'What the blade is laid against, so that it lies the same next time.',
      fields: [],
      lists: [stopList(true), { ...marks, fields: marks.fields }],
    }
  return {
    id: 'jaws',
    title: 'Jaws, stops, marks',
    lead: 'The jaws end the lowest angle; stops and marks bring a blade back to its place.',
    fields: jawFields('jaws.'),
    lists: [more, stopList(false), marks],
  }
}

const rodStep: RigStep = {
  id: 'rod',
  title: 'The rod',
  lead: 'How far the stone reaches, and how steadily.',
  fields: [
    length('rodLengthMm', 'Rod length from the pivot', 'Rule from the middle of the pivot to the rod’s free end.'),
    length(
      'stroke.nearestMm',
      'Near stop',
      'From the pivot to the stone’s middle, pushed all the way back. Leave both empty where there are no stops.',
    ),
    length('stroke.farthestMm', 'Far stop', 'The same, pulled all the way out.'),
    length(
      'pivotPlayMm',
      'Play in the pivot',
      'Rock the rod at the pivot: half of how far it gives. 0 when it does not.',
    ),
  ],
  lists: [],
}

const sureStep: RigStep = {
  id: 'sure',
  title: 'How well is it known?',
  lead: 'Half of the range in which you would find it again, nineteen times in twenty. A steel rule gives ± 0.5 mm, a calliper ± 0.1 mm where it has something to hold on to.',
  fields: [
    length('tolerance.heightMm', 'Pivot height, ±', 'The centre plane is hard to see: rarely better than 0.2 mm.'),
    length('tolerance.setbackMm', 'Setback, ±', 'With a rule: 0.5 mm.'),
    length('tolerance.alongMm', 'Off the middle, ±', 'With a square and a rule: 0.5 mm.'),
  ],
  lists: [],
}

const kindStep: RigStep = {
  id: 'kind',
  title: 'What kind of rig?',
  lead: 'What decides is how the pivot is held and what turns over.',
  fields: [text('name', 'Name', 'As you call it at the bench.')],
  lists: [],
}

/** The steps in which a rig is described, by what has been said so far. */
export const rigSteps = (draft: RigDraft): RigStep[] => [
  kindStep,
  pivotStep(draft),
  heightStep(draft),
  jawsStep(draft),
  rodStep,
  sureStep,
]

/** The step at which a field is entered; 0 when it is at none. */
export function stepOf(steps: readonly RigStep[], path: string): number {
  const at = steps.findIndex(
    (step) =>
      step.fields.some((field) => field.path === path) ||
      step.lists.some((list) => path === list.path || path.startsWith(`${list.path}.`)),
  )
  if (at >= 0) return at
  const stem = path.split('.')[0]!
  return Math.max(
    0,
    steps.findIndex((step) => step.fields.some((field) => field.path.split('.')[0] === stem)),
  )
}
