import type { AnyDraft } from '@tadka/core/stream'
import { openPool, type Pool } from '../db/pool.ts'
import { foundSite } from '../house/found.ts'
import { makeSetupCode } from '../house/setup-code.ts'
import { allSites } from '../people/queries.ts'
import { changeRights, personChange, secretChange } from '../people/rights.ts'
import { appendBatch } from '../stream/append.ts'
import { SiteQueue } from '../stream/queue.ts'
import { inSite } from '../db/transaction.ts'
import { addDevice } from '../device/queries.ts'
import { learnedBySite } from '../plan/learned.ts'
import { lossesOf } from '../solution/losses.ts'
import { keepCycle } from '../warewash/queries.ts'
import { demoDevices, demoProbe, hashOf } from './devices.ts'
import { demoHistory } from './history.ts'
import { people, site, siteId } from './house.ts'

/**
 * Puts the demo site, its people and its history into an empty database, by the same functions that found a site of one's own; does
 * nothing where it is there already. One that was begun, and whose making was cut off, is made anew. Throws where there is another site.
 */
export async function loadDemo(
  ownerUrl: string,
  appUrl: string,
  now: number,
  days: number,
): Promise<boolean> {
  const pool = openPool(appUrl, () => {})
  try {
    const sites = await allSites(pool)
    if (sites.some((s) => s.id === siteId)) return false
    const drafts = demoHistory(now, days)
    const at = (drafts[0]?.observedAt ?? now) - 60_000
    const code = await makeSetupCode(ownerUrl, at)
    const founder = people.find((p) => p.password !== undefined)
    if (code === null || !founder?.login || !founder.password) throw new OtherSite(sites[0]?.name ?? '')
    const { id, name, login, password, pin } = founder
    await foundSite(
      { pool, queue: new SiteQueue() },
      {
        id: siteId,
        set: site,
        manager: { id, name, login, password, pin },
        code,
        device: 'server',
        at,
        meanwhile: () => fill(pool, drafts, at, now),
      },
    )
    return true
  } finally {
    await pool.end()
  }
}

/** There is a site already that is not the demo's: nothing is put beside it. */
export class OtherSite extends Error {}

/** The demo's people, what they did, and what reports by itself. */
async function fill(pool: Pool, drafts: readonly AnyDraft[], at: number, now: number): Promise<void> {
  const founder = people.find((p) => p.password !== undefined)?.id ?? ''
  const others = people.filter((p) => p.id !== founder)
  const changes = await Promise.all(
    others.map(async ({ id, name, role, pin }) => [
      personChange(id, { name, role, login: null, left: false }),
      await secretChange(pool, siteId, id, { what: 'pin', secret: pin, toChange: false }),
    ]),
  )
  await changeRights({ pool, queue: new SiteQueue() }, siteId, founder, at, changes.flat())
  for (let i = 0; i < drafts.length; i += 200) {
    const part = drafts.slice(i, i + 200)
    const outcomes = await appendBatch(pool, {
      site: siteId,
      drafts: part,
      clockOffset: 0,
      receivedAt: part.at(-1)?.observedAt ?? now,
      allow: () => null,
      signed: true,
      fromDevice: true,
    })
    const refused = outcomes.find((o) => o.outcome !== 'accepted')
    if (refused) throw new Error(`the demo made a record that is refused: ${JSON.stringify(refused)}`)
  }
  await enterDevices(pool, drafts, now)
  // What two weeks teach of baths and minutes is worked out, as it would be by then.
  await lossesOf(pool, siteId, now)
  await learnedBySite(pool, siteId, now)
}

/** The devices that may report, and the probe's cycles of days gone by where months are counted from. */
async function enterDevices(pool: Pool, drafts: readonly AnyDraft[], now: number): Promise<void> {
  for (const device of demoDevices) await addDevice(pool, siteId, device, hashOf(device), now)
  await inSite(pool, siteId, async (db) => {
    for (const { type, payload } of drafts) {
      if (type !== 'cycle.judged@1') continue
      const { figures, judgement, ending, cycle, to } = payload
      const row = {
        key: cycle,
        boot: 'history',
        device_id: demoProbe.id,
        from_second: 0,
        to_second: 0,
        ended_at: to,
        ending,
        verdict: judgement?.overall ?? null,
        rinse_low: figures.rinseLow,
        wash_low: figures.washLow,
        digest: '',
      }
      await keepCycle(db, siteId, demoProbe.station, row, [])
    }
  })
}
