import { nth } from '#core/math/list'
import { exactLength } from '~/words/lengthText'
import { RIGS } from '#core/records/rig/kinds'
import type { LengthUnit } from '#core/math/units/length'
import { RIG_WORDS } from '~/words/rigText'
import { DIALS, type Choice, type Field, type FieldList } from '~/forms/rigDials'
import type { RigDraft } from './rigDraft'

export interface RigStep {
  readonly id: string
  readonly title: string
  readonly lead: string
  readonly fields: readonly Field[]
  readonly lists: readonly FieldList[]
  readonly choices?: readonly Choice[]
}

const field = (path: string, label: string, how: string): Field => ({ path, label, how })

const jawFields = (at: string): Field[] => [
  field(`${at}name`, 'Name', 'As you call them: wide, narrow, small blades.'),
  field(`${at}widthMm`, 'Width along the edge', 'Calliper across the jaws, along the blade.'),
  field(
    `${at}halfThicknessMm`,
    'Half-thickness at the front',
    'Close the jaws on a feeler or a thin blade; calliper over both at their very front, take half.',
  ),
  field(`${at}depthMm`, 'Depth', 'Depth rod from the jaws’ front back to where they end.'),
  field(
    `${at}knobHeightMm`,
    'Height of a screw or knob',
    'Where one stands higher than the front: from the centre plane to its top. Empty where none does.',
  ),
  field(`${at}knobBehindMm`, 'Its front, behind the jaws’', 'From the jaws’ front line back to where it begins.'),
  field(
    `${at}knobDepthMm`,
    'Its depth',
    'From its own front to its back. Empty: as far back as the jaws, and 10 mm at least.',
  ),
  field(
    `${at}mostSpineFlatMm`,
    'Thickest flat spine held',
    'The thickest fully flat blade that did not slip out. Empty where it was not tried.',
  ),
  field(
    `${at}mostSpineSabreMm`,
    'Thickest sabre spine held',
    'The same with a blade whose flats are parallel there. Empty where it was not tried.',
  ),
]

function pivotStep({ kind }: RigDraft): RigStep {
  const { from, setbackGoes, plane } = RIG_WORDS[kind]
  const { twoArms, onTable } = RIGS[kind]
  const middle = onTable ? 'the line' : 'the jaws'
  const along = `Square from the middle of ${middle}: how far the pivot stands to the side, towards the tip is positive. 0 where it stands behind the middle.`
  const placed = (path: string, of: string, arm: string) => [
    field(
      `${path}.setbackMm`,
      `Setback${of}`,
      `Rule from ${from} ${setbackGoes} to the middle of the pivot’s ball or eye${of}.`,
    ),
    field(`${path}.alongMm`, `Off the middle${arm}`, along),
    ...(twoArms
      ? [
          field(
            `${path}.overScaleMm`,
            `Over its scale${arm}`,
            'How much farther from the jaws’ centre plane this pivot stands than the scale says. 0 unless proofs found it.',
          ),
        ]
      : []),
  ]
  return {
    id: 'pivot',
    title: 'The pivot',
    lead: `Where the rod turns, measured from ${plane}. This decides the angle more than anything else: measure it twice.`,
    fields: twoArms
      ? [...placed('pivot', ' of arm A', ', arm A'), ...placed('pivotB', ' of arm B', ', arm B')]
      : placed('pivot', '', ''),
    lists: [],
  }
}

function heightStep({ kind, height: { by } }: RigDraft): RigStep {
  const { plane } = RIG_WORDS[kind]
  return {
    id: 'height',
    title: 'How the height is set',
    lead: 'In the rig’s own language: what you read off it when you set an angle.',
    fields: DIALS[by].fields(plane),
    lists: DIALS[by].lists(plane),
    choices: DIALS[by].choices,
  }
}

function jawsStep({ kind }: RigDraft): RigStep {
  const { stop, stopFrom } = RIG_WORDS[kind]
  const stops: FieldList = {
    path: 'stops',
    word: stop,
    least: 0,
    fields: [
      field('name', 'Name', 'As you call it.'),
      field('depthMm', stopFrom, 'How far behind the front line the spine comes to rest on it.'),
    ],
  }
  const marks: FieldList = {
    path: 'positionMarks',
    word: 'position mark',
    least: 0,
    fields: [
      field('name', 'Name', 'As engraved.'),
      field('alongMm', 'From the middle', 'Rule from the middle of the jaws, towards the tip is positive.'),
    ],
  }
  if (RIGS[kind].onTable)
    return {
      id: 'jaws',
      title: 'Fence and marks',
      lead: 'What the blade is laid against, so that it lies the same next time.',
      fields: [],
      lists: [stops, marks],
    }
  return {
    id: 'jaws',
    title: 'Jaws, stops, marks',
    lead: 'The jaws end the lowest angle; stops and marks bring a blade back to its place.',
    fields: jawFields('jaws.'),
    choices: [
      {
        path: 'jawsClose',
        label: 'As they close (on a fixed half a blade that thins to its tip may lie aslant)',
        options: [
          { value: 'both-halves-move', label: 'Both halves move' },
          { value: 'one-half-moves', label: 'One half is fixed' },
        ],
      },
    ],
    lists: [{ path: 'moreJaws', word: 'set of jaws', least: 0, fields: jawFields('') }, stops, marks],
  }
}

const rodStep: RigStep = {
  id: 'rod',
  title: 'The rod',
  lead: 'How far the stone reaches, and how steadily.',
  fields: [
    field('rodLengthMm', 'Rod length from the pivot', 'Rule from the middle of the pivot to the rod’s free end.'),
    field(
      'stroke.nearestMm',
      'Near stop',
      'From the pivot to the stone’s middle, pushed all the way back. Leave both empty where there are no stops.',
    ),
    field('stroke.farthestMm', 'Far stop', 'The same, pulled all the way out.'),
    field(
      'pivotPlayMm',
      'Play in the pivot',
      'Rock the rod at the pivot: half of how far it gives. 0 when it does not.',
    ),
  ],
  lists: [],
}

function sureStep({ kind }: RigDraft, unit: LengthUnit): RigStep {
  const to = (mm: number) => exactLength(mm, unit)
  return {
    id: 'sure',
    title: 'How well is it known?',
    lead: `Half of the range in which you would find it again, nineteen times in twenty. A steel rule gives ± ${to(0.5)}, a calliper ± ${to(0.1)} where it has something to hold on to.`,
    fields: [
      field('tolerance.heightMm', 'Pivot height, ±', `The centre plane is hard to see: rarely better than ${to(0.2)}.`),
      field('tolerance.setbackMm', 'Setback, ±', `With a rule: ${to(0.5)}.`),
      field('tolerance.alongMm', 'Off the middle, ±', `With a square and a rule: ${to(0.5)}.`),
      ...(RIGS[kind].onTable
        ? []
        : [
            field('centring.offsetMm', 'The jaws hold every blade high by', 'On side A. 0 unless it was found out.'),
            field('centring.tiltDeg', 'and tilt it by', 'Rising outward on side A. 0 unless it was found out.'),
            field(
              'tolerance.againOffsetMm',
              'Clamped again, it lies as high to ±',
              `Clamp one blade five times. Usual is ${to(0.05)}.`,
            ),
            field('tolerance.againTiltDeg', 'and is tilted alike to ±', 'A gauge on its flat tells it. Usual is 0.1°.'),
          ]),
    ],
    lists: [],
  }
}

const kindStep: RigStep = {
  id: 'kind',
  title: 'What kind of rig?',
  lead: 'What decides is how the pivot is held and what turns over.',
  fields: [field('name', 'Name', 'As you call it at the bench.')],
  lists: [],
}

/** The steps in which a rig is described, by what has been said so far. */
export const rigSteps = (draft: RigDraft, unit: LengthUnit): RigStep[] => [
  kindStep,
  pivotStep(draft),
  heightStep(draft),
  jawsStep(draft),
  rodStep,
  sureStep(draft, unit),
]

/** The step at which a field is entered; 0 when it is at none. */
export function stepOf(steps: readonly RigStep[], path: string): number {
  const at = steps.findIndex(
    (step) =>
      step.fields.some((field) => field.path === path) ||
      step.lists.some((list) => path === list.path || path.startsWith(`${list.path}.`)),
  )
  if (at >= 0) return at
  const stem = nth(path.split('.'), 0)
  return Math.max(
    0,
    steps.findIndex((step) => step.fields.some((field) => field.path.split('.')[0] === stem)),
  )
}
