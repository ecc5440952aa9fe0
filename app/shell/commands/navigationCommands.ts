import type { Router } from 'vue-router'
import { nth } from '#core/math/list'
import type { JobView } from '~/job/view'
import { placeAt, ROOMS, sheetPath, tabsOf } from '~/navigation/stations'
import type { CommandEntry } from './command'

/** Other words by which a person would look for a sheet. */
const SHEET_FINDS: Readonly<Record<string, string>> = {
  'clamp/card': 'print pdf paper',
  'clamp/even': 'best hold belly',
  'uncertainty/sides': 'centring flip',
  'uncertainty/what-if': 'try',
}

/** To the stations and their sheets, to the shelf and to what can be described there. */
export function navigationCommands(router: Router): CommandEntry[] {
  const go = (path: string) => void router.push(path)
  /** To the sheet beside the one that is open, round and round. */
  const turnSheet = (by: number) => (job: JobView) => {
    const place = placeAt(router.currentRoute.value.path)
    const tabs = place ? tabsOf(place.room) : []
    if (!place || tabs.length < 2) return
    const next = nth(tabs, (tabs.indexOf(place.sheet) + by + tabs.length) % tabs.length)
    go(sheetPath(job.id, place.room.id, next.id))
  }
  const rooms = ROOMS.filter((room) => room.sheets.length > 0)
  return [
    ...rooms.map((room): CommandEntry => ({
      id: `go-${room.id}`,
      label: room.id === 'uncertainty' ? 'How sure it all is' : `${room.word} station`,
      group: 'Go',
      icon: 'i-lucide-milestone',
      keys: room.key,
      onJob: (job) => go(sheetPath(job.id, room.id)),
    })),
    ...rooms.flatMap((room) =>
      tabsOf(room)
        .filter((sheet) => sheet.id !== '')
        .map((sheet): CommandEntry => ({
          id: `sheet-${sheet.id}`,
          label: sheet.word,
          group: 'Go',
          icon: 'i-lucide-file',
          finds: SHEET_FINDS[`${room.id}/${sheet.id}`],
          onJob: (job) => go(sheetPath(job.id, room.id, sheet.id)),
        })),
    ),
    {
      id: 'sheet-before',
      label: 'The sheet before',
      group: 'Go',
      icon: 'i-lucide-chevron-left',
      keys: '[',
      onJob: turnSheet(-1),
    },
    {
      id: 'sheet-next',
      label: 'The next sheet',
      group: 'Go',
      icon: 'i-lucide-chevron-right',
      keys: ']',
      onJob: turnSheet(1),
    },
    {
      id: 'go-shelf',
      label: 'The shelf: rigs, blades, stones, instruments',
      finds: 'describe library tools box',
      group: 'Go',
      icon: 'i-lucide-library',
      run: () => go('/shelf'),
    },
    {
      id: 'go-owners',
      label: 'Owners',
      finds: 'customer client account batch contact',
      group: 'Go',
      icon: 'i-lucide-users',
      run: () => go('/owners'),
    },
    ...(['rig', 'blade'] as const).map((record): CommandEntry => ({
      id: `new-${record}`,
      label: `Describe a new ${record}`,
      finds: `add measure ${record}`,
      group: 'Go',
      icon: 'i-lucide-plus',
      run: () => go(`/shelf/${record}`),
    })),
    ...(['stone', 'instrument'] as const).map((record): CommandEntry => ({
      id: `new-${record}`,
      label: `Describe a new ${record}`,
      finds: `add measure ${{ stone: 'grit', instrument: 'gauge goniometer zero' }[record]}`,
      group: 'Go',
      icon: 'i-lucide-plus',
      run: () => go(`/shelf?new=${record}`),
    })),
    { id: 'go-home', label: 'All jobs', group: 'Go', icon: 'i-lucide-list', keys: '0', run: () => go('/') },
    {
      id: 'new-job',
      label: 'Start a job',
      finds: 'new begin',
      group: 'Job',
      icon: 'i-lucide-plus',
      keys: 'n',
      run: () => go('/start'),
    },
  ]
}
