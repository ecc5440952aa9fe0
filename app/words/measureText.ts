import type { Rest } from '#core/records/job/clampPosition'
import type { MeasureId } from '#core/uncertainty/measures'
import type { GaugeAxes, GaugeZero } from '#core/records/job/gaugeZero'
import type { SideCause } from '#core/geometry/sides/sideDifference'

export const MEASURE_WORD: Record<MeasureId, string> = {
  'pivot-height': 'Pivot height',
  'pivot-height-b': 'Pivot height, second arm',
  setback: 'Setback of the pivot',
  'setback-b': 'Setback, second arm',
  'pivot-along': 'Pivot along the jaws',
  'pivot-play': 'Play in the pivot',
  'blade-height': 'Blade height',
  'blade-along': 'Place along the jaws',
  turn: 'Turn in the jaws',
  'centre-offset': 'Centring',
  tilt: 'Tilt of the blade',
  twist: 'Twist of a tapered blade',
  'edge-heading': 'The edge’s own direction',
  'edge-place': 'The edge’s place in its trace',
  'slot-place': 'Place in the wide slot',
  'spine-thickness': 'Thickness of the spine',
  'thickness-behind-edge': 'Thickness behind the edge',
  'grind-height': 'Height of the primary grind',
  rocking: 'Rocking on its faces',
  'face-offset': 'Rod to the stone’s face',
  'face-shape': 'Taper and dish of the stone',
}

/** Where each measure is written down. */
export const MEASURE_OF: Record<MeasureId, 'rig' | 'hold' | 'blade' | 'stone'> = {
  'pivot-height': 'rig',
  'pivot-height-b': 'rig',
  setback: 'rig',
  'setback-b': 'rig',
  'pivot-along': 'rig',
  'pivot-play': 'rig',
  'blade-height': 'hold',
  'blade-along': 'hold',
  turn: 'hold',
  'centre-offset': 'hold',
  tilt: 'hold',
  twist: 'hold',
  'edge-heading': 'blade',
  'edge-place': 'blade',
  'slot-place': 'hold',
  'spine-thickness': 'blade',
  'thickness-behind-edge': 'blade',
  'grind-height': 'blade',
  rocking: 'hold',
  'face-offset': 'stone',
  'face-shape': 'stone',
}

export const SIDE_CAUSE_WORD: Record<SideCause, string> = {
  'centre-offset': 'Off centre in the jaws',
  tilt: 'Tilted blade',
  arms: 'Unequal arms',
  'pivot-along': 'Pivot off the middle',
  dials: 'Dialled differently',
}

export const GAUGE_ZERO_WORD: Record<GaugeZero, string> = {
  'centre-plane': 'the blade’s centre plane',
  'primary-face': 'the blade’s flat',
  clamp: 'the jaws',
}

/** What a gauge is zeroed on; a table stands in the place of the jaws. */
export const zeroWord = (of: GaugeZero, onTable: boolean): string =>
  of === 'clamp' && onTable ? 'the table' : GAUGE_ZERO_WORD[of]

export const REST_WORD: Record<Rest, string> = { flats: 'its parallel flats', face: 'its primary face' }

export const GAUGE_AXES_WORD: Record<GaugeAxes, string> = { one: 'One axis', two: 'Two axes' }

export const GAUGE_AXES_HOW: Record<GaugeAxes, string> = {
  one: 'A cube that lies on the stone and rolls with it.',
  two: 'Or it is held level across the rod: it reads the slope of the rod alone.',
}

export const GAUGE_ZERO_HOW: Record<GaugeZero, string> = {
  'centre-plane':
    'Where the blade has parallel flats, zero it there. Else stand it on the flat with A up, note it, turn over, note it with B up, and zero it half-way.',
  'primary-face': 'Stand it on the blade’s flat on the side that is up, and zero it there; again on the other side.',
  clamp: 'Stand it on the jaws’ outside, or on the table, and zero it there. It then sees the blade’s tilt as well.',
}
