import { onScopeDispose, shallowRef } from 'vue'
import { listenToStrokes, type Heard, type Listening, type SoundSource } from '~/devices/strokesByEar'

/** Counting by ear: whether it listens, what it hears, and each stroke as it is heard. */
export function useEar(onStrokes: (count: number) => void) {
  const state = shallowRef<'off' | 'asking' | 'on' | 'refused' | 'none'>('off')
  const heard = shallowRef<Heard | null>(null)
  let listening: Listening | null = null
  /** What was passed on already: a stroke that turns out to be none is taken back. */
  let told = 0

  async function start(source: SoundSource) {
    await stop()
    if (!navigator.mediaDevices && source === 'microphone') return void (state.value = 'none')
    state.value = 'asking'
    told = 0
    try {
      listening = await listenToStrokes(source, (now) => {
        heard.value = now
        const more = now.trouble === 'too-loud-around' ? 0 : now.count - told
        if (more === 0) return
        told += more
        onStrokes(more)
      })
      state.value = 'on'
    } catch (error) {
      state.value = error instanceof DOMException && error.name === 'NotFoundError' ? 'none' : 'refused'
    }
  }
  async function stop() {
    state.value = 'off'
    heard.value = null
    await listening?.stop()
    listening = null
  }
  onScopeDispose(() => void stop())
  return { state, heard, start, stop }
}
