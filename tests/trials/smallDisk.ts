import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, statfsSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'

/** Shuts a file system down at once, without flushing its log: FS_IOC_SHUTDOWN with EXT4_GOING_FLAGS_NOLOGFLUSH. */
const SHUT_DOWN =
  'import fcntl,os,struct,sys; fcntl.ioctl(os.open(sys.argv[1], os.O_RDONLY), 0x8004587D, struct.pack("I", 2))'
const run = (command: string, ...args: string[]) => execFileSync(command, args, { stdio: ['ignore', 'pipe', 'pipe'] })

/** A small ext4 file system on a loop mount: it can be filled, and have its power cut. */
export class SmallDisk {
  private readonly place = mkdtempSync(join(tmpdir(), 'jaw-tilt-disk-'))
  private readonly image = join(this.place, 'image')
  readonly folder = join(this.place, 'mounted')

  constructor(megabytes: number) {
    run('truncate', '-s', `${megabytes}M`, this.image)
    run('mkfs.ext4', '-q', '-F', '-m', '0', this.image)
    run('mkdir', '-p', this.folder)
    this.mount()
  }
  private mount() {
    run('mount', '-o', 'loop', this.image, this.folder)
  }
  private async unmount() {
    for (let tries = 0; ; tries++)
      try {
        run('umount', this.folder)
        return
      } catch (error) {
        if (tries > 50) throw error
        await pause(100)
      }
  }
  /** What was not synced is gone once it is back. */
  cut() {
    run('python3', '-c', SHUT_DOWN, this.folder)
  }
  async back() {
    await this.unmount()
    this.mount()
  }
  freeBytes(): number {
    const { bavail, bsize } = statfsSync(this.folder)
    return bavail * bsize
  }
  async remove() {
    await this.unmount()
    rmSync(this.place, { recursive: true })
  }
}
