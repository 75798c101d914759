import { forLongWork, openPool, type Pool } from '../server/db/pool.ts'
import { allSites, everyoneOf, findPerson } from '../server/people/queries.ts'
import { changeRights, secretChange } from '../server/people/rights.ts'
import { newPassword } from '../server/people/secrets.ts'
import { makeCode } from '../server/people/codes.ts'
import { clearTries } from '../server/people/tablets.ts'
import { SiteQueue } from '../server/stream/queue.ts'
import { rebuildSite } from '../server/stream/rebuild.ts'
import { verifySite } from '../server/record/verify/verify.ts'
import { faultLine } from './fault-line.ts'
import { rememberedHeads } from './heads-file.ts'
import { openDatabase } from './database.ts'
import { Trouble } from './trouble.ts'

/** Unlocks a name's PIN on every tablet: a manager's own, where nobody in House may. */
async function unlock(pool: Pool, site: string, person: string | undefined): Promise<number> {
  if (!person) throw new Trouble('Say whose name: ./tadka unlock SITE NAME')
  if (!(await findPerson(pool, site, person))) throw new Trouble(`There is no ${person} at ${site}.`)
  await clearTries(pool, site, person)
  console.log(`The PIN of ${person} works again on every tablet of ${site}.`)
  return 0
}

/** Gives a manager a new password: the way back in where nobody else could. */
async function resetPassword(pool: Pool, site: string, person: string | undefined): Promise<number> {
  if (!person) throw new Trouble('Say whose: ./tadka reset-password SITE NAME')
  const found = await findPerson(pool, site, person)
  if (!found) throw new Trouble(`There is no ${person} at ${site}.`)
  const login = (await everyoneOf(pool, site)).find((p) => p.id === person)?.login
  if (found.role !== 'manager' || !login)
    throw new Trouble(`${found.name} has no password: a manager gives them a new PIN, in House > People.`)
  const password = newPassword()
  await changeRights({ pool, queue: new SiteQueue() }, site, 'console', Date.now(), [
    await secretChange(pool, site, person, { what: 'password', secret: password, toChange: false }),
  ])
  await clearTries(pool, site, person)
  console.log(
    `${found.name} signs in as ${login} with the password ${password}; change it in House > People.`,
  )
  return 0
}

/** Tells a code that makes a browser a tablet of the site. */
async function enrol(pool: Pool, site: string): Promise<number> {
  const { code } = await makeCode(pool, site, null, Date.now())
  console.log(`On the new tablet, within the hour, enter ${code} where Tadka asks for it.`)
  return 0
}

/** Checks a site's chain, or folds its states anew; returns the exit code. */
export async function chainCommand(
  command: 'verify' | 'rebuild' | 'unlock' | 'enrol' | 'reset-password',
  named: string | undefined,
  more?: string,
): Promise<number> {
  const cluster = await openDatabase('main', console.log)
  const pool = openPool(cluster.appUrl, () => {}, forLongWork)
  try {
    const sites = await allSites(pool)
    // Where there is one only, it is meant.
    const site = named ?? (sites.length === 1 ? sites[0]?.id : undefined)
    if (!site && sites.length > 1) throw new Trouble(`Say which site: ./tadka ${command} SITE`)
    if (!site || !sites.some((s) => s.id === site))
      throw new Trouble(
        `There is no site ${named ?? 'at all'} here. There are: ${sites.map((s) => s.id).join(', ') || 'none'}`,
      )
    if (command === 'unlock') return await unlock(pool, site, more)
    if (command === 'reset-password') return await resetPassword(pool, site, more)
    if (command === 'enrol') return await enrol(pool, site)
    if (command === 'rebuild') {
      console.log(`${await rebuildSite(pool, site)} states folded anew from the records of ${site}.`)
      return 0
    }
    const heads = more === undefined ? [] : rememberedHeads(more, site)
    const report = await verifySite(
      pool,
      site,
      ({ part, done, of }) => console.log(`  ${part}: ${done} of ${of}`),
      heads,
    )
    if (report.sound) console.log(`All of ${site} is whole: ${report.records} records, head ${report.head}`)
    else {
      console.log(`${site} is not whole; ${report.records} records from the first are.`)
      for (const fault of report.faults) console.log(`  ${faultLine(fault)}`)
    }
    return report.sound ? 0 : 1
  } finally {
    await pool.end()
    if (!cluster.adopted) await cluster.stop()
  }
}
