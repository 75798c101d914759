import { latestProcedure, type Procedure } from '@tadka/core/procedure'
import type { AnyDraft } from '@tadka/core/stream'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { products, stations } from '../demo/products.ts'
import { checkContactEntry } from '../stream/contact-entry.ts'
import { openPool, type Pool } from '../db/pool.ts'
import { draft, testDatabase, type TestDatabase } from './server.ts'

let database: TestDatabase
let pool: Pool
const site = 'bare'
beforeAll(async () => {
  database = await testDatabase()
  pool = openPool(database.appUrl, () => {})
  await database.owner.query("insert into site (id, name) values ('bare', 'Bare')")
})
afterAll(async () => {
  await pool.end()
  await database.drop()
})
beforeEach(() => database.owner.query('truncate subject_state'))

/** What the site has by now. */
async function has(kind: string, id: string, state: object): Promise<void> {
  const sql = `
    insert into subject_state (site_id, kind, subject_id, state, touched_at, live) values ($1, $2, $3, $4, 0, true)`
  await database.owner.query(sql, [site, kind, id, JSON.stringify({ id, ...state })])
}
const asking = (seconds: number, use = 'frozen-dessert') => ({
  ...products['skerrychlor'],
  uses: [{ ...products['skerrychlor']?.uses[0], id: use, contactSeconds: seconds }],
})
const family = 'soft-serve-gravity'
const plate = (sanitize: number, change: object = {}) => {
  const { parameters = {}, ...rest } = stations['kiosk-soft-serve'] ?? {}
  return { ...rest, parameters: { ...parameters, sanitize }, ...change }
}
const plateSet = (sanitize: number, change: object = {}) =>
  draft(0, 'station.set@1', plate(sanitize, change), { site, subject: { kind: 'station', id: 's' } })
/** What refuses it: why, and the least of each; empty where it is let in. */
async function faults(one: AnyDraft): Promise<unknown> {
  try {
    await checkContactEntry(pool, site, one)
    return []
  } catch (error) {
    const { code, details } = error as {
      code: string
      details: { faults: { because: string; least: number }[] }
    }
    return [code, ...details.faults.map((f) => `${f.because} ${Math.round(f.least * 60)} s`)]
  }
}
const own = (id: string, minutes: number | { of: string }): Procedure => {
  const text = JSON.stringify(latestProcedure('soft-serve-gravity.open'))
  const length = typeof minutes === 'number' ? String(minutes) : JSON.stringify(minutes)
  const made = JSON.parse(text.replaceAll('"length":{"of":"sanitize"}', `"length":${length}`)) as Procedure
  return { ...made, id, version: 1 }
}
const procedureSet = (document: Procedure) =>
  draft(0, 'procedure.set@1', { document }, { site, subject: { kind: 'procedure', id: document.id } })

describe('a contact time on a plate', () => {
  it('is held against the code where no product is entered', async () => {
    expect(await faults(plateSet(0.1))).toEqual(['contact_too_short', 'code 10 s'])
    expect(await faults(plateSet(0.5))).toEqual([])
  })
  it('is held against the label for the use of its procedure, and no other', async () => {
    await has('product', 'skerrychlor', asking(240))
    await has('product', 'odd', { name: 'Opened, never entered' })
    expect(await faults(plateSet(3))).toEqual(['contact_too_short', 'label 240 s'])
    expect(await faults(plateSet(4))).toEqual([])
    await database.owner.query('truncate subject_state')
    await has('product', 'skerrychlor', asking(240, 'another-use'))
    expect(await faults(plateSet(3))).toEqual([])
  })
  it('is held against each of a product’s uses, not only the first', async () => {
    const both = asking(240)
    await has('product', 'skerrychlor', { ...both, uses: [{ ...both.uses[0], id: 'other' }, ...both.uses] })
    expect(await faults(plateSet(3))).toEqual(['contact_too_short', 'label 240 s'])
  })
  it('is held against the site’s own procedures of its family, as they stand last', async () => {
    await has('procedure', 'own.x', { versions: [own('own.x', { of: 'mine' }), own('own.x', 5)] })
    const mine = (minutes: number, change: object = {}) =>
      plateSet(5, { parameters: { ...plate(5).parameters, mine: minutes }, ...change })
    expect(await faults(mine(0.1))).toEqual([])
    await has('procedure', 'own.y', { versions: [own('own.y', 5), own('own.y', { of: 'mine' })] })
    await has('procedure', 'own.none', { versions: [] })
    expect(await faults(mine(0.1))).toEqual(['contact_too_short', 'code 10 s'])
    expect(await faults(mine(0.1, { family: 'ice-bin' }))).toEqual([])
  })
})

describe('a contact time in a procedure', () => {
  it('is held against the plates of its family', async () => {
    const mine = procedureSet(own('own.z', { of: 'mine' }))
    expect(await faults(mine)).toEqual([])
    await has('station', 'bare', {})
    await has('station', 'one', { plate: plate(5, { parameters: { mine: 0.1 }, family: 'ice-bin' }) })
    expect(await faults(mine)).toEqual([])
    await has('station', 'two', { plate: plate(5, { parameters: { mine: 0.1 } }) })
    expect(await faults(mine)).toEqual(['contact_too_short', 'code 10 s'])
  })
  it('is held against the code before there is a plate, and is left alone in what the library holds', async () => {
    expect(await faults(procedureSet(own('own.w', 0.1)))).toEqual(['contact_too_short', 'code 10 s'])
    const library = latestProcedure('soft-serve-gravity.open')
    if (!library) throw new Error('the library has no such procedure')
    await has('station', 'two', { plate: plate(0.1) })
    expect(await faults(procedureSet(library))).toEqual([])
  })
})

it('nothing else is looked at', async () => {
  expect(await faults(draft(0, 'run.parked@1', { run: 'r', station: 's' }, { site }))).toEqual([])
  expect(family).toBe(stations['kiosk-soft-serve']?.family)
})
