import { calibratingRig } from '#core/observe/calibration/fitRig'
import { monteCarlo } from '#core/uncertainty/monteCarlo'
import { inkSays } from '#core/observe/marker/inkSays'
import { advisedWay } from '#core/simulation/standIn/closedTest'
import { findPlacement } from '#core/placement/findPlacement'
import { positionsFor } from '#core/placement/longBlade'

/** What is too long for the screen's own thread: each yields how far it is and returns its result. */
export const TASKS = { monteCarlo, findPlacement, positionsFor, inkSays, advisedWay, calibratingRig } as const
export type TaskName = keyof typeof TASKS
export type TaskAsk<N extends TaskName> = Parameters<(typeof TASKS)[N]>[0]
export type TaskResult<N extends TaskName> =
  ReturnType<(typeof TASKS)[N]> extends Generator<number, infer R, void> ? R : never
