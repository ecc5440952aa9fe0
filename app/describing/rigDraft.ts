import { problemFields } from '#core/kept/problem'
import { impossibilities } from '#core/rig/impossible'
import { possibleRig } from '#core/rig/possibleRig'
import { rigMeasures, type Rig, type RigKind } from '#core/rig/rig'
import type { HeightReading } from '#core/rig/heightReading'
import type { LengthUnit } from '#core/units/length'
import { readDraft, toDraft, type Draft } from './draft'

export type Language = HeightReading['by']

/** The ways in which each kind of rig can say its pivot's height, the usual one first. */
export const LANGUAGES: Record<RigKind, readonly Language[]> = {
  'slot-plate': ['slot'],
  'turning-post': ['millimetres', 'turns', 'degree-scale', 'slot'],
  'two-arm': ['degree-scale', 'millimetres', 'turns', 'slot'],
  'table-post': ['millimetres', 'turns', 'degree-scale'],
}

export const EMPTY_JAWS = {
  name: 'Jaws',
  widthMm: '',
  halfThicknessMm: '',
  depthMm: '',
  knobHeightMm: '',
  knobBehindMm: '',
  mostSpineFlatMm: '',
  mostSpineSabreMm: '',
}

/** Which measures each language has, empty. */
const EMPTY_HEIGHT: Record<Language, Draft> = {
  slot: {
    slots: [
      { label: '1', heightMm: '' },
      { label: '2', heightMm: '' },
    ],
    slideMm: '0',
  },
  millimetres: { lowestMm: '', highestMm: '', zeroMm: '', resolutionMm: '1' },
  turns: { lowestMm: '', highestMm: '', zeroMm: '', pitchMm: '', divisions: '1' },
  'degree-scale': {
    lowestMarkDeg: '',
    highestMarkDeg: '',
    stepDeg: '1',
    drawnForBladeHeightMm: '',
    drawnForFaceOffsetMm: '',
  },
}

/** The draft of a rig. All that any kind or language has is there, so that changing one's mind loses nothing. */
export interface RigDraft {
  name: string
  notes: string
  kind: RigKind
  jaws: Draft
  moreJaws: Draft[]
  stops: Draft[]
  positionMarks: Draft[]
  rodLengthMm: string
  stroke: Draft
  pivot: Draft
  pivotB: Draft
  pivotPlayMm: string
  by: Language
  height: Draft
  tolerance: Draft
}

const allHeights = (): Draft => Object.assign({}, ...Object.values(structuredClone(EMPTY_HEIGHT))) as Draft

export const emptyRigDraft = (kind: RigKind, unit: LengthUnit): RigDraft => ({
  name: '',
  notes: '',
  kind,
  jaws: { ...EMPTY_JAWS },
  moreJaws: [],
  stops: [],
  positionMarks: [],
  rodLengthMm: '',
  stroke: { nearestMm: '', farthestMm: '' },
  pivot: { setbackMm: '', alongMm: '0' },
  pivotB: { setbackMm: '', alongMm: '0' },
  pivotPlayMm: '0',
  by: LANGUAGES[kind][0]!,
  height: allHeights(),
  tolerance: toDraft({ heightMm: 0.5, setbackMm: 0.5, alongMm: 0.5 }, unit) as Draft,
})

/** An existing rig as a draft. */
export function rigDraftOf(rig: Rig, unit: LengthUnit): RigDraft {
  const draft = toDraft(rigMeasures.parse(rig), unit) as Draft
  const empty = emptyRigDraft(rig.kind, unit)
  const { by, ...height } = draft.height as Draft
  return {
    ...empty,
    ...draft,
    jaws: (draft.jaws as Draft | null) ?? empty.jaws,
    pivotB: (draft.pivotB as Draft | null) ?? (draft.pivot as Draft),
    stroke: (draft.stroke as Draft | null) ?? empty.stroke,
    by: by as Language,
    height: { ...empty.height, ...height },
  } as RigDraft
}

export interface ReadRig {
  /** The rig, when nothing is wrong with it. */
  readonly rig: Rig | null
  /** What is wrong, by dotted path. */
  readonly problems: Readonly<Record<string, string>>
}

/**
 * Reads the draft of a rig: only what its kind and its language have counts. `base`: the rig that the draft began as.
 */
export function readRig(draft: RigDraft, unit: LengthUnit, base: Rig | null): ReadRig {
  const noStroke = draft.stroke.nearestMm === '' && draft.stroke.farthestMm === ''
  const { by, ...rest } = draft
  const height = Object.fromEntries(Object.keys(EMPTY_HEIGHT[by]).map((key) => [key, draft.height[key]]))
  const table = draft.kind === 'table-post'
  const counted = {
    ...rest,
    jaws: table ? null : draft.jaws,
    moreJaws: table ? [] : draft.moreJaws,
    positionMarks: draft.positionMarks,
    stroke: noStroke ? null : draft.stroke,
    pivotB: draft.kind === 'two-arm' ? draft.pivotB : null,
    height: { by, ...height },
  }
  const { content, problems: unread } = readDraft(counted, unit, base ?? undefined)
  const parsed = possibleRig.safeParse(content)
  if (parsed.success) return { rig: parsed.data, problems: unread }
  const problems: Record<string, string> = { ...unread }
  const measures = rigMeasures.safeParse(content)
  const found = measures.success ? impossibilities(measures.data) : problemFields(parsed.error)
  for (const { field, message } of found) problems[field] ??= message
  return { rig: null, problems }
}
