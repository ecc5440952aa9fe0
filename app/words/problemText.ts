import type { FailureCode, ProblemCode } from '#core/schema/codes'
import type { Failure } from '#core/schema/result'
import type { LengthUnit } from '#core/math/units/length'
import { COMPUTED_WORDS } from './computedWords'
import { figured, type Say } from './figured'
import { RECORD_WORD } from './recordText'

const THING: Record<string, string> = RECORD_WORD
const ODD_MEASURE: Record<string, string> = {
  setback: 'A setback',
  pitch: 'A pitch',
  'half-thickness': 'A half-thickness',
  'blade-height': 'A blade height',
  uncertainty: 'An uncertainty',
}
/** "CommaExpected" as words: "comma expected". */
const spaced = (code: string): string => code.replace(/(?<=[a-z])[A-Z]/g, (letter) => ` ${letter}`).toLowerCase()

const WORDS: Record<FailureCode, Say> = {
  ...COMPUTED_WORDS,
  missing: () => 'Measure it and enter it here.',
  'not-a-number': (f) => (f.has('text') ? `“${f.text('text')}” is not a number.` : 'This is not a number.'),
  'not-a-length': (f) => `“${f.text('text')}” is not a length.`,
  'not-whole': () => 'Enter a whole number.',
  'not-a-date': () => 'Enter the day as year-month-day.',
  'not-one-of': () => 'This is none of what can stand here.',
  'not-one-of-these': (f) => `Here stands one of: ${f.text('these')}.`,
  'wrong-kind': () => 'Not a valid value here.',
  'too-small': (f) => (f.has('above') ? `This must be above ${f.limit('above')}.` : `At least ${f.limit('least')}.`),
  'too-large': (f) => `At most ${f.limit('most')}.`,
  'text-missing': () => 'Give it a name.',
  'text-unkeepable': () => 'This text contains a character that cannot be saved. Type it again.',
  'text-too-long': (f) => `Keep it to ${f.text('most')} letters.`,
  'too-few': (f) => `There must be ${f.text('least')} at least.`,
  'too-many': (f) => `There can be ${f.text('most')} at most.`,
  'jaws-on-a-table': () => 'A table has no jaws: the blade lies on it.',
  'no-jaws': () => 'A clamp has jaws: give their width and thickness.',
  'pivot-in-jaws': (f) =>
    `The pivot would stand in the jaws: “${f.text('jaws')}” reach ${f.mm('depthMm')} back and ${f.mm('halfThicknessMm')} up.`,
  'rod-before-jaws': (f) =>
    `The rod would end before the jaws: it must be longer than the setback of ${f.mm('setbackMm')}.`,
  'pivot-never-above': () => 'The pivot would never stand above the blade.',
  'stroke-ends-too-soon': () => 'The far end of the stroke must lie beyond the near end.',
  'stroke-beyond-rod': (f) => `The stroke cannot go beyond the rod’s end at ${f.mm('rodLengthMm')}.`,
  'same-name-twice': (f) => `Two have the name “${f.text('name')}”.`,
  'same-label-twice': () => 'Two slots have the same label.',
  'highest-below-lowest': () => 'The highest must be above the lowest.',
  'measure-both': () => 'Measure this too, or leave both empty.',
  'slot-below-face': (f) =>
    `Slot ${f.text('slot')} stands no higher than the face of the thinnest stone (${f.mm('thinnestMm')}): no stone can come down to the edge.`,
  unusual: (f) =>
    `${ODD_MEASURE[f.text('measure')] ?? 'A measure'} of ${f.mm('measuredMm')} is unusual: most lie between ${f.mm('leastMm')} and ${f.mm('mostMm')}. Is it measured from the right place?`,
  'pivot-far-aside': () => 'The pivot stands far to one side of the jaws: the rod will rarely be square to the edge.',
  'loose-pivot': (f) =>
    `More than ${f.mm('leastMm')} of play: the angle will wander with the stroke. Can the bearing be tightened?`,
  'never-steep': (f) => `Even at its highest the pivot gives less than ${f.text('leastDeg')}° over the jaws’ front.`,
  'thicker-than-spine': (f) => `Behind the edge a blade is thinner than at its spine, here ${f.mm('spineMm')}.`,
  'taller-than-blade': (f) => `The grind cannot reach higher than the blade is wide, ${f.mm('widthMm')}.`,
  'zone-without-length': () => 'A zone ends nearer the tip than it begins.',
  'zone-beyond-edge': (f) => `The edge ends ${f.mm('edgeMm')} from the heel.`,
  'piece-without-length': (f) => `Piece ${f.text('piece')} of the edge has no length.`,
  'gap-before-piece': (f) =>
    `Piece ${f.text('piece')} of the edge starts ${f.mm('gapMm')} away from where piece ${f.text('before')} ends.`,
  'crosses-itself': () => 'This edge crosses itself.',
  'edge-too-short': (f) =>
    f.has('lengthMm')
      ? `This path is ${f.mm('lengthMm')} long: too short for an edge. Is the unit right?`
      : `This edge is shorter than ${f.mm('leastMm')}: is the scale right?`,
  'hollow-through-spine': () => 'The hollow would come through the spine.',
  'between-heel-and-tip': () => 'This lies between the heel and the tip.',
  'same-point-twice': (f) => `Line ${f.text('line')} is the same point as the one before.`,
  'beyond-clamp': () => 'The blade cannot be moved or turned any farther.',
  'jaws-beside-blade': (f) =>
    f.has('leastMm')
      ? `The jaws would not touch the blade: here they hold it ${f.length('leastMm')} to ${f.length('mostMm')} out.`
      : 'The jaws would not touch the blade.',
  'pivot-out-of-range': (f) => `This rig’s pivot stands between ${f.length('leastMm')} and ${f.length('mostMm')}.`,
  'edge-in-jaws': () => 'The edge must stand out of the jaws: more than 0.',
  'turned-too-far': (f) => `A blade can be turned ${f.text('mostDeg')}° at most.`,
  'too-far-off-centre': (f) => `A blade in these jaws is ${f.mm('mostMm')} off centre at most.`,
  'tilted-too-far': (f) => `A blade in these jaws is tilted ${f.text('mostDeg')}° at most.`,
  'beyond-edge': (f) => `The edge goes from the heel to ${f.length('edgeMm')} from it.`,
  'not-svg': () => 'The file is no SVG: it cannot be read as XML.',
  'nothing-drawn-in-svg': () => 'The file is no SVG: it has no drawing in it.',
  'unreadable-path': () => 'A path in this SVG cannot be read.',
  'no-path-in-svg': () =>
    'There is no path in this SVG that could be an edge: convert texts and shapes to paths first.',
  'not-dxf': () => 'The file is no DXF that can be read.',
  'file-cut-off': () => 'The file stops before its end: it was cut off on its way.',
  'no-edge-file': () => 'Take an SVG, a DXF or a CSV.',
  'takes-too-long': () => 'Reading the file takes too long: it is damaged, or far too large.',
  'nothing-drawn-in-dxf': (f) =>
    `There is no line, arc, polyline or spline in this DXF${f.text('only') && `, only ${f.text('only')}`}.`,
  'no-edge-in-outline': () => 'This outline has no edge that runs from heel to tip.',
  'not-two-figures': (f) => `${f.has('line') ? `Line ${f.text('line')}: ` : ''}“${f.text('text')}” is not two figures.`,
  'too-few-points': () =>
    'An edge needs two points at least: along the blade, and how wide it is there; one pair a line.',
  'mark-edge': () => 'Mark the edge with two points at least, from heel to tip.',
  'mark-spine': () => 'Mark the spine with two points apart from each other.',
  'tip-behind-heel': () => 'The tip lies behind the heel: mark the spine from heel to tip, and the edge the same way.',
  'choose-drawing': () => 'Choose a drawing of the edge first.',
  'trace-first': () => 'Trace the edge in a photograph first.',
  'not-this-format': () => 'This is no file of that kind.',
  'later-version': () => 'This was written by a later Jaw Tilt: update this one first.',
  'not-json': (f) => `This is no JSON${f.has('error') ? `: ${spaced(f.text('error')) || 'it is empty'}` : ''}.`,
  'unclosed-quote': () => 'A quotation mark is not closed.',
  'nested-too-deep': () => 'It is nested deeper than any file of this application.',
  'no-stones': () => 'There is no stone in this file: the first line names the columns, each further one is a stone.',
  'column-missing': (f) => `The column “${f.text('column')}” is missing.`,
  'column-unknown': (f) => `There is no column “${f.text('column')}”. Known are: ${f.text('known')}.`,
  'fields-for-columns': (f) => `There are ${f.text('fields')} fields for ${f.text('columns')} columns.`,
  'grit-out-of-range': (f) => `${f.text('standard')} goes from ${f.text('coarsest')} to ${f.text('finest')}.`,
  'picture-too-large': () => 'This picture is too large to save.',
  'not-a-picture': () => 'Only JPEG and PNG pictures can be saved.',
  outdated: () => 'This was changed elsewhere.',
  'not-its-row': () => 'This entry says that it is another than it is stored as.',
  'id-of-another': () => 'Another kind of record has this id.',
  'no-such-record': () => 'There is no such record here.',
  'no-such-link': (f) => `There is no such ${THING[f.text('kind')] ?? 'record'}.`,
  'name-taken': () => 'There is another of this name.',
  'too-many-photos': (f) => `${f.text('most')} pictures of a blade are the most: remove one first.`,
  'body-too-large': (f) => `That is more than ${f.text('mostMegabytes')} MB.`,
  'send-json': () => 'The server takes only JSON.',
  'foreign-name': () => 'This server answers only to its own machine.',
  'not-let-in': () => 'This device is not allowed yet. On the bench’s own screen: Preferences, Other devices.',
  'bench-alone': () => 'Only on the bench’s own screen.',
  'foreign-page': () => 'Only its own pages may change something here.',
  'no-such-method': () => 'Nothing here can be asked that way.',
  'disk-full': () => 'The disk is full: nothing was saved. Make room; your change is sent again automatically.',
  'server-failed': () => 'The server failed; nothing was saved.',
  cancelled: () => 'Cancelled. Nothing was changed.',
  'database-away': () =>
    'The database does not answer. Your change is kept in this browser and sent again automatically.',
  'copy-no-such-folder': () => 'There is no such folder on the bench’s machine: its whole path, as it is seen there.',
  'copy-not-writable': () => 'Nothing may be written into this folder.',
  'copy-disk-full': () => 'There is no room left in this folder.',
  'copy-failed': () => 'The copy did not come whole.',
  'not-found': () => 'There is nothing of that kind here.',
  'no-answer': () => 'The server does not answer. Your change is kept in this browser and sent again automatically.',
  'unreadable-answer': () =>
    'The server’s answer cannot be read: this page and the server may be of different versions. Reload the page.',
}

/** Fields of which the general words would say too little, by the end of their path. */
const AT_FIELD: readonly (readonly [path: RegExp, code: ProblemCode, words: Say])[] = [
  [/(^|\.)setbackMm$/, 'too-small', () => 'The pivot must stand behind the jaws: a setback above 0.'],
  [/^tolerance\.|ToleranceMm$/, 'too-small', (f) => `Nothing is measured better than ${f.limit('least')} here.`],
  [/^tolerance\./, 'too-large', (f) => `Known to no better than ${f.limit('most')}: measure it again.`],
  [/(^|\.)deg\.[AB]$|^bevelDeg/, 'too-large', (f) => `More than ${f.limit('most')} per side is no cutting edge.`],
  [/(^|\.)deg$/, 'too-large', (f) => `An angle read is ${f.limit('most')} at most.`],
  [/(^|\.)slots\.\d+\.label$/, 'text-missing', () => 'Give the slot its label.'],
  [/^landmark\.what$/, 'text-missing', () => 'Say what it is.'],
  [/^sideNames/, 'text-too-long', (f) => `Keep a side’s name to ${f.text('most')} letters.`],
]

/** What is wrong with what was entered, or why something cannot be computed. */
export type Explained = Pick<Failure<FailureCode>, 'code' | 'figures'>

/** What is wrong, in words and in the unit in use. `field`: its dotted path, where it is about one. */
export function problemText({ code, figures = {} }: Explained, unit: LengthUnit, field = ''): string {
  const own = AT_FIELD.find(([path, about]) => about === code && path.test(field))
  return (own?.[2] ?? WORDS[code])(figured(figures, unit))
}
