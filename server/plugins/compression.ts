import { promisify } from 'node:util'
import { gzip } from 'node:zlib'
import { getRequestHeader, setResponseHeaders } from 'h3'

const LEAST_BYTES = 2048
const zip = promisify(gzip)

/** Answers of more than a few lines are sent compressed to who takes that; streams are sent as they come. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('beforeResponse', async (event, response) => {
    const { body } = response
    if (typeof body !== 'object' || body === null || !isPlain(body)) return
    if (!/\bgzip\b/.test(getRequestHeader(event, 'accept-encoding') ?? '')) return
    const text = JSON.stringify(body)
    if (text.length < LEAST_BYTES) return
    setResponseHeaders(event, {
      'content-type': 'application/json',
      'content-encoding': 'gzip',
      vary: 'accept-encoding',
    })
    response.body = await zip(text, { level: 5 })
  })
})

const isPlain = (body: object): boolean => Array.isArray(body) || Object.getPrototypeOf(body) === Object.prototype
