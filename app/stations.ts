/** One view of a station. The first has no name in the address. */
export interface Sheet {
  readonly id: string
  readonly word: string
}

const sheet = (id: string, word: string): Sheet => ({ id, word })

/**
 * The stations of the work, in order, each with its sheets. The way through a job, the shortcuts and the tests all read
 * this table.
 */
export const STATIONS = [
  {
    id: 'rig',
    word: 'Rig',
    key: '1',
    asks: 'Which rig, and which stone is on the rod?',
    sheets: [sheet('', 'Rig and stones'), sheet('marks', 'Marks told true'), sheet('order', 'Stones in order')],
  },
  { id: 'blade', word: 'Blade', key: '2', asks: 'Which blade?', sheets: [] as Sheet[] },
  {
    id: 'clamp',
    word: 'Clamp',
    key: '3',
    asks: 'How is it hold, and what is dialled?',
    sheets: [
      sheet('', 'Bench'),
      sheet('even', 'Even angle'),
      sheet('parts', 'Long and faceted'),
      sheet('hold', 'Will it hold?'),
      sheet('sides', 'Two sides'),
      sheet('sure', 'How sure'),
      sheet('what-if', 'What if'),
      sheet('gauge', 'Gauge'),
      sheet('card', 'Clamp card'),
    ],
  },
] as const
export type StationId = (typeof STATIONS)[number]['id']

/** The address of a sheet of a job's station. */
export const stationPath = (jobId: string, station: StationId, sheetId = ''): string =>
  `/jobs/${jobId}/${station}${sheetId && `/${sheetId}`}`

/** The station and the sheet that an address is of; null outside a job. */
export function stationAt(path: string): { station: (typeof STATIONS)[number]; sheetId: string } | null {
  const [, jobs, , stationId, sheetId = ''] = path.split('/')
  const station = STATIONS.find((one) => one.id === stationId)
  return jobs === 'jobs' && station ? { station, sheetId } : null
}

/** The four angles that are never mixed up, in the order they come to be known. */
export const ANGLES = [
  { id: 'wanted', word: 'Wanted', key: 'w', means: 'what this edge should have' },
  { id: 'set', word: 'Set', key: 'e', means: 'what the rig’s geometry gives' },
  { id: 'read', word: 'Read', key: 'r', means: 'what the gauge on the stone shows' },
  { id: 'proved', word: 'Proved', key: 'p', means: 'what is really on the steel' },
] as const
export type AngleId = (typeof ANGLES)[number]['id']
