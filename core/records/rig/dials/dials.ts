import { degreeDial } from './degreeScale'
import type { Dial } from './dial'
import { millimetreDial } from './millimetres'
import type { DialLanguage, DialSetting, HeightReading, ReadingOf, SettingOf } from './readings'
import { slotDial } from './slots'
import { turnDial } from './turns'

/** Every language in which a rig says its pivot's height. A new one is a record here; a gap does not compile. */
const DIALS: { readonly [B in DialLanguage]: Dial<ReadingOf<B>, SettingOf<B>> } = {
  slot: slotDial,
  millimetres: millimetreDial,
  turns: turnDial,
  'degree-scale': degreeDial,
}

/** The dial of a reading, for a setting of its own language. */
export const dialOf = (of: HeightReading): Dial<HeightReading, DialSetting> =>
  DIALS[of.by] as unknown as Dial<HeightReading, DialSetting>
