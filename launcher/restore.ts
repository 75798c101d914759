import { statSync } from 'node:fs'
import { endSessions } from '../server/backup/restored.ts'
import { allSites } from '../server/people/queries.ts'
import { forLongWork, openPool } from '../server/db/pool.ts'
import { migrate } from '../server/db/migrate.ts'
import { asOwner } from '../server/db/owner.ts'
import { rebuildSite } from '../server/stream/rebuild.ts'
import { verifySite } from '../server/record/verify/verify.ts'
import { openDatabase } from './database.ts'
import { faultLine } from './fault-line.ts'
import { within } from './like.ts'
import { takeFolder } from './lock.ts'
import { dataDir } from './paths.ts'
import { postgresTool } from './postgres-tool.ts'
import { Trouble } from './trouble.ts'

const say = (line: string) => console.log(`  ${line}`)

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
  const pool = openPool(cluster.appUrl, () => {}, forLongWork)
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
    await postgresTool('pg_restore', ['--exit-on-error', '--no-owner', file], cluster.ownerUrl)
    await migrate(cluster.ownerUrl)
    await asOwner(cluster.ownerUrl, endSessions)
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
