import { spawnSync } from 'node:child_process'
import { chmodSync, closeSync, mkdirSync, openSync, readFileSync, rmSync, writeSync } from 'node:fs'
import { join } from 'node:path'

/** A disk in memory that is soon full; only the system's own account can make one. */
export class SmallDisk {
  readonly folder: string
  readonly #ballast: string

  private constructor(folder: string) {
    this.folder = folder
    this.#ballast = join(folder, 'ballast')
  }

  /** @param megabytes how much it holds. One that is there already is taken as it is. Null where this account may not make one. */
  static make(folder: string, megabytes: number): SmallDisk | null {
    if (readFileSync('/proc/mounts', 'utf8').includes(` ${folder} tmpfs `)) return new SmallDisk(folder)
    mkdirSync(folder, { recursive: true })
    const { status } = spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${megabytes}m`, 'tmpfs', folder])
    if (status !== 0) {
      rmSync(folder, { recursive: true })
      return null
    }
    chmodSync(folder, 0o755)
    return new SmallDisk(folder)
  }

  /** Writes until nothing more goes in. */
  fill(): void {
    const file = openSync(this.#ballast, 'a')
    try {
      for (const size of [1 << 20, 1 << 12]) {
        const block = Buffer.alloc(size)
        try {
          for (;;) if (writeSync(file, block) < size) break
        } catch (error) {
          if ((error as NodeJS.ErrnoException).code !== 'ENOSPC') throw error
        }
      }
    } finally {
      closeSync(file)
    }
  }

  /** Makes room again. */
  clear(): void {
    rmSync(this.#ballast, { force: true })
  }

  remove(): void {
    spawnSync('umount', ['-l', this.folder])
    rmSync(this.folder, { recursive: true, force: true })
  }
}
