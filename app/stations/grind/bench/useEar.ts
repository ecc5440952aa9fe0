import { onScopeDispose, shallowRef } from 'vue'
import type { HeardThing } from '#core/sound/hearing'
import { listenToStrokes, type Heard, type Listening, type SoundSource } from '~/devices/strokesByEar'

/**
 * Counting by ear: whether it listens, to what, what it hears, and each stroke as it is heard; fewer than none where
 * one that was counted turns out to be something else.
 */
export function useEar(onStrokes: (count: number) => void) {
  const state = shallowRef<'off' | 'asking' | 'on' | 'refused' | 'none'>('off')
  const heard = shallowRef<Heard | null>(null)
  const counted = shallowRef<HeardThing>('strokes')
  let listening: Listening | null = null
  /** Counts the starts: one that was stopped while it asked for the microphone ends at once. */
  let started = 0

  async function start(source: SoundSource, what: HeardThing = 'strokes') {
    await stop()
    const mine = ++started
    if (!navigator.mediaDevices && source === 'microphone') return void (state.value = 'none')
    state.value = 'asking'
    counted.value = what
    let told = 0
    try {
      const now = await listenToStrokes(source, what, (hearing) => {
        heard.value = hearing
        const more = hearing.trouble === 'too-loud-around' ? 0 : hearing.count - told
        told += more
        if (more !== 0) onStrokes(more)
      })
      if (mine !== started) return void (await now.stop())
      listening = now
      state.value = 'on'
    } catch (error) {
      if (mine === started)
        state.value = error instanceof DOMException && error.name === 'NotFoundError' ? 'none' : 'refused'
    }
  }
  async function stop() {
    started++
    state.value = 'off'
    heard.value = null
    const now = listening
    listening = null
    await now?.stop()
  }
  onScopeDispose(() => void stop())
  return { state, heard, counted, start, stop }
}
