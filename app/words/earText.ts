import type { HeardThing } from '#core/sound/hearing'
import type { Heard } from '~/devices/strokesByEar'

/** Why there is nothing to listen to. */
export const EAR_TEXT = {
  refused:
    'The microphone is not allowed to be used. Allow it for this address in the browser; another device needs https.',
  none: 'There is no microphone here.',
} as const

/** What is heard, and how far it can be trusted. */
export function heardText(heard: Heard | null, counted: HeardThing): string {
  const percent = heard ? `${Math.round(heard.confidence * 100)} % sure` : ''
  if (counted === 'knocks')
    return heard && heard.count > 0
      ? `Heard ${heard.count} knocks, ${percent}: a stroke each.`
      : 'Listening. Knock on the bench once after each stroke; the sound is not kept and not sent.'
  if (!heard || heard.count === 0) return 'Listening. No stroke heard yet; the sound is not kept and not sent.'
  if (heard.trouble === 'too-loud-around') return 'Too loud around to count by ear: count by hand.'
  const way = heard.bothWays === null ? '' : heard.bothWays ? ', to and fro' : ', one way'
  const learned = heard.bothWays === null ? ' Learning from the first ten.' : ''
  return `Heard ${heard.count} strokes${way}, ${percent}.${learned}`
}
