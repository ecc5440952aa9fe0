import { gaugeLines } from '#core/observe/gauge/lines'
import type { GaugeListener, LevelGauge } from './levelGauge'

/** As much of Web Serial as is used here. Source: the Web Serial API of the WICG. */
interface SerialPort extends EventTarget {
  open(options: { baudRate: number }): Promise<void>
  close(): Promise<void>
  readonly readable: ReadableStream<Uint8Array> | null
}
interface Serial extends EventTarget {
  requestPort(): Promise<SerialPort>
  getPorts(): Promise<SerialPort[]>
}
const serialOf = (): Serial | undefined => (navigator as Navigator & { serial?: Serial }).serial

/** Whether this browser can read a gauge that is plugged in. */
export const hasSerial = (): boolean => serialOf() !== undefined

const BAUD = 115_200

/** The gauge on a serial port that the user chooses once; the browser remembers which. */
export function serialGauge(): LevelGauge {
  let port: SerialPort | null = null
  let reader: ReadableStreamDefaultReader<Uint8Array> | null = null
  let stopped = true

  async function listen({ onEvent, onGone }: GaugeListener) {
    const [read, text] = [gaugeLines(), new TextDecoder()]
    try {
      while (!stopped && port?.readable) {
        reader = port.readable.getReader()
        for (;;) {
          const { value, done } = await reader.read()
          if (done) break
          for (const event of read(text.decode(value, { stream: true }))) onEvent(event)
        }
        reader.releaseLock()
        reader = null
        if (!stopped) break
      }
    } catch {
      // A port that is pulled out ends its stream with an error.
    }
    if (!stopped) onGone()
  }

  return {
    name: 'Plugged-in gauge',
    async start(listener) {
      const serial = serialOf()!
      const [known] = await serial.getPorts()
      port = known ?? (await serial.requestPort())
      await port.open({ baudRate: BAUD })
      stopped = false
      void listen(listener)
    },
    async stop() {
      stopped = true
      await reader?.cancel().catch(() => {})
      reader?.releaseLock()
      reader = null
      await port?.close().catch(() => {})
      port = null
    },
  }
}
