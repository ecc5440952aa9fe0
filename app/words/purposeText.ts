import type { Purpose } from '#core/records/job/purpose'

export const PURPOSE_WORD: Readonly<Record<Purpose, string>> = {
  'touch-up': 'Touch up at the same setting',
  sharpen: 'Sharpen, follow the bevel',
  'new-angle': 'New angle',
  thin: 'Thin or repair',
  'micro-bevel': 'Micro-bevel',
  'find-angle': 'Find the angle only',
}
