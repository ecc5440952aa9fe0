import type { z } from 'zod'
import type { job } from '../../core/records/job/job'
import type { Outcome } from '../../core/log/choices'
import type { DialSetting } from '../../core/records/rig/dials/readings'
import { SIDES, type Side } from '../../core/records/common/side'
import type { Purpose } from '../../core/records/job/purpose'
import type { demoBlades } from './blades'
import type { demoRigs } from './rigs'

/** A job of the demo, naming its records by their keys and its stone by its number. */
export interface DemoJob extends Omit<z.input<typeof job>, 'rigId' | 'bladeId' | 'stoneId' | 'progression'> {
  rig: keyof typeof demoRigs
  blade: keyof typeof demoBlades
  stoneNumber: number
  /** The stones to be used one after the other, by their numbers. */
  order?: number[]
  purpose?: Purpose
  /** What was done on it, in the order of the work. */
  did?: DemoStep[]
  /** So many days before the samples are laid out; usually that day. */
  daysBefore?: number
  /** Wanted back so many days after the samples are laid out. */
  dueInDays?: number
  /** It is off the bench. */
  archived?: boolean
  /** What the gauge read and the goniometer proved. */
  read?: DemoAngles
  proved?: DemoAngles
}
/** A step that was done, on both sides where it has any. */
export type DemoStep =
  /** The hold is kept, though the angle is not even in it. */
  | 'kept-hold'
  | 'height'
  | 'dialled'
  | 'read'
  /** The bevel of each side was tested with the marker, and is known. */
  | 'bevel-found'
  /** Strokes with the stone on the rod; it has done its work on some sides, and took so much steel off each. */
  | { readonly strokes: DemoAngles; readonly doneOn: readonly Side[]; readonly steelMm3: number | null }
  /** The width of the bevel of each side was measured. */
  | { readonly widthsMm: DemoAngles }
  | 'burr'
  | 'proved'
  | 'accepted-B'
  | 'put-to-use'
  | 'outcome'
  /** What became of the edge so many days later, and how many plants it had cut. */
  | { readonly outcome: Outcome; readonly afterDays: number; readonly plants: number }
export type DemoAngles = Record<'A' | 'B', number>

const hold = (bladeXMm: number, bladeYMm: number, turnDeg = 0) => ({
  bladeXMm,
  bladeYMm,
  turnDeg,
  centreOffsetMm: 0,
  tiltDeg: 0,
})
/** One dial for both sides. */
const bothSides = (setting: DialSetting) => ({ A: setting, B: setting, linked: true })
const wantedOfBoth = (deg: number, why: string) => ({ deg: { A: deg, B: deg }, linked: true, why })
const common = { notes: '', bladeHeightToleranceMm: 0.5 }

/** Jobs on the bench: some just begun, one at each station on the way, one done with. */
export const demoJobs: DemoJob[] = [
  {
    ...common,
    name: 'Pocket knife from the gate',
    rig: 'plate',
    blade: 'pocket',
    stoneNumber: 3,
    order: [3],
    purpose: 'touch-up',
    did: [
      'height',
      'dialled',
      'read',
      { strokes: { A: 45, B: 45 }, doneOn: SIDES, steelMm3: 0.3 },
      'burr',
      'proved',
      'accepted-B',
      'put-to-use',
      'outcome',
    ],
    hold: hold(40, 6),
    dialled: bothSides({ by: 'slot', label: '4' }),
    wanted: wantedOfBoth(20, 'General use; the maker’s bevel is near 20.'),
    read: { A: 20.1, B: 20 },
    proved: { A: 20.4, B: 19.7 },
  },
  {
    ...common,
    name: 'Grafting knife, spring',
    rig: 'table',
    blade: 'grafting',
    stoneNumber: 4,
    hold: hold(31, 0),
    dialled: bothSides({ by: 'millimetres', mm: 68 }),
    wanted: wantedOfBoth(18, 'Clean cut in green wood.'),
  },
  {
    ...common,
    name: 'Vine hooks',
    rig: 'upright',
    blade: 'pruning',
    stoneNumber: 6,
    hold: hold(38, 9.5),
    dialled: bothSides({ by: 'degree-scale', markDeg: 20 }),
    wanted: wantedOfBoth(22, 'Woody shoots.'),
  },
  {
    ...common,
    name: 'Packing-room cutter',
    rig: 'turner',
    blade: 'angular',
    stoneNumber: 2,
    hold: hold(36, 6),
    dialled: bothSides({ by: 'turns', turns: 24.4 }),
    wanted: wantedOfBoth(23, 'Hard steel that chipped at 20.'),
  },
  {
    ...common,
    name: 'Chef’s knife, weekly',
    rig: 'turner',
    blade: 'chef',
    stoneNumber: 4,
    order: [2, 3, 4, 5, 7],
    hold: { ...hold(96, 12), centreOffsetMm: 0.2 },
    dialled: bothSides({ by: 'turns', turns: 16 }),
    wanted: wantedOfBoth(15, 'Thin, hard enough, soft boards.'),
  },
  {
    ...common,
    name: 'Paring knife, café',
    dueInDays: 2,
    rig: 'plate',
    blade: 'paring',
    stoneNumber: 4,
    purpose: 'sharpen',
    did: ['height', 'dialled', 'read', 'bevel-found'],
    hold: hold(14, 6, 1.25),
    dialForMm: 75,
    dialled: bothSides({ by: 'slot', label: '3' }),
    wanted: wantedOfBoth(17, 'Peels and trims, no boards.'),
    read: { A: 17.1, B: 16.9 },
  },
  {
    ...common,
    name: 'Harvest knife, before the vintage',
    rig: 'upright',
    blade: 'harvest',
    stoneNumber: 2,
    order: [2, 4],
    purpose: 'new-angle',
    did: ['height', 'dialled', 'read', { strokes: { A: 120, B: 110 }, doneOn: ['A'], steelMm3: null }],
    hold: hold(20, 18.2, 2.25),
    dialForMm: 123,
    dialled: bothSides({ by: 'degree-scale', markDeg: 21 }),
    wanted: wantedOfBoth(22, 'Woody stems rolled it at 18.'),
    read: { A: 20, B: 20.1 },
  },
  {
    ...common,
    name: 'Paring knife, tea room',
    dueInDays: 0,
    rig: 'upright',
    blade: 'paring',
    stoneNumber: 4,
    order: [4],
    purpose: 'new-angle',
    did: ['height', 'dialled', 'read', { strokes: { A: 60, B: 60 }, doneOn: SIDES, steelMm3: 0.21 }, 'burr'],
    hold: hold(26, 5, -2),
    dialled: bothSides({ by: 'degree-scale', markDeg: 17 }),
    wanted: wantedOfBoth(19, 'Thin slices.'),
    read: { A: 19.2, B: 19.2 },
  },
  {
    ...common,
    name: 'Pocket knife, second owner',
    rig: 'upright',
    blade: 'pocket',
    stoneNumber: 4,
    order: [4],
    purpose: 'touch-up',
    daysBefore: 120,
    did: [
      'height',
      'dialled',
      'read',
      { widthsMm: { A: 0.61, B: 0.58 } },
      { strokes: { A: 30, B: 30 }, doneOn: SIDES, steelMm3: 0.09 },
      'burr',
      'proved',
      { widthsMm: { A: 0.63, B: 0.6 } },
    ],
    hold: hold(22, 6, 4),
    dialled: bothSides({ by: 'degree-scale', markDeg: 18.5 }),
    wanted: wantedOfBoth(20, 'General use.'),
    read: { A: 20, B: 19.9 },
    proved: { A: 20.1, B: 20.2 },
  },
  ...(
    [
      [730, 20, 82.5, { A: 20.2, B: 19.9 }, { outcome: 'dulled', afterDays: 61, plants: 900 }],
      [610, 19, 79, { A: 19.1, B: 18.8 }, { outcome: 'dulled', afterDays: 84, plants: 1250 }],
      [480, 18, 75.5, { A: 18.2, B: 18.1 }, { outcome: 'dulled', afterDays: 77, plants: 1100 }],
      [360, 17, 72, { A: 17.1, B: 17 }, { outcome: 'rolled', afterDays: 12, plants: 160 }],
      [300, 18, 75.5, { A: 18.1, B: 18 }, { outcome: 'dulled', afterDays: 88, plants: 1300 }],
      [150, 18, 75.5, { A: 18, B: 18.2 }, { outcome: 'cuts-well', afterDays: 20, plants: 250 }],
    ] as const
  ).map(([daysBefore, deg, mm, proved, became]): DemoJob => ({
    ...common,
    name: `Scion knife, ${daysBefore} days ago`,
    rig: 'table',
    blade: 'scion',
    stoneNumber: 4,
    order: [4],
    purpose: 'touch-up',
    archived: true,
    daysBefore,
    did: [
      'kept-hold',
      'dialled',
      'read',
      { strokes: { A: 40, B: 40 }, doneOn: SIDES, steelMm3: null },
      'burr',
      'proved',
      'put-to-use',
      became,
    ],
    hold: hold(0, 0, 10),
    dialled: bothSides({ by: 'millimetres', mm }),
    wanted: wantedOfBoth(deg, 'Clean cut across the scion.'),
    read: { A: deg + 0.1, B: deg },
    proved,
  })),
  ...(['lodge1', 'lodge2', 'lodge3', 'lodge4'] as const).map((blade, i): DemoJob => ({
    ...common,
    name: `Lodge paring knife ${i + 1}`,
    dueInDays: 5,
    rig: 'plate',
    blade,
    stoneNumber: 4,
    order: [3, 4],
    purpose: 'sharpen',
    finish: 'toothy',
    // The first is in the jaws; the others wait.
    did: i === 0 ? ['height', 'dialled'] : [],
    hold: hold(14, 6, 1.25),
    dialForMm: 75,
    dialled: bothSides({ by: 'slot', label: '3' }),
    wanted: wantedOfBoth(17, 'One angle for the account.'),
  })),
]
