import { linkSync, readFileSync, readdirSync, unlinkSync, writeFileSync } from 'node:fs'
import { hostname } from 'node:os'
import { join } from 'node:path'
import { rawOf } from '../../core/schema/versioned'
import { errorCode } from '../database/errors'
import { nth } from '#core/math/list'

/**
 * One owner of a data folder at a time.
 *
 * Owners are numbered: owner.1, owner.2 and so on, each a file made by an exclusive link, and the highest number owns
 * the folder. Whoever finds the highest one's process gone makes the next number; of two who try, the file system lets
 * one through. An owner never removes its own file (its process ending is what frees the folder, however it ends), so a
 * crash needs no clean-up and the numbers only rise.
 */
export class FolderInUse extends Error {
  constructor(
    folder: string,
    readonly owner: Owner,
  ) {
    super(owner.host === hostname() ? hereText(folder, owner) : elsewhereText(folder, owner))
  }
}
const hereText = (folder: string, { pid }: Owner): string =>
  `The data folder ${folder} is in use by process ${pid}. Stop that one first, or choose another folder.`
/** Nobody here can ask another machine; a machine that was renamed, or a folder that was copied, looks the same. */
const elsewhereText = (folder: string, { pid, host, file }: Owner): string =>
  `The data folder ${folder} is in use by process ${pid} on ${host}. Stop that one first, or choose another folder. If that machine is this one under an earlier name, or the folder was copied from it, delete ${file} and start again.`

interface Owner {
  pid: number
  host: string
  /** When the process started, as the system counts it: tells it from a later process with the same number. */
  started: string
  /** The file that says so. */
  file?: string
}

const NAME = /^owner\.(\d+)$/

/** Takes the folder for this process, or throws FolderInUse naming who has it. */
export function takeFolder(folder: string): void {
  const me: Owner = { pid: process.pid, host: hostname(), started: startOf(process.pid) ?? '' }
  for (;;) {
    const highest = highestNumber(folder)
    if (highest > 0) {
      const owner = readOwner(folder, highest)
      if (owner && isRunning(owner)) throw new FolderInUse(folder, owner)
    }
    if (!makeExclusively(folder, highest + 1, me)) continue
    if (highestNumber(folder) === highest + 1) {
      removeBelow(folder, highest + 1)
      return
    }
    unlinkSync(join(folder, `owner.${highest + 1}`))
  }
}

const numbers = (folder: string): number[] =>
  readdirSync(folder).flatMap((name) => NAME.exec(name)?.slice(1).map(Number) ?? [])

const highestNumber = (folder: string): number => Math.max(0, ...numbers(folder))

/** Who owns it by a file; null where the file says nothing that can be read: then nobody runs. */
function readOwner(folder: string, number: number): Owner | null {
  const file = join(folder, `owner.${number}`)
  try {
    const { pid, host, started } = rawOf(JSON.parse(readFileSync(file, 'utf8')))
    if (typeof pid !== 'number' || !Number.isInteger(pid) || typeof host !== 'string' || typeof started !== 'string')
      return null
    return { pid, host, started, file }
  } catch (error) {
    if (errorCode(error) === 'EACCES')
      throw new Error(`This user may not read ${file}: start as the one whose data it is.`, { cause: error })
    return null
  }
}

function makeExclusively(folder: string, number: number, owner: Owner): boolean {
  const draft = join(folder, `.owner-${process.pid}`)
  writeFileSync(draft, JSON.stringify(owner))
  try {
    linkSync(draft, join(folder, `owner.${number}`))
    return true
  } catch (error) {
    if (errorCode(error) === 'EEXIST') return false
    throw error
  } finally {
    unlinkSync(draft)
  }
}

function removeBelow(folder: string, number: number): void {
  for (const lower of numbers(folder).filter((n) => n < number)) unlinkSync(join(folder, `owner.${lower}`))
}

/** An owner on another machine cannot be asked, so it counts as running. */
function isRunning(owner: Owner): boolean {
  if (owner.host !== hostname()) return true
  if (owner.pid === process.pid) return owner.started === startOf(process.pid)
  try {
    process.kill(owner.pid, 0)
  } catch (error) {
    if (errorCode(error) === 'ESRCH') return false
  }
  const now = processNow(owner.pid)
  if (now?.ended) return false
  return now === null || owner.started === '' || now.started === owner.started
}

const startOf = (pid: number): string | null => processNow(pid)?.started ?? null

/**
 * When a process started, as boot and start tick from /proc, and whether it has ended and only waits to be cleared
 * away; null where the system has no such thing.
 */
function processNow(pid: number): { started: string; ended: boolean } | null {
  try {
    const boot = readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim()
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
    return { started: `${boot}/${fields[19]}`, ended: 'ZX'.includes(nth(fields, 0)) }
  } catch {
    return null
  }
}
