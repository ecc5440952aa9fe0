import type { StationId } from '#core/process/steps/step'

/** What a term is shown on: a blade's section, a blade from its side, a rig from its side. */
export type TermView = 'section' | 'blade' | 'rig'

/** A part that a drawing can mark. */
export type TermPart =
  | 'apex'
  | 'behind'
  | 'belly'
  | 'bevel'
  | 'blade-height'
  | 'burr'
  | 'choil'
  | 'collar'
  | 'face-offset'
  | 'heel'
  | 'included'
  | 'micro-bevel'
  | 'per-side'
  | 'pivot'
  | 'primary'
  | 'setback'
  | 'shoulder'
  | 'spine'
  | 'tip'

/** A word of the trade: what it means in one or two sentences, where it is used, and where it is in a small drawing. */
export interface Term {
  readonly id: string
  readonly term: string
  readonly means: string
  readonly stations: readonly StationId[]
  /** The part of the drawing that is marked; null: there is nothing to draw. */
  readonly shown: { readonly view: TermView; readonly part: TermPart } | null
}

const of = (
  id: string,
  term: string,
  means: string,
  stations: readonly StationId[],
  shown: Term['shown'] = null,
): Term => ({ id, term, means, stations, shown })
const section = (part: TermPart) => ({ view: 'section', part }) as const
const blade = (part: TermPart) => ({ view: 'blade', part }) as const
const rig = (part: TermPart) => ({ view: 'rig', part }) as const

/** Every term that a newcomer may not know, in the order of the alphabet. */
export const GLOSSARY: readonly Term[] = [
  of(
    'apex',
    'Apex',
    'The very line where the two bevels meet: the edge itself.',
    ['mark', 'grind', 'prove'],
    section('apex'),
  ),
  of(
    'behind',
    'Behind the edge',
    'How thick the blade is where the edge bevel ends. Thin there, it cuts easily at any angle.',
    ['blade', 'grind'],
    section('behind'),
  ),
  of(
    'belly',
    'Belly',
    'The part of the edge that curves up towards the tip. Its angle runs off first.',
    ['blade', 'clamp', 'mark'],
    blade('belly'),
  ),
  of(
    'bevel',
    'Edge bevel',
    'The narrow ground face beside the edge. Its angle is what is set, read and proved.',
    ['blade', 'mark', 'grind'],
    section('bevel'),
  ),
  of(
    'blade-height',
    'Blade height',
    'How far the edge stands out of the jaws. More of it makes a flatter angle.',
    ['clamp'],
    rig('blade-height'),
  ),
  of(
    'burr',
    'Burr',
    'A thin lip of steel that turns over at the apex when a stone has reached it from one side. It must come off at the end.',
    ['grind', 'prove', 'use'],
    section('burr'),
  ),
  of(
    'choil',
    'Choil',
    'A notch where the edge ends at the heel. The stone can run out there.',
    ['blade'],
    blade('choil'),
  ),
  of(
    'collar',
    'Collar',
    'A stop on the rod or the post. It sets a height, or keeps the stone from running off.',
    ['rig', 'clamp'],
    rig('collar'),
  ),
  of(
    'face-offset',
    'Face offset',
    'How far the face of a stone lies from the middle of the rod. A thicker stone changes the angle.',
    ['rig', 'clamp', 'grind'],
    rig('face-offset'),
  ),
  of('false-edge', 'False edge', 'A second bevel ground on the spine. Ordinary jaws do not hold there.', [
    'blade',
    'clamp',
  ]),
  of('goniometer', 'Goniometer', 'Shines a laser at the edge. Where its bevels reflect to shows their angles.', [
    'prove',
  ]),
  of('heel', 'Heel', 'The end of the edge near the handle.', ['blade', 'clamp'], blade('heel')),
  of(
    'included',
    'Included angle',
    'Both sides together: 20° per side are 40° included.',
    ['clamp', 'prove'],
    section('included'),
  ),
  of(
    'level-gauge',
    'Level gauge',
    'Shows how steep the stone lies. From that follows the angle, where the zero is taken well.',
    ['clamp'],
  ),
  of('marker-test', 'Marker test', 'Ink the bevel and make a light pass. Where the ink is gone, the stone touches.', [
    'mark',
  ]),
  of(
    'micro-bevel',
    'Micro-bevel',
    'A very narrow, steeper bevel at the apex. It is strong, and quick to make.',
    ['grind', 'use'],
    section('micro-bevel'),
  ),
  of(
    'per-side',
    'Per side',
    'The angle between one bevel and the middle of the blade.',
    ['clamp', 'prove'],
    section('per-side'),
  ),
  of('pivot', 'Pivot', 'The joint that the rod turns in. Its height sets the angle.', ['rig', 'clamp'], rig('pivot')),
  of(
    'primary',
    'Primary bevel',
    'The wide ground face from the spine down to the edge bevel.',
    ['blade', 'mark'],
    section('primary'),
  ),
  of('proved', 'Proved', 'What was measured on the steel itself, by goniometer or marker.', ['prove']),
  of('read', 'Read', 'What the level gauge on the stone showed.', ['clamp', 'prove']),
  of(
    're-profile',
    'Re-profile',
    'To grind a new angle, not the one that is there. It takes the coarsest stone and the most steel.',
    ['mark', 'grind'],
  ),
  of('set', 'Set', 'What the geometry of rig, blade and stone gives, before anything is measured.', ['clamp']),
  of(
    'setback',
    'Setback',
    'How far the pivot stands behind the front of the jaws, measured level.',
    ['rig'],
    rig('setback'),
  ),
  of(
    'shoulder',
    'Shoulder',
    'The line where the edge bevel meets the primary bevel.',
    ['mark', 'grind'],
    section('shoulder'),
  ),
  of(
    'spine',
    'Spine',
    'The back of the blade, opposite the edge. The jaws hold it there.',
    ['blade', 'clamp'],
    blade('spine'),
  ),
  of('strop', 'Strop', 'Leather or wood with a fine compound, drawn away from the edge. It takes off the last burr.', [
    'grind',
    'prove',
  ]),
  of(
    'thinning',
    'Thinning',
    'Grinding the primary bevel, so that the blade is thinner behind the edge.',
    ['blade', 'grind'],
    section('behind'),
  ),
  of('tip', 'Tip', 'The point. A stone that runs past it rounds it.', ['blade', 'clamp', 'grind'], blade('tip')),
  of('uncertainty', 'Uncertainty, ±', 'In 95 of 100 cases the true value lies within this of the figure.', [
    'rig',
    'clamp',
    'prove',
  ]),
  of('wanted', 'Wanted', 'The angle that this edge should have, and why.', ['clamp']),
]

/** Other words under which a term stands on a label. */
const ALSO: Readonly<Record<string, readonly string[]>> = {
  primary: ['primary grind', 'primary half-angle'],
  'face-offset': ['rod to face', 'face to the rod'],
  uncertainty: ['known to ±', '±'],
  'micro-bevel': ['micro bevel'],
  bevel: ['bevel width', 'bevels'],
  included: ['included'],
}

/** The term that a label has in it, the longest where there are several; null where there is none. */
export function termIn(label: string): Term | null {
  const text = ` ${label.toLowerCase().replace(/[,.;:()]/g, ' ')} `
  const found = GLOSSARY.flatMap((one) =>
    [one.term.replace(/,.*/, ''), ...(ALSO[one.id] ?? [])]
      .map((word) => word.toLowerCase())
      .filter((word) => text.includes(` ${word} `))
      .map((word) => ({ one, word })),
  )
  return found.sort((a, b) => b.word.length - a.word.length)[0]?.one ?? null
}
