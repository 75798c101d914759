import { ownPool } from '../work/database.ts'
import { Outlet } from '../work/outlet.ts'
import type { Job } from '../work/work.ts'
import type { VerifyProgress } from './verify/progress.ts'
import { verifySite, type VerifyReport } from './verify/verify.ts'

/** What a check tells while it is under way, and at its end. */
export type VerifyLine = VerifyProgress | VerifyReport

/** Checks all that a site keeps, telling how far it is; ends early where nobody listens any more. */
export default async function verifyJob({ asked: site, port }: Job<string>): Promise<void> {
  if (!port) throw new TypeError('a check tells how far it is')
  const outlet = new Outlet<VerifyLine>(port)
  try {
    const report = await verifySite(ownPool(), site, async (line) => {
      if (!(await outlet.put(line))) throw new Left()
    })
    await outlet.put(report)
  } catch (error) {
    if (!(error instanceof Left)) throw error
  } finally {
    outlet.close()
  }
}

/** Nobody waits for the answer any more. */
class Left extends Error {}
