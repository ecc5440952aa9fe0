import { expect, it } from 'vitest'
import { isLoopback, turnedAway } from './door'

const HERE = { host: '127.0.0.1:4747' }
const ask = (method: string, url: string, headers: Record<string, string> = HERE, bound = '127.0.0.1') =>
  turnedAway({ method, url, headers }, bound)?.status ?? 'in'

it('a server of this machine alone answers to its own names alone, IPv6 among them', () => {
  expect(['127.0.0.1', '::1', 'localhost'].map(isLoopback)).toEqual([true, true, true])
  expect(['0.0.0.0', '192.168.1.4', '::', 'bench.local'].map(isLoopback)).toEqual([false, false, false, false])
  for (const bound of ['127.0.0.1', '::1', 'localhost'])
    for (const url of ['/', '/api/health', '/_nuxt/entry.js']) {
      for (const host of ['localhost', '127.0.0.1:4747', '[::1]:4747'])
        expect(ask('GET', url, { host }, bound)).toBe('in')
      for (const host of ['elsewhere.example', '127.0.0.1.elsewhere.example', 'localhost.example:4747', ''])
        expect(ask('GET', url, { host }, bound)).toBe(421)
    }
  expect(ask('GET', '/', { host: 'bench.local:4747' }, '0.0.0.0')).toBe('in')
})

it('an address that is no path of this server is of nothing here', () => {
  for (const url of ['//', '//elsewhere.example/', 'http://elsewhere.example/', '*', ''])
    expect(ask('GET', url)).toBe(404)
})

it('methods that nothing here has are refused, and pages are only read', () => {
  for (const method of ['PATCH', 'TRACE', 'OPTIONS', 'BREW', '']) expect(ask(method, '/api/jobs')).toBe(405)
  expect(ask('POST', '/')).toBe(405)
  expect(ask('DELETE', '/jobs/1')).toBe(405)
  expect(ask('DELETE', '/api/samples')).toBe('in')
})

it('what may change something is not taken from a page of another site', () => {
  const from = (headers: Record<string, string>) => ask('POST', '/api/samples', { ...HERE, ...headers })
  expect(from({ origin: 'http://127.0.0.1:4747', 'sec-fetch-site': 'same-origin' })).toBe('in')
  expect(from({})).toBe('in')
  expect(from({ 'sec-fetch-site': 'cross-site' })).toBe(403)
  expect(from({ 'sec-fetch-site': 'same-site' })).toBe(403)
  expect(from({ origin: 'https://elsewhere.example' })).toBe(403)
  expect(from({ origin: 'http://127.0.0.1:4748' })).toBe(403)
  expect(from({ origin: 'null' })).toBe(403)
  expect(ask('GET', '/api/jobs', { ...HERE, 'sec-fetch-site': 'cross-site' })).toBe('in')
})
