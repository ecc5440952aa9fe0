import { keysOf } from '#core/schema/keys'
import type { ClampPosition } from '#core/records/job/clampPosition'
import type { Job } from '#core/records/job/job'
import { isForMicroBevel } from '#core/records/job/stoneUses'
import type { Rig } from '#core/records/rig/rig'
import type { LengthUnit } from '#core/math/units/length'
import { angleText, differenceText } from './angleText'
import { dialText } from './dialText'
import { exactLength, lengthText } from './lengthText'
import { GAUGE_AXES_WORD, GAUGE_ZERO_WORD } from './measureText'
import { placeText } from './placeText'
import { FINISH_WORD } from './planText'
import { PURPOSE_WORD } from './purposeText'
import { RIG_WORDS } from './rigText'
import { capital } from './sentence'
import { steeperText } from './steeperText'

/** What the words of a job are told by. */
export interface JobNames {
  readonly unit: LengthUnit
  readonly sideNames: { readonly A: string; readonly B: string }
  /** The rig of a job as it was measured for it; null where it is not here. */
  rig(job: Job): Rig | null
  /** The name of a rig, a blade or a stone. */
  name(id: string): string
  heelToMiddleMm(job: Job): number
}

type Line = readonly [word: string, value: string]

/** What changes by itself, or is told by its own parts. */
type Untold = 'setAside' | 'rigRevision'

/** What each field of a job says, in words and with units; a field without words does not compile. */
const LINES: Record<Exclude<keyof Job, Untold>, (job: Job, names: JobNames) => readonly Line[]> = {
  name: (job) => [['Name', job.name]],
  purpose: (job) => [['Purpose', job.purpose ? PURPOSE_WORD[job.purpose] : 'the usual one']],
  notes: (job) => [['Notes', job.notes || 'none']],
  dueOn: (job) => [['Wanted back', job.dueOn ?? 'no day named']],
  finish: (job) => [['Finish', FINISH_WORD[job.finish]]],
  chip: ({ chip }, { unit }) => [
    ['Deepest chip', chip ? exactLength(chip.depthMm, unit) : 'none'],
    ['Chip ground out', chip?.over === 'three' ? 'over three sharpenings' : 'at once'],
  ],
  rigId: (job, { name }) => [['Rig', name(job.rigId)]],
  bladeId: (job, { name }) => [['Blade', name(job.bladeId)]],
  stoneId: (job, { name }) => [['Stone', name(job.stoneId)]],
  jawsName: (job) => [['Jaws fitted', job.jawsName ?? 'the usual ones']],
  hold: (job, names) => {
    const words = RIG_WORDS[names.rig(job)?.kind ?? 'slot-plate']
    const text = (mm: number) => lengthText(mm, names.unit)
    const { bladeYMm, turnDeg, centreOffsetMm, tiltDeg }: ClampPosition = job.hold
    return [
      [capital(words.heelToMiddle), text(names.heelToMiddleMm(job))],
      ['Depth held', text(bladeYMm)],
      [words.turn, differenceText(turnDeg)],
      ['Centring', `${text(centreOffsetMm)}, ${differenceText(tiltDeg)}`],
    ]
  },
  dialled: (job, names) => {
    const rig = names.rig(job)
    const { A, B, linked } = job.dialled
    const text = (setting: typeof A) => (rig && dialText(rig, setting)) || 'nothing that this rig has'
    return linked
      ? [['Dialled', text(A)]]
      : [
          [`Dialled, ${names.sideNames.A}`, text(A)],
          [`Dialled, ${names.sideNames.B}`, text(B)],
        ]
  },
  wanted: ({ wanted: { deg, why } }, { sideNames }) => [
    [`Wanted angle, ${sideNames.A}`, angleText(deg.A)],
    [`Wanted angle, ${sideNames.B}`, angleText(deg.B)],
    ['Why so', why || 'not said'],
  ],
  dialForMm: (job, names) => [['The dial is for', placeOf(job, job.dialForMm, names)]],
  progression: (job, { name }) => [
    ['Stones, in their order', job.progression.map((id) => name(id)).join(', ') || 'none chosen'],
  ],
  microBevel: ({ microBevel }, { name }) => [
    ['Micro-bevel', microBevel ? steeperText(microBevel.addDeg) : 'none'],
    ['Stone for the micro-bevel', microBevel?.stoneId ? name(microBevel.stoneId) : 'the last of the order'],
  ],
  onMicroBevel: (job) => [['The stone is on for', isForMicroBevel(job) ? 'the micro-bevel' : 'the bevel']],
  stropAddDeg: ({ stropAddDeg }) => [['Strop', stropAddDeg === 0 ? 'at the same angle' : steeperText(stropAddDeg)]],
  positions: ({ positions }) => [['Positions', positions ? String(positions.each.length) : 'none']],
  bladeHeightToleranceMm: (job, { unit }) => [['Blade height ±', exactLength(job.bladeHeightToleranceMm, unit)]],
  holdTolerance: ({ holdTolerance: { alongMm, turnDeg, centreOffsetMm, tiltDeg } }, { unit }) => [
    ['Place along ±', exactLength(alongMm, unit)],
    ['Turn ±', angleText(turnDeg)],
    ['Centring ±', exactLength(centreOffsetMm, unit)],
    ['Tilt ±', angleText(tiltDeg)],
  ],
  gaugeZero: (job) => [['Gauge zeroed on', GAUGE_ZERO_WORD[job.gaugeZero]]],
  gaugeAxes: (job) => [['The gauge has', GAUGE_AXES_WORD[job.gaugeAxes].toLowerCase()]],
}

const placeOf = (job: Job, fromHeelMm: number | null, names: JobNames): string =>
  placeText(fromHeelMm, names.rig(job)?.kind ?? 'slot-plate', names.unit)

/**
 * What two versions of a job say differently, line by line. Versions that differ in nothing that is told differ in the
 * rig's measures.
 */
export function jobDifferences(
  mine: Job,
  theirs: Job,
  names: JobNames,
): { word: string; mine: string; theirs: string }[] {
  const rows = keysOf(LINES).flatMap((field) => {
    const [here, there] = [LINES[field](mine, names), LINES[field](theirs, names)]
    const words = [...new Set([...here, ...there].map(([word]) => word))]
    const of = (lines: readonly Line[], word: string) => lines.find((line) => line[0] === word)?.[1] ?? '–'
    return words.map((word) => ({ word, mine: of(here, word), theirs: of(there, word) }))
  })
  const differing = rows.filter((row) => row.mine !== row.theirs)
  if (differing.length > 0 || mine.rigRevision === theirs.rigRevision) return differing
  return [
    {
      word: 'Rig’s measures',
      mine: `as of version ${mine.rigRevision}`,
      theirs: `as of version ${theirs.rigRevision}`,
    },
  ]
}
