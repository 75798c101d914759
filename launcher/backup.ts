import {
  chmodSync,
  copyFileSync,
  mkdirSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { basename, join, resolve } from 'node:path'
import type pg from 'pg'
import type { HeadsFile } from '@tadka/contract/record'
import { keepBackup } from '../server/backup/queries.ts'
import { asOwner } from '../server/db/owner.ts'
import { openDatabase } from './database.ts'
import { headsNameOf } from './heads-file.ts'
import { postgresTool } from './postgres-tool.ts'
import { Trouble } from './trouble.ts'

/** How many backups of a folder stay; the oldest goes for the next. */
const kept = 14
const isBackup = (name: string) => /^tadka-\d{8}T\d{6}Z\.dump$/.test(name)

export interface BackupPlaces {
  readonly folder: string
  /** A second folder, on another disk or share. */
  readonly copy: string | null
}

/** Where the chains end now: what is dumped afterwards holds them. */
async function headsNow(owner: pg.Client): Promise<HeadsFile['heads']> {
  const { rows } = await owner.query<{ site: string; seq: string; hash: string }>(
    'select site_id as site, seq, hash from site_head order by site_id',
  )
  return rows.map(({ site, seq, hash }) => ({ site, seq: Number(seq), hash }))
}

/** Under its own name only when it is whole. */
function copyInto(folder: string, file: string): string {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const to = join(resolve(folder), basename(file))
  copyFileSync(file, `${to}.part`)
  chmodSync(`${to}.part`, 0o600)
  renameSync(`${to}.part`, to)
  return to
}

/** Lets the newest ones of a folder stay. */
function rotate(folder: string): void {
  for (const name of readdirSync(folder).filter(isBackup).toSorted().slice(0, -kept)) {
    rmSync(join(folder, name))
    rmSync(headsNameOf(join(folder, name)), { force: true })
  }
}

/**
 * Backs all sites up into a file of a folder, and a copy of it into another, while they are served. Returns the file.
 * @param at milliseconds UTC. Throws Trouble where it could not be made whole; what was there before stays.
 */
export async function makeBackup(
  ownerUrl: string,
  { folder, copy }: BackupPlaces,
  at: number,
): Promise<string> {
  // Names and hashed secrets are in it: nobody else reads it.
  const before = process.umask(0o077)
  try {
    mkdirSync(folder, { recursive: true })
    const stamp = new Date(at).toISOString().replaceAll(/[-:]|\.\d+/g, '')
    const file = join(resolve(folder), `tadka-${stamp}.dump`)
    const heads = await asOwner(ownerUrl, headsNow)
    // Under its own name only when it is whole, and can be read.
    await postgresTool('pg_dump', ['--format=custom', `--file=${file}.part`], ownerUrl)
    await postgresTool('pg_restore', ['--list', `${file}.part`])
    renameSync(`${file}.part`, file)
    writeFileSync(
      headsNameOf(file),
      `${JSON.stringify({ at: new Date(at).toISOString(), heads }, null, 2)}\n`,
    )
    rotate(folder)
    const copied = copy === null ? null : copyInto(copy, file)
    if (copy !== null) {
      copyInto(copy, headsNameOf(file))
      rotate(copy)
    }
    const { size: bytes } = statSync(file)
    await asOwner(ownerUrl, (owner) => keepBackup(owner, { at, file, copy: copied, bytes, heads }))
    return file
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
    const file = await makeBackup(cluster.ownerUrl, { folder, copy: copy ?? null }, Date.now())
    say(`Everything was backed up into ${file}${copy ? `, and a copy into ${copy}` : ''}`)
    return 0
  } finally {
    if (!cluster.adopted) await cluster.stop()
  }
}
