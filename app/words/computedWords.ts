import type { FileKind } from '#core/exchange/files/fileKind'
import type { ComputedCode } from '#core/schema/codes'
import type { Say } from './figured'
import { goesElsewhere } from './fileWords'

/** Why an angle, a setting or a reading does not exist, or what is still to be entered for it, and what to do. */
export const COMPUTED_WORDS: Record<ComputedCode, Say> = {
  'pivot-below-face': (f) =>
    `The pivot stands lower than the stone’s face: raise it above ${f.length(f.has('lowestPivotMm') ? 'lowestPivotMm' : 'limitMm')}.`,
  'edge-behind-pivot': () =>
    'The edge here points back past the pivot, so the stone cannot lie on it. Move the blade along the jaws or turn it.',
  'beyond-rod': (f) => `The rod does not reach this place: it would have to be ${f.length('limitMm')} long.`,
  'beyond-stop': (f) =>
    `The stop on the rod ends the stroke before this place: the stone would have to reach ${f.length('limitMm')} from the pivot.`,
  'before-stop': (f) =>
    `The stop on the rod keeps the stone from coming so near: this place is ${f.length('limitMm')} from the pivot.`,
  'height-out-of-range': (f) => `The pivot would have to stand at ${f.length('limitMm')}, which this rig cannot.`,
  'angle-out-of-range': () => 'No pivot height gives this angle here.',
  'parallel-to-jaws': () =>
    'Moving the blade out does not change the angle here, because the edge runs square to the jaws.',
  'into-jaws': () => 'The edge would have to stand inside the jaws.',
  'not-held': () => 'The jaws do not hold the blade here: hold it elsewhere first.',
  'jaws-reach-to': (f) => `The jaws hold the blade only to a height of ${f.length('limitMm')} here.`,
  'stone-meets-jaws': (f) =>
    `The stone meets the jaws below ${f.angle('limitDeg')} here: stand the blade further out, or take narrower jaws.`,
  'jaws-in-the-way': () =>
    'The jaws are in the stone’s way here at any angle: stand the blade further out, or take narrower jaws.',
  'stops-too-near': (f) =>
    `No two stops do for all of this edge with this stone: it would have to be ${f.length('limitMm')} long.`,
  'slips-out': (f) =>
    `This spine slips out of jaws that hold ${f.length('limitMm')}. Take other jaws or a table, or say at the rig what these hold.`,
  'false-edge': () => 'A false edge on the spine slips out of ordinary jaws: take other jaws, or a table.',
  'flatter-than-primary': (f) => `Flatter than the blade’s own flat, ${f.angle('limitDeg')}: no bevel would end there.`,
  'setting-of-another-rig': () => 'What is dialled belongs to another rig: dial it again.',
  'readings-too-far-apart': () => 'No centring error explains two readings so far apart.',
  'marks-too-near': (f) => `Take marks that lie at least ${f.text('leastDeg')}° apart.`,
  'fits-no-stone': () => 'No blade and stone fit these heights: measure them and the setback again.',
  'no-position': (f) =>
    `From ${f.length('fromMm')} on, no hold keeps even a short stretch within ± ${f.text('toleranceDeg')}°. Allow more, or take another rig or stone.`,
  'picture-unreadable': (f) =>
    f.has('kind')
      ? goesElsewhere(f.text('name'), f.text('kind') as FileKind)
      : `${f.text('name')} is not a picture that can be read.`,
  'picture-of-too-many-pixels': (f) =>
    `${f.text('name')} has ${f.text('megapixels')} megapixels: make it ${f.text('most')} or fewer first.`,
  'few-scratch-taps': () =>
    'Tap along the edge and the shoulder, then twice along one old scratch and twice along a new one.',
  'directions-alike': (say) =>
    `Old and new scratches run too much alike to be told apart: they must cross by ${say.text('leastDeg')}° or more. Change the way of your strokes with the next stone.`,
  'scratches-too-fine': () => 'The scratches are too fine in this picture: go closer, or use a stronger loupe.',
  'no-scratches': () => 'No scratches show along these lines. Light the bevel from one side, low over the steel.',
  'few-taps': () => 'Tap the edge and the shoulder at two places each at least, five are better.',
  'lines-meet': () => 'The taps on the edge and on the shoulder cross: see that each lies on its own line.',
  'taps-apart': () =>
    'The taps on the edge and on the shoulder lie beside each other: tap both along the same stretch.',
  'bevel-too-narrow': (f) =>
    `The bevel is narrower than ${f.text('leastPx')} pixels here: come closer with the camera.`,
  'no-ink': () =>
    'No ink is seen between these lines. If it is all gone, tell it on the Ink sheet as bare all over; else point at the ink.',
  'few-ticks': () => 'Tap two ticks of the scale at least, far apart; three are better.',
  'ticks-alike': () => 'Two ticks have the same degrees: enter what each one says.',
  'ticks-out-of-order': () => 'The ticks do not follow each other: see that each has the degrees that stand at it.',
  'no-light': () => 'Nothing bright is seen along the scale. Is the laser on, and the room dark enough?',
  'no-scale': () => 'Tap two marks of a scale in the picture, and write how far apart they are.',
  'no-edge': () => 'Tap the edge at two places at least.',
  'no-shoulder': () => 'Tap the shoulder where the width is wanted; several places tell how sure it is.',
  'no-zone-described': () => 'Say of one zone at least what is bare.',
  'practice-without-look': () => 'Look once at least: make a pass, and tell what it exposed.',
  'not-worked-out': () => 'This could not be worked out. Try again.',
  'looks-not-weighed': () => 'The looks could not be weighed. Try again.',
  'angle-missing': () => 'Enter the angle as a number, such as 17.5.',
  'strokes-missing': () => 'Enter how many strokes, as a whole number.',
  'use-count-missing': () => 'Enter how much as a whole number, or leave it empty.',
  'forces-missing': () => 'Enter the force of each cut in grams, with blanks between: 85 92 88.',
  'width-missing': () => 'Enter how wide the bevel is, as a number.',
  'uncertainty-missing': () => 'Enter the uncertainty as a number, such as 0.2.',
  'wanted-missing': () => 'Say which angle is wanted.',
  'no-blade-on-sheet': () => 'No blade stands out on this sheet: mark its spine and its edge by hand.',
  'few-edge-marks': () => 'Mark the edge with two points at least, from heel to tip.',
  'scale-distance-missing': () => 'Say how far the two points are apart.',
  'sheet-size-missing': () => 'Give the sheet’s size, and put its corners on the four marks in order.',
  'no-outline': () =>
    'No outline runs beside these marks: put them nearer to it, or take a picture with more contrast.',
  'stretch-missing': () => 'Say which stretch of the edge the picture shows: from, then to, towards the tip.',
  'setback-missing': () => 'Measure the setback first: step 2.',
  'marks-missing': () => 'Enter a mark and the height measured at it in each line.',
  'spots-too-far-beside': () => 'No edge throws its spots so far beside the line.',
  'haze-beyond-zero': () => 'So wide it would reach the other side.',
  'primary-beyond-edge': () => 'The primary face is flatter than the edge: its spot lies further in.',
  'figures-not-right': () => 'One of the figures is not right yet.',
  'no-edge-shown': () => 'Enter where the edge of one side shows at least.',
  'line-end-missing': () => 'Enter both ends of the line.',
  'edge-spot-missing': () => 'Enter where the edge shows.',
  'haze-width-missing': () => 'Enter how wide the haze is.',
  'spot-distance-missing': () => 'Enter how far the spot is from the middle of the screen.',
  'spot-out-of-range': (f) => `An angle per side lies above 0° and below ${f.text('mostDeg')}°.`,
  'place-missing': (f) => `Enter how far from the heel, along the edge: up to ${f.length('mostMm')}.`,
}
