import { mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { allSites } from '../server/people/queries.ts'
import { openPool } from '../server/db/pool.ts'
import { migrate } from '../server/db/migrate.ts'
import { asOwner } from '../server/db/owner.ts'
import { rebuildSite } from '../server/record/rebuild.ts'
import { verifySite } from '../server/record/verify/verify.ts'
import { binaries } from './cluster.ts'
import { openDatabase } from './database.ts'
import { faultLine } from './fault-line.ts'
import { within } from './like.ts'
import { takeFolder } from './lock.ts'
import { dataDir } from './paths.ts'
import { runKeeping } from './run.ts'
import { Trouble } from './trouble.ts'

/** How many backups of a folder stay; the oldest goes for the next. */
const kept = 14
const isBackup = (name: string) => /^tadka-\d{8}T\d{6}Z\.dump$/.test(name)
const say = (line: string) => console.log(`  ${line}`)

/** Runs one of PostgreSQL's own programs on a database; its password goes by the environment, where nobody else reads it. */
async function tool(
  name: 'pg_dump' | 'pg_restore',
  args: readonly string[],
  database?: string,
): Promise<void> {
  const url = database === undefined ? null : new URL(database)
  const env = { ...process.env, ...(url ? { PGPASSWORD: decodeURIComponent(url.password) } : {}) }
  if (url) url.password = ''
  const all = url ? [`--dbname=${url.href}`, ...args] : args
  const { code, output } = await runKeeping(join(binaries(), name), all, { env }, true)
  if (code !== 0) throw new Trouble(`${name} did not work: ${output.trim().split('\n').at(-1) ?? ''}`)
}

/** Backs all sites up into a file of a folder, while they are served; returns the exit code. @param at milliseconds UTC. */
export async function backup(folder: string | undefined, at = Date.now()): Promise<number> {
  if (!folder) throw new Trouble('Say where to: ./tadka backup FOLDER, on another disk than this one.')
  const cluster = await openDatabase('main', say)
  try {
    // Names and hashed secrets are in it: nobody else reads it.
    process.umask(0o077)
    mkdirSync(folder, { recursive: true })
    const file = join(
      resolve(folder),
      `tadka-${new Date(at).toISOString().replaceAll(/[-:]|\.\d+/g, '')}.dump`,
    )
    // Under its own name only when it is whole, and can be read.
    await tool('pg_dump', ['--format=custom', `--file=${file}.part`], cluster.ownerUrl)
    await tool('pg_restore', ['--list', `${file}.part`])
    renameSync(`${file}.part`, file)
    const old = readdirSync(folder).filter(isBackup).toSorted().slice(0, -kept)
    for (const name of old) rmSync(join(folder, name))
    await asOwner(cluster.ownerUrl, (owner) =>
      owner.query('insert into backup (at, file, bytes) values ($1, $2, $3)', [
        at,
        file,
        statSync(file).size,
      ]),
    )
    say(`Everything was backed up into ${file}`)
    return 0
  } finally {
    if (!cluster.adopted) await cluster.stop()
  }
}

/** Puts a backup into a folder that holds no site, checks it and folds its states anew; returns the exit code. */
export async function restore(file: string | undefined): Promise<number> {
  if (!file) throw new Trouble('Say what: ./tadka restore FILE')
  try {
    statSync(file)
  } catch {
    throw new Trouble(`There is no file ${file}.`)
  }
  const giveBack = takeFolder(dataDir)
  const cluster = await openDatabase('main', say)
  const pool = openPool(cluster.appUrl, () => {})
  try {
    const [there] = await allSites(pool)
    if (there)
      throw new Trouble(
        `${dataDir} holds ${there.name} already. Restore into an empty one: TADKA_DATA=FOLDER ./tadka restore FILE`,
      )
    await asOwner(within(cluster, 'postgres').ownerUrl, async (owner) => {
      await owner.query('drop database tadka with (force)')
      await owner.query('create database tadka')
    })
    await tool('pg_restore', ['--exit-on-error', '--no-owner', file], cluster.ownerUrl)
    await migrate(cluster.ownerUrl)
    // Who was signed in then is not signed in now; what was revoked stays revoked.
    await asOwner(cluster.ownerUrl, (owner) =>
      owner.query('update session set expires_at = now() where expires_at > now()'),
    )
    let isSound = true
    for (const { id, name } of await allSites(pool)) {
      const states = await rebuildSite(pool, id)
      const report = await verifySite(pool, id)
      isSound &&= report.sound
      say(
        `${name}: ${report.records} records, ${states} states folded anew, ${report.sound ? 'all whole' : 'not whole'}`,
      )
      for (const fault of report.faults) say(faultLine(fault))
    }
    return isSound ? 0 : 1
  } finally {
    await pool.end()
    if (!cluster.adopted) await cluster.stop()
    giveBack()
  }
}
