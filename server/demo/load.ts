import type pg from 'pg'
import type { AnyDraft } from '@tadka/core/record'
import { asOwner } from '../db/owner.ts'
import { openPool, type Pool } from '../db/pool.ts'
import { hashSecret } from '../people/secrets.ts'
import { appendBatch } from '../record/append.ts'
import { inSite } from '../db/transaction.ts'
import { addDevice } from '../device/queries.ts'
import { keepCycle } from '../warewash/queries.ts'
import { demoDevices, demoProbe, hashOf } from './devices.ts'
import { demoHistory } from './history.ts'
import { people, site, siteId, type DemoPerson } from './house.ts'

/**
 * Puts the demo site, its people and its history into an empty database; does nothing where the site is there already. One that was
 * begun, and whose making was cut off, is made anew.
 */
export async function loadDemo(
  ownerUrl: string,
  appUrl: string,
  now: number,
  days: number,
): Promise<boolean> {
  if (!(await beginSite(ownerUrl))) return false
  const pool = openPool(appUrl, () => {})
  try {
    const drafts = demoHistory(now, days)
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
    await asOwner(ownerUrl, (owner) =>
      owner.query('update site set is_making = false where id = $1', [siteId]),
    )
    return true
  } finally {
    await pool.end()
  }
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

/** Marks the site as being made, with its people; false where it is there, whole. */
const beginSite = (ownerUrl: string): Promise<boolean> =>
  asOwner(ownerUrl, async (owner) => {
    const found = await owner.query<{ is_making: boolean }>('select is_making from site where id = $1', [
      siteId,
    ])
    if (found.rows[0]?.is_making === false) return false
    await owner.query('begin')
    if (found.rows[0]) await removeSite(owner)
    await owner.query('insert into site (id, name, is_making) values ($1, $2, true)', [siteId, site.name])
    for (const person of people) await makePerson(owner, person)
    await owner.query('commit')
    return true
  })

/** What was made of a site before its making was cut off: nobody has worked there yet. */
async function removeSite(owner: pg.Client): Promise<void> {
  await owner.query("select set_config('tadka.site', $1, true)", [siteId])
  const tables = ['record', 'record_subject', 'subject_state', 'site_head', 'cycle', 'device', 'person']
  for (const table of tables) await owner.query(`delete from ${table} where site_id = $1`, [siteId])
  await owner.query('delete from site where id = $1', [siteId])
}

async function makePerson(owner: pg.Client, person: DemoPerson): Promise<void> {
  const sql = `
    insert into person (site_id, id, name, role, pin_hash, login, password_hash)
    values ($1, $2, $3, $4, $5, $6, $7)`
  const passwordHash = person.password ? await hashSecret(person.password) : null
  await owner.query(sql, [
    siteId,
    person.id,
    person.name,
    person.role,
    await hashSecret(person.pin),
    person.login ?? null,
    passwordHash,
  ])
}
