/** The stations of the work, in order. The way through a job, the shortcuts and the tests all read this table. */
export const STATIONS = [
  { id: 'rig', word: 'Rig', key: '1', asks: 'Which rig, and which stone is on the rod?' },
  { id: 'blade', word: 'Blade', key: '2', asks: 'Which blade?' },
  { id: 'clamp', word: 'Clamp', key: '3', asks: 'How is it held, and what is dialled?' },
] as const
export type StationId = (typeof STATIONS)[number]['id']

/** The address of a station of a job. */
export const stationPath = (jobId: string, station: StationId): string => `/jobs/${jobId}/${station}`

/** The four angles that are never mixed up, in the order they come to be known. */
export const ANGLES = [
  { id: 'wanted', word: 'Wanted', key: 'w', means: 'what this edge should have' },
  { id: 'set', word: 'Set', key: 'e', means: 'what the rig’s geometry gives' },
  { id: 'read', word: 'Read', key: 'r', means: 'what the gauge on the stone shows' },
  { id: 'proved', word: 'Proved', key: 'p', means: 'what is really on the steel' },
] as const
export type AngleId = (typeof ANGLES)[number]['id']
