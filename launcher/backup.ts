import { copyFileSync, mkdirSync, readdirSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { basename, join, resolve } from 'node:path'
import { headsNow, keepBackup } from '../server/backup/queries.ts'
import { asOwner } from '../server/db/owner.ts'
import { openDatabase } from './database.ts'
import { headsNameOf } from './heads-file.ts'
import { postgresTool } from './postgres-tool.ts'
import { dataDir } from './paths.ts'
import { asTrouble, Trouble } from './trouble.ts'

/** How many backups of a folder stay; the oldest goes for the next. */
const kept = 14
const isBackup = (name: string) => /^tadka-\d{8}T\d{6}Z\.dump$/.test(name)

export interface BackupPlaces {
  readonly folder: string
  /** A second folder, on another disk or share. */
  readonly copy: string | null
}

/** Makes a file under another name, and gives it its own only when it is whole; what was begun of it is removed. */
export async function makeWhole<T>(file: string, make: (part: string) => T | Promise<T>): Promise<T> {
  const part = `${file}.part`
  try {
    const made = await make(part)
    renameSync(part, file)
    return made
  } finally {
    rmSync(part, { force: true })
  }
}

/** Copies a backup and its heads into a second folder. Returns the copy. */
async function copyInto(folder: string, file: string): Promise<string> {
  mkdirSync(folder, { recursive: true })
  const to = join(resolve(folder), basename(file))
  for (const [from, into] of [
    [file, to],
    [headsNameOf(file), headsNameOf(to)],
  ] as const)
    await makeWhole(into, (part) => copyFileSync(from, part))
  rotate(folder)
  return to
}

/** Lets the newest ones of a folder stay. */
function rotate(folder: string): void {
  for (const name of readdirSync(folder).filter(isBackup).toSorted().slice(0, -kept)) {
    rmSync(join(folder, name))
    rmSync(headsNameOf(join(folder, name)), { force: true })
  }
}

/** A folder on the disk that the records lie on is no help when that disk fails. */
const warnings = ({ folder, copy }: BackupPlaces): string[] =>
  [folder, ...(copy === null ? [] : [copy])]
    .filter((f) => statSync(f).dev === statSync(dataDir).dev)
    .map(
      (f) =>
        `${f} lies on the same disk as the records: if that fails, both are lost. Name a folder on another.`,
    )

/** What was made, and what whoever looks after it must know. */
export interface MadeBackup {
  readonly file: string
  readonly warnings: readonly string[]
}

/**
 * Backs all sites up into a file of a folder, and a copy of it into another, while they are served. A copy that could not be made is
 * told: the backup holds without it. @param at milliseconds UTC. Throws Trouble where the backup could not be made whole; what was there
 * before stays.
 */
export async function makeBackup(ownerUrl: string, places: BackupPlaces, at: number): Promise<MadeBackup> {
  const { folder, copy } = places
  // Names and hashed secrets are in it: nobody else reads it.
  const before = process.umask(0o077)
  try {
    mkdirSync(folder, { recursive: true })
    const stamp = new Date(at).toISOString().replaceAll(/[-:]|\.\d+/g, '')
    const file = join(resolve(folder), `tadka-${stamp}.dump`)
    const heads = await asOwner(ownerUrl, headsNow)
    await makeWhole(file, async (part) => {
      await postgresTool('pg_dump', ['--format=custom', `--file=${part}`], ownerUrl)
      // It can be read.
      await postgresTool('pg_restore', ['--list', part])
    })
    writeFileSync(
      headsNameOf(file),
      `${JSON.stringify({ at: new Date(at).toISOString(), heads }, null, 2)}\n`,
    )
    rotate(folder)
    let copied: string | null = null
    const uncopied: string[] = []
    try {
      copied = copy === null ? null : await copyInto(copy, file)
    } catch (error) {
      uncopied.push(`No copy was made: ${String(asTrouble(error)).replace('Error: ', '')}`)
    }
    const { size: bytes } = statSync(file)
    await asOwner(ownerUrl, (owner) => keepBackup(owner, { at, file, copy: copied, bytes, heads }))
    return { file, warnings: [...uncopied, ...warnings({ folder, copy: copied === null ? null : copy })] }
  } finally {
    process.umask(before)
  }
}

/** The command: one backup, now; returns the exit code. */
export async function backup(folder: string | undefined, copy: string | undefined): Promise<number> {
  if (!folder) throw new Trouble('Say where to: ./tadka backup FOLDER [COPY], on other disks than this one.')
  const say = (line: string) => console.log(`  ${line}`)
  const cluster = await openDatabase('main', say)
  try {
    const { file, warnings } = await makeBackup(cluster.ownerUrl, { folder, copy: copy ?? null }, Date.now())
    say(`Everything was backed up into ${file}`)
    for (const line of warnings) say(line)
    return 0
  } finally {
    if (!cluster.adopted) await cluster.stop()
  }
}
