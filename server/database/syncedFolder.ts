import { closeSync, existsSync, fdatasyncSync, fsyncSync, openSync, readdirSync, rmSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { NodeFS } from '@electric-sql/pglite/nodefs'
import { errorCode, errorNumber } from './errors'

/** What PGlite's file system hands its operations: an open file, and a place in the tree. */
interface Node {
  readonly name: string
  readonly parent: Node
  readonly mount: { readonly opts: { readonly root: string } }
}
interface Stream {
  readonly nfd: number
  readonly node: Node
}
type OfChild = (parent: Node, child: string, ...rest: unknown[]) => unknown
interface NodeOperations {
  realPath(node: Node): string
  readonly node_ops: Record<'mknod' | 'unlink' | 'rmdir', OfChild> & {
    rename(from: Node, to: Node, name: string): unknown
    setattr(node: Node, ...rest: unknown[]): unknown
  }
  readonly stream_ops: {
    write(stream: Stream, ...rest: unknown[]): number
    setattr(stream: Stream, ...rest: unknown[]): unknown
  }
}

/** Told of what goes to the disk; asked for room when there is none left. */
export interface DiskWatch {
  /** So many bytes of the write-ahead log were written. */
  logged(bytes: number): void
  /** Makes room, if it can; true: the write is tried once more. */
  makeRoom(): boolean
}

/** A segment of the write-ahead log. */
const SEGMENT = /\/pg_wal\/[0-9A-F]{24}$/

/**
 * A folder of the database whose writes are on the disk when PostgreSQL counts on it, though PGlite runs it with fsync
 * off: each write of the write-ahead log before it returns (so before a commit is answered), and all files written
 * since before the control file says that they were. Source: docs/reliability.md, "How a write is kept".
 */
export class SyncedFolder extends NodeFS {
  constructor(
    private readonly folder: string,
    private readonly watch: DiskWatch,
  ) {
    super(folder)
    // Left by a process that ended without a word; the owner file tells who has the folder.
    rmSync(join(folder, 'postmaster.pid'), { force: true })
    if (existsSync(folder)) syncTree(folder)
  }

  override async init(...args: Parameters<NodeFS['init']>): ReturnType<NodeFS['init']> {
    const begun = await super.init(...args)
    const { preRun = [] } = begun.emscriptenOpts
    const runs = Array.isArray(preRun) ? preRun : [preRun]
    const hook = (module: object) => this.watchOver((module as { NODEFS: NodeOperations }).NODEFS)
    return { emscriptenOpts: { ...begun.emscriptenOpts, preRun: [...runs, hook] as typeof preRun } }
  }

  private watchOver(nodeFs: NodeOperations) {
    /** Files and folders that were changed since they were last synced. */
    const changed = new Set<string>()
    const control = join(this.folder, 'global', 'pg_control')
    const settle = () => {
      for (const path of changed) sync(path)
      changed.clear()
    }
    /** The folder that an entry came into, or went from: of the log at once, else with the rest. */
    const entryOf = (path: string) => {
      const folder = dirname(path)
      if (folder.endsWith('/pg_wal')) sync(folder)
      else changed.add(folder)
    }
    const { node_ops: ofNodes, stream_ops: ofStreams } = nodeFs
    const wrap = <T extends object, K extends keyof T>(of: T, name: K, around: (go: T[K]) => T[K]) => {
      of[name] = around(of[name])
    }
    wrap(ofStreams, 'write', (go) => (stream, ...rest) => {
      const path = nodeFs.realPath(stream.node)
      if (path === control) settle()
      const write = () => go(stream, ...rest)
      const written = this.withRoom(write)
      if (SEGMENT.test(path)) {
        fdatasyncSync(stream.nfd)
        this.watch.logged(written)
      } else if (path === control) fdatasyncSync(stream.nfd)
      else changed.add(path)
      return written
    })
    wrap(ofStreams, 'setattr', (go) => (stream, ...rest) => {
      changed.add(nodeFs.realPath(stream.node))
      return go(stream, ...rest)
    })
    wrap(ofNodes, 'setattr', (go) => (node, ...rest) => {
      changed.add(nodeFs.realPath(node))
      return go(node, ...rest)
    })
    for (const name of ['mknod', 'unlink', 'rmdir'] as const)
      wrap(ofNodes, name, (go) => (parent, child, ...rest) => {
        const done = this.withRoom(() => go(parent, child, ...rest))
        entryOf(join(nodeFs.realPath(parent), child))
        return done
      })
    wrap(ofNodes, 'rename', (go) => (from, to, name) => {
      const before = nodeFs.realPath(from)
      const done = this.withRoom(() => go(from, to, name))
      const after = join(nodeFs.realPath(to), name)
      if (changed.delete(before)) changed.add(after)
      for (const path of [before, after]) entryOf(path)
      return done
    })
  }

  /** Does what needs room on the disk; where there is none, room is made once. */
  private withRoom<T>(go: () => T): T {
    try {
      return go()
    } catch (error) {
      if (errorNumber(error) === NO_SPACE && this.watch.makeRoom()) return go()
      throw error
    }
  }
}
/** ENOSPC, as PGlite's file system counts. */
const NO_SPACE = 51

/** Puts a file or folder on the disk; one that is gone needs it no more. */
export function sync(path: string): void {
  let file: number
  try {
    file = openSync(path, 'r')
  } catch (error) {
    if (errorCode(error) === 'ENOENT') return
    throw error
  }
  try {
    fsyncSync(file)
  } finally {
    closeSync(file)
  }
}

/** Puts a folder with all that is in it on the disk. */
export function syncTree(folder: string): void {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) syncTree(path)
    else if (entry.isFile()) sync(path)
  }
  sync(folder)
}
