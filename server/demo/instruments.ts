import { instrument, type Instrument } from '../../core/records/instrument/instrument'

/** What the tool room reads angles with. */
export const demoInstruments: Record<'gauge' | 'goniometer', Instrument> = {
  gauge: instrument.parse({
    name: 'Tool-room gauge',
    notes: 'Reads to a tenth; battery in March.',
    kind: 'level-gauge',
    uncertaintyDeg: 0.1,
  }),
  goniometer: instrument.parse({
    name: 'Potting-shed goniometer',
    notes: 'A flat screen on the shelf over the bench.',
    kind: 'goniometer-screen',
    screenDistanceMm: 250,
    uncertaintyDeg: 0.2,
  }),
}
