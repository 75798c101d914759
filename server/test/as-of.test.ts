import type { AnyDraft, FoldKey, SubjectKind, SubjectRef } from '@tadka/core/stream'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openPool, type Pool } from '../db/pool.ts'
import { site as demoSite, siteId } from '../demo/house.ts'
import { products, stations } from '../demo/products.ts'
import { appendBatch } from '../stream/append.ts'
import { asOf } from '../stream/as-of.ts'
import { draft, testDatabase, type TestDatabase } from './server.ts'

const [first, second] = [1_000_000, 2_000_000]
let database: TestDatabase
let pool: Pool
/** Everything is entered at the first instant, and entered anew at the second. */
beforeAll(async () => {
  database = await testDatabase()
  pool = openPool(database.appUrl, () => {})
  await database.owner.query("insert into site (id, name) values ($1, 'Tried')", [siteId])
  const set = (
    at: number,
    type: 'site.set@1' | 'station.set@1' | 'product.set@1' | 'instrument.set@1',
    id: string,
    payload: object,
  ) => {
    const kind = type.split('.')[0] as SubjectKind
    return draft(at, type, payload, { by: 'oriel', subject: { kind, id } })
  }
  const temperature = { c: 43, f: 110 }
  const warm = products['kelpwash']?.uses.map((u) => ({ ...u, temperature }))
  const at = (when: number, mark: string) => [
    set(when, 'site.set@1', siteId, {
      ...demoSite,
      name: `Site ${mark}`,
      schools: { 'surface-check': mark, 'wash-water': 'label' },
    }),
    set(when, 'station.set@1', 'st', { ...stations['galley-sink'], name: `Station ${mark}` }),
    set(when, 'instrument.set@1', 'in', {
      kind: 'thermometer',
      name: `Probe ${mark}`,
      unit: '°C',
      accuracy: 0.5,
      checkDue: second,
    }),
    set(when, 'product.set@1', 'pr', { ...products['kelpwash'], name: `Product ${mark}`, uses: warm }),
  ]
  const seen = draft(
    first + 1,
    'sign.seen@1',
    { station: 'only-seen', sign: 'odd', note: '' },
    { subject: { kind: 'station', id: 'only-seen' } },
  )
  const outcomes = await appendBatch(pool, {
    site: siteId,
    drafts: [...at(first, 'then'), seen, ...at(second, 'now')],
    clockOffset: 0,
    receivedAt: second,
    allow: () => null,
  })
  expect(outcomes.map((o) => o.outcome)).toEqual(outcomes.map(() => 'accepted'))
})
afterAll(async () => {
  await pool.end()
  await database.drop()
})

const station: SubjectRef = { kind: 'station', id: 'st' }
const product: SubjectRef = { kind: 'product', id: 'pr' }
const bath: SubjectRef = { kind: 'bath', id: 'ba' }
const instrument: SubjectRef = { kind: 'instrument', id: 'in' }
const onlySeen: SubjectRef = { kind: 'station', id: 'only-seen' }
const run = draft(0, 'run.started@1', { run: 'r', station: 'st' })
const step = draft(0, 'run.step.done@2', { run: 'r', station: 'st', facts: {} })
const readingOf = (what: string) => draft(0, 'reading.taken@1', { what, station: 'st' })

/** What is known of a draft that was seen at an instant. What stands now is marked. */
async function known(
  one: AnyDraft,
  seenAt: number,
  subjects: SubjectRef[] = [],
  needs: SubjectRef[] = [],
  beside?: AnyDraft,
) {
  const last = { at: second, receivedAt: second, seq: 9 } as unknown as FoldKey
  const site = { kind: 'site', id: siteId } as const
  const states = [site, station, product, bath, instrument, onlySeen].map((s) => ({ ...s, state: {}, last }))
  const never = { kind: 'run', id: 'never', state: {}, last: null }
  const then = await asOf(pool, siteId, { states: [...states, never] as never }, [
    { draft: one, seenAt, subjects, needs },
    // Whatever else comes in the same batch changes nothing of it.
    ...(beside ? [{ draft: beside, seenAt, subjects: [], needs: [] }] : []),
  ])
  return then(one, (kind, id) => ({
    name: `${kind} ${id} as it stands`,
    plate: { name: 'as it stands' },
    versions: [],
  }))
}
const nameOf = (state: unknown) => (state as { name?: string } | null)?.name

describe('a start that comes late', () => {
  it('is held against the plate and the label of when it was made, not of today', async () => {
    const k = await known(run, second - 1, [station], [product])
    expect(nameOf(k.plate('st'))).toBe('Station then')
    expect(nameOf(k.station('st')?.plate)).toBe('Station then')
    expect(nameOf(k.product('pr'))).toBe('Product then')
    expect(nameOf(k.bath('ba'))).toBe('bath ba as it stands')
  })
  it('is held against what stands now, from the moment that it was entered', async () => {
    const k = await known(run, second, [station], [product])
    expect(nameOf(k.plate('st'))).toBe('as it stands')
    expect(nameOf(k.product('pr'))).toBe('product pr as it stands')
  })
  it('is held against what was entered at its own moment', async () => {
    expect(nameOf((await known(run, first, [station])).plate('st'))).toBe('Station then')
  })
  it('is held against what was entered since, where nothing was entered then', async () => {
    expect(nameOf((await known(run, first - 1, [station])).plate('st'))).toBe('as it stands')
    const k = await known(run, second - 1, [onlySeen])
    expect(nameOf(k.plate('only-seen'))).toBe('as it stands')
  })
})

describe('anything else that comes late', () => {
  it('is held against what it needs as that was, and its own station as it stands', async () => {
    const k = await known(step, second - 1, [station], [product])
    expect(nameOf(k.plate('st'))).toBe('as it stands')
    expect(nameOf(k.product('pr'))).toBe('Product then')
  })
  it('is read on the instrument as it was entered then', async () => {
    const k = await known(readingOf('hot-water'), second - 1, [], [instrument])
    expect(nameOf(k.instrument('in'))).toBe('Probe then')
    expect(nameOf((await known(readingOf('hot-water'), second)).instrument('in'))).toMatch(/as it stands/)
  })
  it('finds of a site’s own procedure the version that it names, and nothing of what is not there', async () => {
    const then = await asOf(pool, siteId, { states: [] }, [
      { draft: step, seenAt: second, subjects: [], needs: [] },
    ])
    const versions = [{ version: 1 }, { version: 2, name: 'the second' }]
    const k = then(step, (kind) => (kind === 'procedure' ? { versions } : null))
    expect(k.procedure('own.made', 2)).toMatchObject({ name: 'the second' })
    expect(k.procedure('own.made', 3)).toBeNull()
    expect(k.plate('nowhere')).toBeNull()
    expect(k.useOfStep('nowhere', 'mix')).toBeNull()
  })
  it('knows no instrument, procedure or bath but those that stand now', async () => {
    const k = await known(step, second - 1, [], [bath])
    expect(nameOf(k.instrument('probe'))).toBe('instrument probe as it stands')
    expect(k.procedure('own.none', 1)).toBeNull()
    expect(k.procedure('bucket.fill', 1)).toMatchObject({ id: 'bucket.fill' })
    expect(nameOf(k.bath('ba'))).toBe('bath ba as it stands')
    expect(nameOf(k.run('r'))).toBe('run r as it stands')
  })
})

describe('a reading that comes late', () => {
  it('is judged by the practices that the site had then; a step asks for none', async () => {
    expect((await known(readingOf('dish-machine'), second - 1)).schools).toMatchObject({
      'surface-check': 'then',
    })
    expect((await known(step, second - 1)).schools).toEqual({})
  })
  it('is judged by the local rules in force then; a step by none', async () => {
    const rule = (id: string, from: number) => ({
      id,
      authority: 'Port',
      effect: { kind: 'adds' },
      quantity: 'product',
      unit: '°C',
      limit: { lo: null, hi: 4 },
      from,
      until: null,
      reason: 'tried',
    })
    for (const [id, from] of [
      ['old', first],
      ['later', second + 1],
    ] as const)
      await database.owner.query(
        `insert into subject_state (site_id, kind, subject_id, state, touched_at, live) values ($1, 'rule', $2, $3, 0, true)`,
        [siteId, id, JSON.stringify(rule(id, from))],
      )
    await database.owner.query(
      `insert into subject_state (site_id, kind, subject_id, state, touched_at, live) values ($1, 'rule', 'begun', '{"id": "begun"}', 0, true)`,
      [siteId],
    )
    const ids = async (one: AnyDraft) =>
      (await known(one, second)).rules.map((r) => (r as { id?: string }).id)
    expect(await ids(readingOf('sanitizer'))).toEqual(['old'])
    expect(await ids(step)).toEqual([])
    const mixed = await known(readingOf('sanitizer'), second, [], [], step)
    expect(mixed.rules.map((r) => (r as { id?: string }).id)).toEqual(['old'])
  })
  it('knows the label of the wash water only where it is that', async () => {
    expect((await known(readingOf('wash-water'), second - 1)).washLabel).toMatchObject({ c: 43 })
    expect((await known(readingOf('sanitizer'), second - 1)).washLabel).toBeNull()
    const mixed = await known(readingOf('wash-water'), second - 1, [], [], readingOf('sanitizer'))
    expect(mixed.washLabel).toMatchObject({ c: 43 })
  })
})
