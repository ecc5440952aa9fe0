import type { SetupPart } from '#core/log/setAlike'

export const SETUP_PART_WORD: Readonly<Record<SetupPart, string>> = {
  rig: 'the rig',
  'rig-measures': 'the rig’s measures',
  jaws: 'the jaws',
  hold: 'the hold',
  stone: 'the stone',
  dial: 'the dial',
}

/** What of a setup has changed: "the hold, the stone". */
export const changesText = (parts: readonly SetupPart[]): string =>
  parts.map((part) => SETUP_PART_WORD[part]).join(', ')
