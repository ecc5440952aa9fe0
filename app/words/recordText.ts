import type { InstrumentKind } from '#core/records/instrument/instrument'
import type { RecordKind } from '#core/records/storage/kinds'

/** What a record is called. */
export const RECORD_WORD: Record<RecordKind, string> = {
  rigs: 'rig',
  blades: 'blade',
  stones: 'stone',
  jobs: 'job',
  instruments: 'instrument',
  owners: 'owner',
}

export const INSTRUMENT_KIND_WORD: Record<InstrumentKind, string> = {
  'level-gauge': 'Level gauge',
  'goniometer-scale': 'Goniometer, scale in degrees',
  'goniometer-screen': 'Goniometer, flat screen',
}
