import { roughCount } from './decisionText'

/** What ends the life of a bevel as it is ground: it is too thick, or too much of the blade's height is gone. */
export type LifeDue =
  { readonly is: 'thin-now' } | { readonly is: 'thin-later' | 'used-up'; readonly sharpenings: number }

export function lifeDueText(due: LifeDue): string {
  if (due.is === 'thin-now') return 'Thin it first'
  if (due.is === 'used-up')
    return `About ${roughCount(due.sharpenings)} sharpenings until a quarter of its height is gone`
  return due.sharpenings === 0
    ? 'Thinning comes due with this job'
    : `Thinning comes due after about ${roughCount(due.sharpenings)} sharpenings`
}
