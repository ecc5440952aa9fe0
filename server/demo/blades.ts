import type { z } from 'zod'
import type { blade } from '../../core/records/blade/blade'

/** What most of these blades share. */
const common = { notes: '', owner: 'Tool room', grind: 'flat', bevels: 'both', spine: null } as const

/** Two knives of one pattern. */
const smallKnife = {
  ...common,
  steel: 'Plain carbon, about 0.8 % C',
  hardnessHrc: 59,
  choil: false,
  widthMm: 15,
  spineThicknessMm: 2.2,
  thicknessBehindEdgeMm: 0.35,
  primaryGrindHeightMm: 14,
  edge: [
    { type: 'line', from: [0, 15], to: [34, 15] },
    {
      type: 'bezier',
      points: [
        [34, 15],
        [44, 15],
        [51, 11],
        [55, 3],
      ],
    },
  ],
  spine: [
    {
      type: 'bezier',
      points: [
        [0, 0],
        [25, 0],
        [45, 0],
        [55, 3],
      ],
    },
  ],
  handleLengthMm: 100,
} satisfies Partial<z.input<typeof blade>>

/** A paring knife, as a kitchen has several. */
const paringKnife = {
  ...common,
  use: 'Fruit, in the hand',
  work: 'kitchen',
  steel: 'Softer stainless',
  hardnessHrc: 56,
  widthMm: 21,
  spineThicknessMm: 1.6,
  thicknessBehindEdgeMm: 0.3,
  primaryGrindHeightMm: 20,
  edge: [
    {
      type: 'bezier',
      points: [
        [0, 21],
        [38, 22],
        [66, 20],
        [90, 6],
      ],
    },
  ],
  spine: [
    {
      type: 'bezier',
      points: [
        [0, 0],
        [40, 0],
        [74, 1],
        [90, 6],
      ],
    },
  ],
  handleLengthMm: 105,
} satisfies Omit<z.input<typeof blade>, 'name'>

/** One of an account's knives of one pattern, worn each in its own way. */
const lodgeKnife = (n: number, spineThicknessMm: number, thicknessBehindEdgeMm: number) => ({
  ...paringKnife,
  name: `Lodge paring knife ${n}`,
  owner: 'Lodge kitchen',
  ...{ spineThicknessMm, thicknessBehindEdgeMm },
})

/** The knives of a botanic garden's tool room and tea-room, and of an account. Steels by class. */
export const demoBlades = {
  grafting: {
    ...common,
    name: 'Grafting knife',
    notes: 'One bevel only; the back stays flat on the stone’s side.',
    use: 'Whip and tongue grafts',
    work: 'general',
    steel: 'Plain carbon, about 0.9 % C',
    hardnessHrc: 60,
    bevels: 'A',
    widthMm: 18,
    spineThicknessMm: 2.6,
    thicknessBehindEdgeMm: 0.9,
    primaryGrindHeightMm: 16,
    edge: [{ type: 'line', from: [0, 18], to: [62, 18] }],
    spine: [
      { type: 'line', from: [0, 0], to: [44, 0] },
      {
        type: 'bezier',
        points: [
          [44, 0],
          [54, 0],
          [60, 8],
          [62, 18],
        ],
      },
    ],
    handleLengthMm: 105,
  },
  budding: { ...smallKnife, name: 'Budding knife', use: 'Chip and shield budding', work: 'general' },
  pruning: {
    ...common,
    name: 'Hooked pruning knife',
    use: 'Vines and soft shoots',
    work: 'outdoor',
    steel: 'Plain carbon, about 0.8 % C',
    hardnessHrc: 58,
    widthMm: 36,
    spineThicknessMm: 3.2,
    thicknessBehindEdgeMm: 0.6,
    primaryGrindHeightMm: 20,
    edge: [{ type: 'arc', centre: [41.3, 95], radiusMm: 72, startDeg: -125, endDeg: -60 }],
    spine: [
      {
        type: 'bezier',
        points: [
          [0, 0],
          [34, -3],
          [76, -2],
          [77.3, 32.6462],
        ],
      },
    ],
    handleLengthMm: 110,
  },
  harvest: {
    ...common,
    name: 'Harvest knife',
    owner: 'Kitchen garden',
    use: 'Lettuce and brassicas; stalks cut on the board',
    work: 'outdoor',
    steel: 'Softer stainless',
    hardnessHrc: 55,
    widthMm: 38,
    spineThicknessMm: 1.8,
    thicknessBehindEdgeMm: 0.45,
    primaryGrindHeightMm: 36,
    edge: [
      {
        type: 'bezier',
        points: [
          [0, 36],
          [50, 39],
          [95, 39],
          [122, 34],
        ],
      },
      { type: 'arc', centre: [118.75, 16.28], radiusMm: 18.0156, startDeg: 79.6065, endDeg: 5 },
    ],
    spine: [
      { type: 'line', from: [0, 0], to: [120, 0] },
      {
        type: 'bezier',
        points: [
          [120, 0],
          [131, 0],
          [138, 8],
          [136.697, 17.8502],
        ],
      },
    ],
    handleLengthMm: 115,
  },
  pocket: {
    ...common,
    name: 'Folding pocket knife',
    owner: 'R. (gate)',
    use: 'String, sacking, lunch',
    work: 'general',
    steel: 'Powder stainless',
    hardnessHrc: 60,
    grind: 'sabre',
    widthMm: 28,
    spineThicknessMm: 3,
    spineThicknessTipMm: 2.1,
    bevelDeg: { A: 21, B: 19.5 },
    landmark: { what: 'thumb stud', alongMm: 35 },
    thicknessBehindEdgeMm: 0.5,
    primaryGrindHeightMm: 19,
    edge: [
      { type: 'line', from: [0, 28], to: [55, 28] },
      { type: 'arc', centre: [55, -17], radiusMm: 45, startDeg: 90, endDeg: 35 },
    ],
    spine: [
      { type: 'line', from: [0, 0], to: [50, 0] },
      {
        type: 'bezier',
        points: [
          [50, 0],
          [68, 0],
          [82, 3],
          [91.86184, 8.81094],
        ],
      },
    ],
    handleLengthMm: 112,
  },
  chef: {
    ...common,
    name: 'Tea-room chef’s knife',
    owner: 'Tea-room',
    use: 'Vegetables, herbs; board of end-grain maple',
    work: 'kitchen',
    steel: 'Fine-grained stainless',
    hardnessHrc: 59,
    widthMm: 47,
    spineThicknessMm: 2.4,
    spineThicknessTipMm: 1.3,
    thicknessBehindEdgeTipMm: 0.22,
    bevelDeg: { A: 16.2, B: 17 },
    thicknessBehindEdgeMm: 0.3,
    primaryGrindHeightMm: 46,
    edge: [
      {
        type: 'bezier',
        points: [
          [0, 46],
          [80, 49],
          [150, 44],
          [205, 12],
        ],
      },
    ],
    spine: [
      {
        type: 'bezier',
        points: [
          [0, 0],
          [80, 0],
          [160, 2],
          [205, 12],
        ],
      },
    ],
    handleLengthMm: 125,
  },
  paring: { ...paringKnife, name: 'Tea-room paring knife', owner: 'Tea-room' },
  angular: {
    ...common,
    name: 'Angular-tip utility knife',
    owner: 'Packing room',
    use: 'Cartons and twine; the tip facet does the scoring',
    work: 'general',
    steel: 'Tool steel',
    hardnessHrc: 61,
    grind: 'hollow',
    widthMm: 26,
    spineThicknessMm: 3.8,
    thicknessBehindEdgeMm: 0.55,
    primaryGrindHeightMm: 17,
    edge: [
      { type: 'line', from: [0, 26], to: [58, 26] },
      { type: 'line', from: [58, 26], to: [90, 7] },
    ],
    spine: [
      {
        type: 'bezier',
        points: [
          [0, 0],
          [40, 0],
          [70, 1],
          [90, 7],
        ],
      },
    ],
    handleLengthMm: 115,
  },
  scion: { ...smallKnife, name: 'Scion knife', use: 'Scions and cuttings', work: 'general' },
  lodge1: lodgeKnife(1, 1.7, 0.3),
  lodge2: lodgeKnife(2, 1.6, 0.35),
  lodge3: lodgeKnife(3, 1.6, 0.4),
  lodge4: lodgeKnife(4, 1.7, 0.32),
} satisfies Record<string, z.input<typeof blade>>
