import type { ThingKind } from '#core/kept/things'

/** What a kept thing is called. */
export const THING_WORD: Record<ThingKind, string> = { rigs: 'rig', blades: 'blade', stones: 'stone', jobs: 'job' }
