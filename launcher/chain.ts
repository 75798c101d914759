import { openPool } from '../server/db/pool.ts'
import { rebuildSite } from '../server/record/rebuild.ts'
import { verifySite } from '../server/record/verify.ts'
import { openDatabase } from './database.ts'
import { Trouble } from './trouble.ts'

/** Checks a site's chain, or folds its states anew; returns the exit code. */
export async function chainCommand(command: 'verify' | 'rebuild', site: string | undefined): Promise<number> {
  if (!site) throw new Trouble(`Say which site: ./tadka ${command} SITE`)
  const cluster = await openDatabase('main', console.log)
  const pool = openPool(cluster.appUrl, () => {})
  try {
    if (command === 'rebuild') {
      console.log(`${await rebuildSite(pool, site)} states folded anew from the records of ${site}.`)
      return 0
    }
    const report = await verifySite(pool, site)
    console.log(
      report.sound
        ? `The chain of ${site} is whole: ${report.records} records, head ${report.head}`
        : `The chain of ${site} is broken at record ${report.fault?.seq} (${report.fault?.why}); ${report.records} before it are whole.`,
    )
    return report.sound ? 0 : 1
  } finally {
    await pool.end()
    if (!cluster.adopted) await cluster.stop()
  }
}
