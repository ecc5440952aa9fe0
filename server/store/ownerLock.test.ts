import { spawn } from 'node:child_process'
import { mkdtempSync, readdirSync, writeFileSync } from 'node:fs'
import { hostname, tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it, vi } from 'vitest'
import { FolderInUse, takeFolder } from './ownerLock'

const folder = () => mkdtempSync(join(tmpdir(), 'jaw-tilt-lock-'))
const owned = (at: string, number: number, owner: object) =>
  writeFileSync(join(at, `owner.${number}`), JSON.stringify(owner))

describe('one owner of a data folder', () => {
  it('refuses a second owner and names the first', () => {
    const at = folder()
    takeFolder(at)
    expect(() => takeFolder(at)).toThrow(FolderInUse)
    expect(() => takeFolder(at)).toThrow(`in use by process ${process.pid}`)
  })

  it('a process killed outright frees the folder, and its file is cleared by the next owner', async () => {
    const at = folder()
    const other = spawn(process.execPath, ['-e', 'setInterval(() => {}, 1000)'])
    owned(at, 7, { pid: other.pid, host: hostname(), started: '' })
    expect(() => takeFolder(at)).toThrow(FolderInUse)
    await new Promise((resolve) => {
      other.on('exit', resolve)
      other.kill('SIGKILL')
    })
    takeFolder(at)
    expect(readdirSync(at)).toEqual(['owner.8'])
  })

  it('a process that has ended frees the folder before its parent has heard of it', async () => {
    const at = folder()
    const parent = spawn('sh', ['-c', 'true & echo $!; exec sleep 60'])
    const pid = Number(await new Promise((resolve) => parent.stdout.once('data', resolve)))
    owned(at, 1, { pid, host: hostname(), started: '' })
    await vi.waitFor(() => takeFolder(at), { timeout: 5000 })
    expect(readdirSync(at)).toEqual(['owner.2'])
    parent.kill()
  })

  it('a later process that got the same number is not mistaken for the owner', () => {
    const at = folder()
    owned(at, 1, { pid: process.ppid, host: hostname(), started: 'another-boot/1' })
    takeFolder(at)
    expect(readdirSync(at)).toEqual(['owner.2'])
  })

  it('a half-written file counts as stale; an owner on another machine does not', () => {
    const at = folder()
    writeFileSync(join(at, 'owner.1'), '{"pid"')
    owned(at, 2, { pid: 1, host: 'another-bench', started: '' })
    expect(() => takeFolder(at)).toThrow('on another-bench')
    expect(() => takeFolder(at)).toThrow(`delete ${join(at, 'owner.2')} and start again`)
  })

  it.each(['', 'null', '{}', '{"pid":"x","host":7}', '[]'])('a lock that says %j is nobody’s', (text) => {
    const at = folder()
    writeFileSync(join(at, 'owner.3'), text)
    takeFolder(at)
    expect(readdirSync(at)).toEqual(['owner.4'])
  })
})
