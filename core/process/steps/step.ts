import type { SetupPart } from '../../log/setAlike'
import type { StepId } from '../../log/stepIds'
import type { ZoneKind } from '../../records/blade/zones'
import type { Side } from '../../records/common/side'
import type { ClampPosition } from '../../records/job/clampPosition'
import type { DialSetting } from '../../records/rig/dials/readings'
import type { GripTrouble } from '../../geometry/hold/grip'
import type { Refusal } from '../../schema/refusal'

/** The stations of the work, in their order. */
export const STATION_IDS = ['rig', 'blade', 'clamp', 'mark', 'grind', 'prove', 'use'] as const
export type StationId = (typeof STATION_IDS)[number]

/** What completes a step: when, and its figure. */
export interface Fact {
  /** When it was recorded; null for what is said of the job itself, which is not dated. */
  readonly at: string | null
  /** Degrees. */
  readonly deg?: number
  readonly uncertaintyDeg?: number
  /** Strokes. */
  readonly count?: number
  readonly heightMm?: number
}

/** Why what completed a step does so no longer. */
export type OutOfDate =
  | SetupPart
  | 'wanted'
  | 'gauge-zero'
  | 'ground-since'
  | 'tested-since'
  | 'found-since'
  | 'apex-not-said'
  | 'not-to-apex'
  | 'unsure'
  /** It is not what it should be: to be explained, or accepted. */
  | 'differs'

export type StepState =
  | { readonly is: 'missing' }
  /** Zones tested, of so many; or strokes made, and nobody knows of how many. */
  | { readonly is: 'under-way'; readonly done: number; readonly of: number | null }
  | { readonly is: 'done'; readonly fact: Fact }
  | { readonly is: 'out-of-date'; readonly fact: Fact; readonly because: readonly OutOfDate[] }
  /** `fact`: what it came to, where that was accepted as it is. */
  | { readonly is: 'left-out'; readonly at: string; readonly fact: Fact | null }

/** What to do for a step, with the figures that say how and why. Angles in degrees. */
export type ToDo =
  | { readonly does: 'say-wanted' }
  | {
      readonly does: 'mend-grip'
      readonly trouble: GripTrouble
      /** The nearest hold that can be; null where these jaws hold this blade nowhere. */
      readonly instead: ClampPosition | null
    }
  | { readonly does: 'mend-hold'; readonly refusal: Refusal }
  /** Of a long blade: the clamping position that is next, of so many. */
  | { readonly does: 'hold-position'; readonly position: number; readonly of: number }
  /** Of facets that are worked in one hold: the one that is next, of so many, and the place that it is dialled for. */
  | { readonly does: 'set-for-facet'; readonly position: number; readonly of: number; readonly placeMm: number }
  /** They were found for another angle. */
  | { readonly does: 'find-positions'; readonly foundForDeg: number }
  | { readonly does: 'hold-otherwise'; readonly spineMm: number; readonly mostMm: number }
  | { readonly does: 'clear-jaws'; readonly lowestDeg: number | null }
  | { readonly does: 'even-angle'; readonly lowestDeg: number; readonly highestDeg: number }
  /** The same of an edge with corners, whose facets can each be set by itself. */
  | { readonly does: 'keep-facets'; readonly lowestDeg: number; readonly highestDeg: number }
  /** `placeMm`: where, from the heel; null: at the place that the dial is for. */
  | { readonly does: 'measure-height'; readonly heightMm: number; readonly placeMm: number | null }
  | {
      readonly does: 'dial'
      readonly setting: DialSetting
      readonly givesDeg: number
      readonly offDeg: number
      readonly uncertaintyDeg: number
    }
  | { readonly does: 'read'; readonly mustReadDeg: number; readonly uncertaintyDeg: number }
  | { readonly does: 'explain-reading'; readonly offDeg: number }
  | { readonly does: 'mark'; readonly looked: number; readonly of: number }
  | { readonly does: 'decide' }
  | { readonly does: 'choose-stones' }
  | { readonly does: 'put-on' }
  /** Strokes made so far, at this setting. */
  | { readonly does: 'grind'; readonly strokes: number }
  | { readonly does: 'remove-burr' }
  | { readonly does: 'prove' }
  | { readonly does: 'explain-proof'; readonly offDeg: number; readonly uncertaintyDeg: number }
  /**
   * `offDeg`: the worst of what was proved, less what was wanted; null where nothing was proved. `along`: what each
   * side has from heel to tip; none before all other steps are done.
   */
  | { readonly does: 'put-to-use'; readonly offDeg: number | null; readonly along: readonly AngleAsGround[] }
  | { readonly does: 'note-outcome' }

/** Further than this from the wanted angle is far off, degrees. */
export const FAR_OFF_DEG = 1

/** The edge of a side from heel to tip as it was last ground, degrees per side. */
export interface AngleAsGround {
  readonly side: Side
  readonly lowestDeg: number
  readonly highestDeg: number
  /** Where it is furthest from the wanted angle: from the heel, and by how much, with its sign. */
  readonly worstAtMm: number
  readonly worstDeg: number
  /** Whether anything was proved of it: else it is what the rig gave. */
  readonly proved: boolean
}

/** One step of a job: where it is done, what completes it or is missing, and what to do for it. */
export interface Step {
  readonly id: StepId
  readonly station: StationId
  readonly side: Side | null
  readonly zone: ZoneKind | null
  readonly stoneId: string | null
  /** Whether the stone is on for the micro-bevel. */
  readonly forMicroBevel: boolean
  /** The job's position that it is for, from 1 on; null where it has none, or for all. */
  readonly position: number | null
  /** The place of the edge that it is for, mm from the heel; null: where the dial is for, or all along. */
  readonly placeMm: number | null
  readonly state: StepState
  /** Null where there is nothing to do for it, or something else comes first. */
  readonly toDo: ToDo | null
  /** Whether a person may leave it out. */
  readonly leavable: boolean
}

export const isOpen = ({ is }: StepState): boolean => is === 'missing' || is === 'under-way' || is === 'out-of-date'
