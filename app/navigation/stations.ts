import { STATION_IDS, type StationId } from '#core/process/steps/step'

/** One view of a station or of the room beside them. The first has no name in the address. */
export interface Sheet {
  readonly id: string
  /** As its tab and the commands call it. */
  readonly word: string
  /** What it answers: the heading of the page, and the window's title. */
  readonly title: string
  /** It fills the window instead of growing with what it holds. */
  readonly fills?: boolean
  /** It is reached from another sheet, not by a tab. */
  readonly aside?: boolean
}

/** A station of the work, or the room of uncertainty beside them. */
export interface Room {
  readonly id: StationId | 'uncertainty'
  readonly word: string
  readonly key: string
  readonly sheets: readonly Sheet[]
}

export const MOST_TABS = 5

/**
 * The stations of the work, each with its sheets in the order they are needed. Pages, titles, the way through a job,
 * the commands and the tests all read this table: a new sheet is one line here, and its component in sheetViews.ts. A
 * station without sheets is done by hand.
 */
const SHEETS = {
  rig: {
    word: 'Rig',
    key: '1',
    sheets: [
      {
        id: '',
        word: 'Rig and stones',
        title: 'Which rig, which stone?',
      },
      {
        id: 'marks',
        word: 'Printed marks',
        title: 'True angles of the printed marks',
      },
      {
        id: 'describe',
        word: 'Describe',
        title: 'Describe a rig',
        fills: true,
        aside: true,
      },
    ],
  },
  blade: {
    word: 'Blade',
    key: '2',
    sheets: [
      { id: '', word: 'Blade', title: 'Which blade is it?' },
      {
        id: 'describe',
        word: 'Describe',
        title: 'Describe a blade',
        fills: true,
        aside: true,
      },
    ],
  },
  clamp: {
    word: 'Clamp',
    key: '3',
    sheets: [
      {
        id: '',
        word: 'Bench',
        title: 'How the blade is held, and what is dialled',
        fills: true,
      },
      {
        id: 'even',
        word: 'Even angle',
        title: 'An even angle from heel to tip',
      },
      {
        id: 'hold',
        word: 'Will it hold?',
        title: 'Will it hold, reach and clear?',
      },
      {
        id: 'gauge',
        word: 'Gauge',
        title: 'What must the gauge read?',
      },
      {
        id: 'card',
        word: 'Clamp card',
        title: 'The clamp card',
      },
    ],
  },
  mark: {
    word: 'Mark',
    key: '4',
    sheets: [
      { id: '', word: 'Ink', title: 'Which bevel is there?' },
      { id: 'photo', word: 'From a photograph', title: 'What does the photograph show?' },
      { id: 'decide', word: 'Follow or cut?', title: 'Follow the bevel, or cut another?' },
      { id: 'practice', word: 'Practice', title: 'Find the bevel, for practice' },
    ],
  },
  grind: {
    word: 'Grind',
    key: '5',
    sheets: [
      {
        id: '',
        word: 'Stones in order',
        title: 'Stones in their order',
      },
      { id: 'plan', word: 'Plan', title: 'Which stones, and how much work?' },
      { id: 'bench', word: 'At the stone', title: 'At the stone', fills: true },
      { id: 'photo', word: 'Scratches', title: 'Has this stone done its work?' },
      { id: 'life', word: 'Blade’s life', title: 'What sharpening leaves of the blade' },
    ],
  },
  prove: {
    word: 'Prove',
    key: '6',
    sheets: [
      {
        id: '',
        word: 'What is proved',
        title: 'What was read and proved',
      },
      { id: 'photo', word: 'From a photograph', title: 'What does the screen show?' },
      { id: 'bevel', word: 'Bevel width', title: 'Is the bevel as wide as it must be?' },
      { id: 'report', word: 'Report', title: 'The job on one page' },
      { id: 'calibrate', word: 'The rig’s own errors', title: 'What do the proofs say of the rig?' },
    ],
  },
  use: {
    word: 'Use',
    key: '7',
    sheets: [
      { id: '', word: 'Use', title: 'How did the edge hold?' },
      { id: 'ticket', word: 'Ticket', title: 'The ticket, and what the owner is told' },
      { id: 'record', word: 'Record', title: 'The record of this blade' },
      { id: 'hand', word: 'By hand', title: 'The same angle by hand' },
    ],
  },
} as const satisfies Record<StationId, Omit<Room, 'id'>>
export const STATIONS: readonly (Room & { readonly id: StationId })[] = STATION_IDS.map((id) => ({ id, ...SHEETS[id] }))

/** How sure it all is stands beside the stations: it is asked of every one of them. */
export const UNCERTAINTY = {
  id: 'uncertainty',
  word: 'Uncertainty',
  key: '8',
  sheets: [
    {
      id: '',
      word: 'How sure',
      title: 'How sure is the set angle?',
    },
    {
      id: 'sides',
      word: 'Two sides',
      title: 'How far do the two sides differ?',
    },
    { id: 'what-if', word: 'What if', title: 'What if?', fills: true },
  ],
} as const satisfies Room
export const ROOMS: readonly Room[] = [...STATIONS, UNCERTAINTY]

type KeysOf<R extends string, S extends Omit<Room, 'id'>> = `${R}/${S['sheets'][number]['id']}`
/** Every sheet there is, as room and sheet: "clamp/even". */
export type SheetKey =
  { [R in StationId]: KeysOf<R, (typeof SHEETS)[R]> }[StationId] | KeysOf<'uncertainty', typeof UNCERTAINTY>

/** The sheets of a room that have a tab. */
export const tabsOf = (room: Room): readonly Sheet[] => room.sheets.filter((sheet) => !sheet.aside)

/** The address of a sheet of a job. */
export const sheetPath = (jobId: string, room: Room['id'], sheetId = ''): string =>
  `/jobs/${jobId}/${room}${sheetId && `/${sheetId}`}`

/** The same, from a sheet's key. */
export function sheetAddress(jobId: string, key: SheetKey): string {
  const [room, sheet] = key.split('/')
  return `/jobs/${jobId}/${room}${sheet && `/${sheet}`}`
}

export interface SheetAddress {
  readonly room: Room
  readonly sheet: Sheet
}

/** The room and the sheet that an address is of; null outside a job, and where there is no such sheet. */
export function placeAt(path: string): SheetAddress | null {
  const [, jobs, , roomId, sheetId = ''] = path.split('/')
  const room = jobs === 'jobs' ? ROOMS.find((one) => one.id === roomId) : undefined
  const sheet = room?.sheets.find((one) => one.id === sheetId)
  return room && sheet ? { room, sheet } : null
}

/** The sheets that a practice is done on; the others are of the job itself. */
const PRACTISED: readonly SheetKey[] = ['clamp/', 'clamp/hold', 'mark/', 'mark/photo', 'mark/practice']
export const isPractised = ({ room, sheet }: SheetAddress): boolean =>
  PRACTISED.some((key) => key === `${room.id}/${sheet.id}`)

/** Where sheets of earlier addresses are now. */
const MOVED: Readonly<Record<string, string>> = {
  'rig/order': 'grind',
  'clamp/parts': 'clamp/even',
  'clamp/sides': 'uncertainty/sides',
  'clamp/sure': 'uncertainty',
  'clamp/what-if': 'uncertainty/what-if',
}

/** The address to go to from one within a job that is of no sheet. */
export function movedTo(path: string): string {
  const [, , jobId, ...rest] = path.split('/')
  return `/jobs/${jobId}/${MOVED[rest.join('/')] ?? 'clamp'}`
}

/** The four angles that are never mixed up, in the order they come to be known. */
export const ANGLES = [
  { id: 'wanted', word: 'Wanted', key: 'w', means: 'what this edge should have' },
  { id: 'set', word: 'Set', key: 'e', means: 'what the rig’s geometry gives' },
  { id: 'read', word: 'Read', key: 'r', means: 'what the gauge on the stone shows' },
  { id: 'proved', word: 'Proved', key: 'p', means: 'what is really on the steel' },
] as const
export type AngleId = (typeof ANGLES)[number]['id']
