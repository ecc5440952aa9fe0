import type { Standing } from '#core/use/standing'

/** Where a blade stands in a job. */
export const STANDING_WORD: Readonly<Record<Standing, string>> = {
  received: 'Received, not begun',
  'on-the-bench': 'On the bench',
  ready: 'Ready to be handed back',
  'handed-back': 'Handed back',
}
