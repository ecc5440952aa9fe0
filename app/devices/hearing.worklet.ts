import { StrokeListener } from '#core/sound/strokes/listener'

/** Of the audio thread: what lib.dom does not name. */
declare const sampleRate: number
declare abstract class AudioWorkletProcessor {
  readonly port: MessagePort
}
declare function registerProcessor(name: string, made: new () => AudioWorkletProcessor): void

/** What was heard is told so often, in blocks of 128 samples. */
const TOLD_EVERY = 40

/** Listens to strokes where the sound comes in; nothing of the sound leaves it. */
class HearingProcessor extends AudioWorkletProcessor {
  private readonly listener = new StrokeListener(sampleRate)
  private blocks = 0

  process(inputs: readonly (readonly Float32Array[])[]): boolean {
    const samples = inputs[0]?.[0]
    if (samples) this.listener.take(samples)
    if (++this.blocks % TOLD_EVERY === 0) {
      const { strokes, ...rest } = this.listener.heard()
      this.port.postMessage({ ...rest, count: strokes.length })
    }
    return true
  }
}
registerProcessor('strokes-by-ear', HearingProcessor)
