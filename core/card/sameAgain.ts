import type { Setup } from '../setup/setup'

/** What a clamp card brings back: how the blade was held, what was dialled and why, with which jaws and stones. */
export type ClampCard = Pick<Setup, 'held' | 'dialled' | 'jawsName' | 'progression' | 'wanted'>

/** The clamp card of a job. */
export const cardOf = ({ held, dialled, jawsName, progression, wanted }: Setup): ClampCard => ({
  held,
  dialled,
  jawsName,
  progression,
  wanted,
})

/** Jobs done with this blade on this rig, in the order given. */
export const doneWith = <T extends Setup>(
  jobs: readonly T[],
  { rigId, bladeId }: Pick<Setup, 'rigId' | 'bladeId'>,
): T[] => jobs.filter((job) => job.rigId === rigId && job.bladeId === bladeId)

/** Whether two jobs hold their blade and stand their pivot in the same way. */
export const heldAlike = (a: Setup, b: Setup): boolean =>
  JSON.stringify([a.held, a.dialled, a.jawsName]) === JSON.stringify([b.held, b.dialled, b.jawsName])
