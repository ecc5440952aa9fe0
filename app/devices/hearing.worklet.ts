import type { HeardThing } from '#core/sound/hearing'
import { KnockListener } from '#core/sound/knocks/knockListener'
import { StrokeListener } from '#core/sound/strokes/listener'

/** Of the audio thread: what lib.dom does not name. */
declare const sampleRate: number
declare abstract class AudioWorkletProcessor {
  readonly port: MessagePort
}
type HearingOptions = { readonly processorOptions: { readonly what: HeardThing } }
declare function registerProcessor(name: string, made: new (options: HearingOptions) => AudioWorkletProcessor): void

/** What was heard is told so often, in blocks of 128 samples. */
const TOLD_EVERY = 40

/** Listens to strokes or knocks where the sound comes in; nothing of the sound leaves it. */
class HearingProcessor extends AudioWorkletProcessor {
  private readonly listener: StrokeListener | KnockListener
  private blocks = 0

  constructor({ processorOptions: { what } }: HearingOptions) {
    super()
    this.listener = what === 'knocks' ? new KnockListener(sampleRate) : new StrokeListener(sampleRate)
  }

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
