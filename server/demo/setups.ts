import type { z } from 'zod'
import type { setup } from '../../core/setup/setup'
import type { demoBlades } from './blades'
import type { demoRigs } from './rigs'

/** A job of the demo, naming its things by their keys and its stone by its number. */
export interface DemoSetup extends Omit<z.input<typeof setup>, 'rigId' | 'bladeId' | 'stoneId' | 'progression'> {
  rig: keyof typeof demoRigs
  blade: keyof typeof demoBlades
  stoneNumber: number
  /** The stones to be used one after the other, by their numbers. */
  order?: number[]
}

const notYet = { aDeg: null, bDeg: null }
const held = (bladeXMm: number, bladeYMm: number, turnDeg = 0) => ({
  bladeXMm,
  bladeYMm,
  turnDeg,
  centreOffsetMm: 0,
  tiltDeg: 0,
})
const common = { notes: '', bladeHeightToleranceMm: 0.5, lookAtMm: null, read: notYet, proved: notYet }

/** Jobs on the bench: one just begun, some set, one already proved. */
export const demoSetups: DemoSetup[] = [
  {
    ...common,
    name: 'Pocket knife from the gate',
    rig: 'plate',
    blade: 'pocket',
    stoneNumber: 3,
    order: [3, 4, 5, 8],
    held: held(40, 6),
    dialled: { a: { by: 'slot', label: '4' }, b: { by: 'slot', label: '4' }, linked: true },
    wanted: { aDeg: 20, bDeg: 20, linked: true, why: 'General use; the maker’s bevel is near 20.' },
    read: { aDeg: 20.1, bDeg: 20 },
    proved: { aDeg: 20.4, bDeg: 19.7 },
  },
  {
    ...common,
    name: 'Grafting knife, spring',
    rig: 'table',
    blade: 'grafting',
    stoneNumber: 4,
    held: held(31, 0),
    dialled: { a: { by: 'millimetres', mm: 68 }, b: { by: 'millimetres', mm: 68 }, linked: true },
    wanted: { aDeg: 18, bDeg: 18, linked: true, why: 'Clean cut in green wood.' },
  },
  {
    ...common,
    name: 'Vine hooks',
    rig: 'upright',
    blade: 'pruning',
    stoneNumber: 6,
    held: held(41, 4),
    dialled: { a: { by: 'degree-scale', markDeg: 20 }, b: { by: 'degree-scale', markDeg: 20 }, linked: true },
    wanted: { aDeg: 22, bDeg: 22, linked: true, why: 'Woody shoots.' },
  },
  {
    ...common,
    name: 'Packing-room cutter',
    rig: 'turner',
    blade: 'angular',
    stoneNumber: 2,
    held: held(36, 3),
    dialled: { a: { by: 'turns', turns: 24.4 }, b: { by: 'turns', turns: 24.4 }, linked: true },
    wanted: { aDeg: 23, bDeg: 23, linked: true, why: 'Hard steel that chipped at 20.' },
  },
  {
    ...common,
    name: 'Chef’s knife, weekly',
    rig: 'turner',
    blade: 'chef',
    stoneNumber: 4,
    order: [2, 3, 4, 5, 7],
    held: { ...held(96, 12), centreOffsetMm: 0.2 },
    dialled: { a: { by: 'turns', turns: 16 }, b: { by: 'turns', turns: 16 }, linked: true },
    wanted: { aDeg: 15, bDeg: 15, linked: true, why: 'Thin, hard enough, soft boards.' },
  },
]
