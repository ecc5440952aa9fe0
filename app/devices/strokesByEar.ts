import workletUrl from './hearing.worklet?worker&url'
import { strokeRecording } from '#core/simulation/standIn/strokeRecording'
import type { HeardThing, Hearing } from '#core/sound/hearing'

/** What was heard up to now: how many strokes, and how well. */
export interface Heard extends Omit<Hearing, 'strokes'> {
  readonly count: number
}

/** Where the sound comes from: the microphone, or a made-up bench to try it with. */
export type SoundSource = 'microphone' | 'made-up'

export interface Listening {
  stop(): Promise<void>
}

/**
 * Counts strokes by ear. The sound stays in this browser's audio thread: it is not kept and not sent. Rejects where
 * there is no microphone or it is not allowed.
 */
export async function listenToStrokes(
  source: SoundSource,
  what: HeardThing,
  onHeard: (heard: Heard) => void,
): Promise<Listening> {
  const stream = source === 'microphone' ? await microphone() : null
  const context = new AudioContext()
  async function stop() {
    for (const track of stream?.getTracks() ?? []) track.stop()
    await context.close()
  }
  try {
    await context.audioWorklet.addModule(workletUrl)
    const node = new AudioWorkletNode(context, 'strokes-by-ear', {
      numberOfOutputs: 1,
      processorOptions: { what },
    })
    node.port.onmessage = ({ data }: MessageEvent<Heard>) => onHeard(data)
    const input = stream ? context.createMediaStreamSource(stream) : madeUp(context)
    // Through silence to the loudspeaker: a node that leads nowhere is not run everywhere.
    input
      .connect(node)
      .connect(new GainNode(context, { gain: 0 }))
      .connect(context.destination)
    await context.resume()
  } catch (error) {
    // The microphone does not stay on.
    await stop()
    throw error
  }
  return { stop }
}

/** What cleans up voices takes rubbing away: all of it is switched off. */
const microphone = () =>
  navigator.mediaDevices.getUserMedia({
    audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
  })

function madeUp(context: AudioContext): AudioBufferSourceNode {
  const made = { strokes: 40, bothWays: false, around: 'talk', overNoiseDb: 30, uneven: 0.1 } as const
  const { samples, rateHz } = strokeRecording({ seed: Math.random(), ...made })
  const buffer = context.createBuffer(1, samples.length, rateHz)
  buffer.copyToChannel(Float32Array.from(samples), 0)
  const player = new AudioBufferSourceNode(context, { buffer })
  player.start()
  return player
}
