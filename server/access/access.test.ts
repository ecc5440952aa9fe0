import type { IncomingMessage } from 'node:http'
import { mkdtempSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { askerOf, COOKIE } from './access'
import { announceHere, endWhoMayNotWatch, watchChanges } from '../database/changes'
import { Devices } from './devices'
import { userOf } from './userOf'
import { MOST_TRIES, MOST_TRIES_OF_ALL, OFFERED_FOR_MS, Offers } from './offer'

const NOW = new Date('2026-05-01T09:00:00Z')
const later = (ms: number) => new Date(NOW.getTime() + ms)
const empty = () => mkdtempSync(join(tmpdir(), 'jaw-tilt-devices-'))

describe('who asks', () => {
  const devices = new Devices(empty())
  const key = devices.letIn('Phone', NOW)
  const screen = { isOwn: () => true }
  const ask = (from: string, host: string, cookie?: string, by = screen) =>
    askerOf(
      { socket: { remoteAddress: from }, headers: { host, cookie } } as IncomingMessage,
      '0.0.0.0',
      by,
      devices,
      NOW,
    )

  it('the bench’s own screen, by its own name; under another name, or from elsewhere, a stranger', () => {
    expect(ask('127.0.0.1', 'localhost:4747')).toBe('bench')
    expect(ask('::ffff:127.0.0.1', '127.0.0.1:4747')).toBe('bench')
    expect(ask('::1', '[::1]:4747')).toBe('bench')
    expect(ask('127.0.0.1', 'elsewhere.example')).toBe('stranger')
    expect(ask('192.168.1.7', 'localhost:4747')).toBe('stranger')
    expect(ask('192.168.1.7', '192.168.1.4:4747')).toBe('stranger')
  })

  it('another user of the machine, but for one who shows a device’s key', () => {
    const isOwn = () => false
    expect(ask('127.0.0.1', 'localhost:4747', undefined, { isOwn })).toBe('other-user')
    expect(ask('127.0.0.1', 'localhost:4747', `${COOKIE}=${key}`, { isOwn })).toBe('device')
  })

  it('by the line of its end of the connection, in both families of addresses; of one that is ending, nobody', () => {
    const line = (local: string, remote: string, state: string, user: number) =>
      `   1: ${local} ${remote} ${state} 00000000:00000000 00:00000000 00000000  ${user}        0 81532 1 0`
    const list = [
      '  sl  local_address rem_address   st tx_queue rx_queue tr tm->when retrnsmt   uid  timeout inode',
      line('0100007F:128B', '0100007F:9C40', '01', 0),
      line('0100007F:9C40', '0100007F:128B', '01', 1000),
      line('0100007F:9C41', '0100007F:128B', '06', 0),
      line('00000000000000000000000001000000:9C42', '00000000000000000000000001000000:128B', '01', 1001),
    ].join('\n')
    const from = (address: string, remotePort: number) =>
      userOf({ remoteAddress: address, remotePort, localAddress: address, localPort: 4747 }, [list])
    expect(from('127.0.0.1', 40000)).toBe(1000)
    expect(from('::ffff:127.0.0.1', 40000)).toBe(1000)
    expect(from('127.0.0.1', 40001)).toBe(null)
    expect(from('::1', 40002)).toBe(1001)
    expect(from('127.0.0.2', 40000)).toBe(null)
  })

  it('a device by its key, and by nothing like it', () => {
    expect(ask('192.168.1.7', '192.168.1.4:4747', `a=b; ${COOKIE}=${key}`)).toBe('device')
    for (const wrong of [key.slice(1), `${key}x`, '', 'undefined', key.toUpperCase()])
      expect(ask('192.168.1.7', '192.168.1.4:4747', `${COOKIE}=${wrong}`)).toBe('stranger')
  })
})

describe('devices', () => {
  it('are known again after a start, by hashes alone in a file that is its owner’s; shut out, no more', () => {
    const folder = empty()
    const key = new Devices(folder).letIn('Tablet, left', NOW)
    const file = join(folder, 'devices.json')
    expect(readFileSync(file, 'utf8')).not.toContain(key)
    expect(statSync(file).mode & 0o777).toBe(0o600)
    const again = new Devices(folder)
    expect(again.knows(key, later(120_000))).toBe(true)
    expect(new Devices(folder).list()).toMatchObject([{ name: 'Tablet, left', lastUsedAt: '2026-05-01T09:02:00.000Z' }])
    expect(again.shutOut(again.list()[0]!.id)).toBe(true)
    expect(again.knows(key, NOW)).toBe(false)
    expect(new Devices(folder).list()).toEqual([])
  })

  it('let in or shut out by one process are so at once for another on the same folder', () => {
    const folder = empty()
    const [one, other] = [new Devices(folder), new Devices(folder)]
    expect(other.list()).toEqual([])
    const key = one.letIn('Tablet', NOW)
    expect(other.knows(key, NOW)).toBe(true)
    other.shutOut(other.list()[0]!.id)
    expect(one.knows(key, NOW)).toBe(false)
  })

  it('in a file that cannot be read are strangers', () => {
    const folder = empty()
    writeFileSync(join(folder, 'devices.json'), '[{"id":')
    expect(new Devices(folder).list()).toEqual([])
  })
})

describe('an offer', () => {
  it('lets one device in, by its code as it is typed or by its key, for five minutes', () => {
    const offers = new Offers()
    const { code, key } = offers.make(NOW)
    expect(offers.redeem(`${code.slice(0, 4)} ${code.slice(4)}`, '192.168.1.7', NOW)).toBe(true)
    expect(offers.redeem(code, '192.168.1.7', NOW), 'used up').toBe(false)
    expect(offers.redeem(key, '192.168.1.7', NOW), 'used up').toBe(false)
    expect(offers.redeem(offers.make(NOW).key, '192.168.1.7', later(OFFERED_FOR_MS))).toBe(true)
    expect(offers.redeem(offers.make(NOW).code, '192.168.1.7', later(OFFERED_FOR_MS + 1))).toBe(false)
  })

  it('a newer one takes its place; taken back, or tried wrongly too often, its digits are none', () => {
    const offers = new Offers()
    const first = offers.make(NOW)
    offers.make(NOW)
    expect(offers.redeem(first.key, '192.168.1.7', NOW)).toBe(false)
    const third = offers.make(NOW)
    offers.withdraw()
    expect(offers.redeem(third.key, '192.168.1.7', NOW)).toBe(false)
    const second = offers.make(NOW)
    for (let i = 0; i < MOST_TRIES; i++) expect(offers.redeem('', '192.168.1.7', NOW)).toBe(false)
    expect(offers.redeem(second.code, '192.168.1.7', NOW)).toBe(false)
    expect(offers.redeem(second.key, '192.168.1.7', NOW), 'nobody guesses the key').toBe(true)
  })

  it('is not spoilt for others by one who guesses, until all have guessed too often', () => {
    const offers = new Offers()
    const guess = (from: string) => {
      for (let i = 0; i < 100; i++) offers.redeem('1', from, NOW)
    }
    const { code } = offers.make(NOW)
    guess('192.168.1.66')
    expect(offers.redeem(code, '192.168.1.7', NOW)).toBe(true)
    const again = offers.make(NOW)
    for (let i = 0; i < MOST_TRIES_OF_ALL / MOST_TRIES; i++) guess(`192.168.1.${i}`)
    expect(offers.redeem(again.code, '192.168.1.77', NOW)).toBe(false)
    expect(offers.redeem(again.key, '192.168.1.77', NOW)).toBe(true)
  })
})

it('who was shut out while watching is told nothing more', () => {
  const heard: string[] = []
  let letIn = true
  const watch = (name: string, mayWatch: () => boolean) => {
    const end = () => {
      heard.push(`${name} ended`)
      stop()
    }
    const stop = watchChanges({ changed: (by) => void heard.push(`${name} ${by}`), end, mayWatch })
    return stop
  }
  const stops = [watch('bench', () => true), watch('phone', () => letIn)]
  announceHere('jobs')
  letIn = false
  announceHere('stones')
  endWhoMayNotWatch()
  stops.forEach((stop) => stop())
  expect(heard).toEqual(['bench jobs', 'phone jobs', 'phone ended', 'bench stones'])
})
