import { existsSync } from 'node:fs'
import { BadArchive } from '../server/archive/read.ts'
import { takeIn } from '../server/archive/take-in.ts'
import { writeArchive } from '../server/archive/write.ts'
import { asOwner } from '../server/db/owner.ts'
import { forLongWork, openPool } from '../server/db/pool.ts'
import { allSites } from '../server/people/queries.ts'
import { verifySite } from '../server/record/verify/verify.ts'
import { makeWhole } from './backup.ts'
import type { Cluster } from './cluster.ts'
import { openDatabase } from './database.ts'
import { faultLine } from './fault-line.ts'
import { Trouble } from './trouble.ts'

const say = (line: string) => console.log(`  ${line}`)

async function withDatabase(work: (cluster: Cluster) => Promise<number>): Promise<number> {
  const cluster = await openDatabase('main', say)
  try {
    return await work(cluster)
  } finally {
    if (!cluster.adopted) await cluster.stop()
  }
}

/** Writes the whole log of a site, with its photos, to a file that another installation takes in; returns the exit code. */
export async function exportSite(file: string | undefined, named: string | undefined): Promise<number> {
  if (!file) throw new Trouble('Say where to: ./tadka export FILE [SITE]')
  if (existsSync(file)) throw new Trouble(`There is a file ${file} already. Name another.`)
  return withDatabase(async ({ appUrl }) => {
    const pool = openPool(appUrl, () => {}, forLongWork)
    try {
      const sites = await allSites(pool)
      const site = named ?? (sites.length === 1 ? sites[0]?.id : undefined)
      if (!site || !sites.some((s) => s.id === site))
        throw new Trouble(`Say which site. There are: ${sites.map((s) => s.id).join(', ') || 'none'}`)
      const { records, photos, head } = await makeWhole(file, (part) => writeArchive(pool, site, part))
      say(`${records} records and ${photos} photos of ${site}, head ${head.hash}`)
      say(`Written to ${file}. PINs and passwords are not in it; names are: keep it as you keep the log.`)
      return 0
    } finally {
      await pool.end()
    }
  })
}

/** Takes such a file into a folder that holds no site, checked as it is read: all of it or nothing; returns the exit code. */
export async function importSite(file: string | undefined): Promise<number> {
  if (!file) throw new Trouble('Say which: ./tadka import FILE')
  if (!existsSync(file)) throw new Trouble(`There is no file ${file}.`)
  return withDatabase(async ({ ownerUrl, appUrl }) => {
    const taken = await asOwner(ownerUrl, (owner) =>
      takeIn(owner, file, (records, of) => say(`${records} of ${of} records`)),
    ).catch((error: unknown) => {
      if (error instanceof BadArchive)
        throw new Trouble(`${file} is not taken in, nothing was changed: ${error.message}.`)
      throw error
    })
    if (taken.outcome === 'other-site')
      throw new Trouble(
        `There is a site here already. Take it into an empty folder: TADKA_DATA=FOLDER ./tadka import ${file}`,
      )
    if (taken.outcome === 'known') {
      say(`Every record of ${taken.site} in it is here already: nothing to do.`)
      return 0
    }
    const pool = openPool(appUrl, () => {}, forLongWork)
    try {
      const report = await verifySite(pool, taken.site)
      say(`${taken.records} records, ${taken.photos} photos, ${taken.states} states folded anew.`)
      for (const fault of report.faults) say(faultLine(fault))
      say(
        `Next: ./tadka reset-password ${taken.site} NAME gives a manager a password; ./tadka start serves it.`,
      )
      return report.sound ? 0 : 1
    } finally {
      await pool.end()
    }
  })
}
