import type { ToDo } from '#core/process/steps/step'
import type { Router } from 'vue-router'
import { controlOn } from './controlOn'
import { sheetAddress, type SheetKey } from './stations'

/** Where each thing that is to do is done: its sheet, and the control there that a hand goes to. */
export const CONTROLS: Readonly<Record<ToDo['does'], { readonly sheet: SheetKey; readonly focus?: string }>> = {
  'say-wanted': { sheet: 'clamp/' },
  'mend-grip': { sheet: 'clamp/' },
  'mend-hold': { sheet: 'clamp/even', focus: 'best-hold' },
  'hold-position': { sheet: 'clamp/even', focus: 'next-position' },
  'set-for-facet': { sheet: 'clamp/even', focus: 'next-position' },
  'find-positions': { sheet: 'clamp/even', focus: 'find-positions' },
  'hold-otherwise': { sheet: 'clamp/hold' },
  'clear-jaws': { sheet: 'clamp/even', focus: 'best-hold' },
  'even-angle': { sheet: 'clamp/even', focus: 'best-hold' },
  'keep-facets': { sheet: 'clamp/even', focus: 'keep-facets' },
  'measure-height': { sheet: 'clamp/', focus: 'height-measured' },
  dial: { sheet: 'clamp/', focus: 'dial-it' },
  read: { sheet: 'clamp/gauge' },
  'explain-reading': { sheet: 'clamp/gauge' },
  mark: { sheet: 'mark/' },
  decide: { sheet: 'mark/decide' },
  'choose-stones': { sheet: 'grind/plan' },
  'put-on': { sheet: 'grind/bench' },
  grind: { sheet: 'grind/bench', focus: 'count' },
  'remove-burr': { sheet: 'prove/', focus: 'burr' },
  prove: { sheet: 'prove/' },
  'explain-proof': { sheet: 'prove/' },
  'put-to-use': { sheet: 'use/', focus: 'put-to-use' },
  'note-outcome': { sheet: 'use/', focus: 'outcome' },
}

/** Goes to where something is done, and puts the focus on its control where it has one. */
export async function goToControl(router: Router, jobId: string, does: ToDo['does']): Promise<void> {
  const { sheet, focus } = CONTROLS[does]
  const path = sheetAddress(jobId, sheet)
  if (focus) (await controlOn(router, path, focus))?.focus()
  else await router.push(path)
}
