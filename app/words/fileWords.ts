import type { FileKind } from '#core/exchange/files/fileKind'

/** What a file is, and where it goes. */
const FILE_TEXT: Record<FileKind, readonly [is: string, goes: string]> = {
  backup: ['a backup of all data', 'Import it in Preferences.'],
  job: ['the record of a job', 'Import it on the shelf or in Preferences.'],
  tools: ['a file of rigs and stones', 'Import it on the shelf.'],
  stones: ['a table of stones', 'Import it on the shelf.'],
  readings: ['a table of readings', 'It is for spreadsheets. The record of the job, its JSON, can be imported.'],
  drawing: ['a drawing', 'A drawing of an edge is chosen where a blade is described.'],
  points: ['a table of points', 'Points of an edge are chosen where a blade is described.'],
  picture: ['a picture', 'It is chosen where it is read (Blade, Mark, Prove).'],
  pdf: ['a PDF', 'It is for printing. The record of the job, its JSON, can be imported.'],
  'other-json': [
    'a JSON file of another kind',
    'What can be imported: backups, records of jobs, rigs and stones, as this application writes them.',
  ],
  unknown: [
    'no file that can be read here',
    'What can be imported: backups, records of jobs, rigs and stones as JSON; stones also as a table.',
  ],
}

/** That a file is of another kind than was asked for, and where it goes. */
export const goesElsewhere = (name: string, kind: FileKind): string => {
  const [is, goes] = FILE_TEXT[kind]
  return `${name} is ${is}. ${goes}`
}
