import { setTimeout as pause } from 'node:timers/promises'
import type pg from 'pg'
import { migrate } from '../server/db/migrate.ts'
import { asOwner } from '../server/db/owner.ts'

/** A database that others are made like: filled once, then copied. */
export interface Like {
  readonly name: string
  /** Puts in what it holds, over the newest schema. */
  readonly fill: (ownerUrl: string, appUrl: string) => Promise<unknown>
}

/** Where a cluster is reached, as the owner of its databases and as the application. */
export interface Reached {
  readonly ownerUrl: string
  readonly appUrl: string
}

/** The same cluster, another database of it. */
export const within = ({ ownerUrl, appUrl }: Reached, database: string): Reached => ({
  ownerUrl: ownerUrl.replace(/\/\w+$/, `/${database}`),
  appUrl: appUrl.replace(/\/\w+$/, `/${database}`),
})

/** Makes a database of this name, like another; one that stood there is gone. Returns how it is reached. */
export async function makeLike(cluster: Reached, database: string, like: Like): Promise<Reached> {
  await asOwner(within(cluster, 'postgres').ownerUrl, async (owner) => {
    await owner.query('select pg_advisory_lock(hashtext($1))', [like.name])
    await makeOnce(cluster, owner, like)
    await copyDatabase(cluster, like.name, database)
  })
  return within(cluster, database)
}

/** Puts a copy of one database of a cluster in the place of another. */
export const copyDatabase = (cluster: Reached, from: string, to: string): Promise<void> =>
  asOwner(within(cluster, 'postgres').ownerUrl, async (owner) => {
    await owner.query(`drop database if exists ${to} with (force)`)
    await owner.query(`create database ${to} template ${from}`)
  })

export const dropDatabase = (cluster: Reached, database: string): Promise<void> =>
  asOwner(within(cluster, 'postgres').ownerUrl, async (owner) => {
    await owner.query(`drop database if exists ${database} with (force)`)
  })

/** Removes what earlier runs left: it was made by another code. */
export const dropMade = (cluster: Reached, named: RegExp): Promise<void> =>
  asOwner(within(cluster, 'postgres').ownerUrl, async (owner) => {
    const all = await owner.query<{ name: string }>('select datname as name from pg_database')
    for (const { name } of all.rows)
      if (named.test(name)) await owner.query(`drop database ${name} with (force)`)
  })

/** Fills the database that others are copied from, where none has yet. Whoever asks meanwhile waits at the lock. */
async function makeOnce(cluster: Reached, owner: pg.Client, { name, fill }: Like): Promise<void> {
  const { rowCount } = await owner.query('select from pg_database where datname = $1', [name])
  if (rowCount !== 0) return
  const making = `${name}_making`
  await owner.query(`drop database if exists ${making} with (force)`)
  await owner.query(`create database ${making}`)
  const { ownerUrl, appUrl } = within(cluster, making)
  await migrate(ownerUrl)
  await fill(ownerUrl, appUrl)
  await whenLeft(owner, making)
  await owner.query(`alter database ${making} rename to ${name}`)
}

/** Until nobody is connected: one that is just closing would forbid the renaming, and ended by force would tell of it. */
async function whenLeft(owner: pg.Client, database: string): Promise<void> {
  const sql = 'select from pg_stat_activity where datname = $1'
  while (((await owner.query(sql, [database])).rowCount ?? 0) > 0) await pause(20)
}
