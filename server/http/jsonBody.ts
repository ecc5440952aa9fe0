import type { H3Event } from 'h3'
import { getRequestHeader } from 'h3'
import { unkeepable } from '../../core/schema/keepable'
import { refusal, refusedFields } from './refusal'

/** The largest body taken: a blade with a traced edge is far below it. */
const MOST_BODY_BYTES = 1_000_000

/** Reads a JSON body of limited size; 415, 413 or 400 when it is not one. */
export async function jsonBody(event: H3Event, mostBytes = MOST_BODY_BYTES): Promise<unknown> {
  onlyJson(event)
  const chunks: Buffer[] = []
  let size = 0
  const pieces: AsyncIterable<Buffer> = event.node.req
  for await (const chunk of pieces) {
    size += chunk.length
    // What is too much is read to its end but not kept, so that the answer reaches its sender.
    if (size <= mostBytes) chunks.push(chunk)
  }
  if (size > mostBytes) throw refusal(413, 'body-too-large', { figures: { mostMegabytes: mostBytes / 1e6 } })
  const content = json(Buffer.concat(chunks).toString('utf8'))
  const wrong = unkeepable(content)
  if (wrong) throw refusedFields([wrong])
  return content
}

/** Only JSON is taken, so no foreign page can post a form. */
export function onlyJson(event: H3Event): void {
  if (!/^application\/json\b/i.test(getRequestHeader(event, 'content-type') ?? '')) throw refusal(415, 'send-json')
}

function json(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    throw refusal(400, 'not-json')
  }
}
