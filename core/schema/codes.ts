import type { RefusalCode } from './refusal'

/** Everything that can be wrong with what people enter, read in or ask for. The words for each are the interface's. */
export const PROBLEM_CODES = [
  // One figure or text.
  'missing',
  'not-a-number',
  'not-a-length',
  'not-whole',
  'not-a-date',
  'not-one-of',
  'not-one-of-these',
  'wrong-kind',
  'too-small',
  'too-large',
  'text-missing',
  'text-too-long',
  'text-unkeepable',
  'too-few',
  'too-many',
  // Rigs.
  'jaws-on-a-table',
  'no-jaws',
  'pivot-in-jaws',
  'rod-before-jaws',
  'pivot-never-above',
  'stroke-ends-too-soon',
  'stroke-beyond-rod',
  'same-name-twice',
  'same-label-twice',
  'highest-below-lowest',
  'measure-both',
  'slot-below-face',
  // Rigs that are odd but may be true.
  'unusual',
  'pivot-far-aside',
  'loose-pivot',
  'never-steep',
  // Edges.
  'piece-without-length',
  'gap-before-piece',
  'crosses-itself',
  'edge-too-short',
  'hollow-through-spine',
  'between-heel-and-tip',
  'same-point-twice',
  // Blades.
  'thicker-than-spine',
  'taller-than-blade',
  'zone-without-length',
  'zone-beyond-edge',
  // How a blade is held and what is dialled.
  'beyond-clamp',
  'jaws-beside-blade',
  'pivot-out-of-range',
  'edge-in-jaws',
  'turned-too-far',
  'too-far-off-centre',
  'tilted-too-far',
  'beyond-edge',
  // Edges read from drawings, tables and photographs.
  'not-svg',
  'nothing-drawn-in-svg',
  'unreadable-path',
  'no-path-in-svg',
  'not-dxf',
  'file-cut-off',
  'no-edge-file',
  'takes-too-long',
  'nothing-drawn-in-dxf',
  'no-edge-in-outline',
  'not-two-figures',
  'too-few-points',
  'mark-edge',
  'mark-spine',
  'tip-behind-heel',
  'choose-drawing',
  'trace-first',
  // Files.
  'not-this-format',
  'later-version',
  'not-json',
  'nested-too-deep',
  'unclosed-quote',
  'no-stones',
  'column-missing',
  'column-unknown',
  'fields-for-columns',
  'grit-out-of-range',
  'picture-too-large',
  'not-a-picture',
  // The server.
  'outdated',
  'no-such-record',
  'not-its-row',
  'id-of-another',
  'no-such-link',
  'name-taken',
  'too-many-photos',
  'body-too-large',
  'send-json',
  'foreign-name',
  'foreign-page',
  'not-let-in',
  'bench-alone',
  'no-such-method',
  'disk-full',
  'server-failed',
  'database-away',
  'cancelled',
  'copy-no-such-folder',
  'copy-not-writable',
  'copy-disk-full',
  'copy-failed',
  'not-found',
  // Asking the server.
  'no-answer',
  'unreadable-answer',
] as const
export type ProblemCode = (typeof PROBLEM_CODES)[number]

/** Why something cannot be computed from what is there: it is said where it was asked, and never sent or stored. */
export type ComputedCode =
  | RefusalCode
  | 'not-worked-out'
  | 'readings-too-far-apart'
  | 'marks-too-near'
  | 'fits-no-stone'
  | 'no-position'
  // Photographs.
  | 'picture-unreadable'
  | 'picture-of-too-many-pixels'
  | 'few-taps'
  | 'few-scratch-taps'
  | 'directions-alike'
  | 'scratches-too-fine'
  | 'no-scratches'
  | 'lines-meet'
  | 'taps-apart'
  | 'bevel-too-narrow'
  | 'no-ink'
  | 'few-ticks'
  | 'ticks-alike'
  | 'ticks-out-of-order'
  | 'no-light'
  | 'no-scale'
  | 'no-edge'
  | 'no-shoulder'
  // What is still to be entered.
  | 'no-zone-described'
  | 'practice-without-look'
  | 'looks-not-weighed'
  | 'angle-missing'
  | 'strokes-missing'
  | 'use-count-missing'
  | 'forces-missing'
  | 'width-missing'
  | 'uncertainty-missing'
  | 'wanted-missing'
  | 'no-blade-on-sheet'
  | 'few-edge-marks'
  | 'scale-distance-missing'
  | 'sheet-size-missing'
  | 'no-outline'
  | 'stretch-missing'
  | 'setback-missing'
  | 'marks-missing'
  | 'haze-beyond-zero'
  | 'spots-too-far-beside'
  | 'primary-beyond-edge'
  | 'figures-not-right'
  | 'no-edge-shown'
  | 'line-end-missing'
  | 'edge-spot-missing'
  | 'haze-width-missing'
  | 'spot-distance-missing'
  | 'spot-out-of-range'
  | 'place-missing'

export type FailureCode = ProblemCode | ComputedCode
