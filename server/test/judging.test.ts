import { instant, interval } from '@tadka/core/quantity'
import {
  heatRead,
  sanitizerChecked,
  taken,
  type HeatEntry,
  type HeatInstrument,
  type ReadingTaken,
} from '@tadka/core/reading'
import { type AnyDraft, type AnyRecord } from '@tadka/core/stream'
import { type InstrumentSet, type ProductSet } from '@tadka/core/house'
import type { LocalRule } from '@tadka/core/rules'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { instruments } from '../demo/house.ts'
import { products, stations } from '../demo/products.ts'
import { plateOf } from '@tadka/core/warewash'
import { ask, draft, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
let cookie: string
beforeAll(async () => {
  server = await testServer(1)
  cookie = await signIn(server.app, 'bao', 'oriel')
})
afterAll(() => server.close())

const now = () => instant(server.clock.now)
const kit = () => instruments(now())
const place = { station: 'galley-dish', run: null, step: null, bath: null, case: null }
const gauge = () => ({ ...kit()['gauge-galley-dish'], id: 'gauge-galley-dish' }) as HeatInstrument
const pressure = () => ({ ...kit()['pressure-galley-dish'], id: 'pressure-galley-dish' }) as HeatInstrument

const entry = (rinse: number, change: Partial<HeatEntry> = {}): HeatEntry => ({
  numbers: { wash: 70, rinse, pressure: 120 },
  on: { wash: gauge(), rinse: gauge(), pressure: pressure() },
  turned: null,
  kind: 'stationary-dual',
  kept: 'room',
  units: { temperature: '°C', pressure: 'kPa' },
  plate: plateOf(stations['galley-dish']?.parameters ?? {}),
  practice: 'manifold',
  label: null,
  ...change,
})
const by = { wash: 'gauge-galley-dish', rinse: 'gauge-galley-dish', pressure: 'pressure-galley-dish' }
const machine = (e: HeatEntry, local: readonly LocalRule[] = [], on: Record<string, string> = by) =>
  taken(heatRead('dish-machine', e, now()), place, [...new Set(Object.values(on))], local, on)

const subject = { kind: 'station', id: 'galley-dish' }
async function send(...drafts: AnyDraft[]): Promise<void> {
  const answer = await ask(server, cookie, 'POST', '/records', { sentAt: server.clock.now, drafts })
  for (const o of answer.json<{ outcomes: { outcome: string }[] }>().outcomes)
    expect(o.outcome).toBe('accepted')
}
/** What stands in the log of a reading that was sent. */
async function kept(payload: ReadingTaken): Promise<AnyRecord & { type: 'reading.taken@1' }> {
  server.clock.now += 1000
  const made = draft(server.clock.now, 'reading.taken@1', payload, { subject })
  await send(made)
  const answer = await ask(server, cookie, 'GET', '/log?types=reading.taken@1&limit=1')
  const [record] = answer.json<{ records: (AnyRecord & { type: 'reading.taken@1' })[] }>().records
  if (record?.id !== made.id) throw new Error('it is not in the log')
  return record
}
describe('a reading is judged by the site’s own records', () => {
  it('and stands as it was sent where the tablet knew the same', async () => {
    const record = await kept(machine(entry(84)))
    expect(record.flags).toEqual([])
    expect(record.payload.judgement.overall).toBe('in')
  })
  it('a verdict that was only claimed is flagged, does not stand, and opens its case', async () => {
    const out = machine(entry(70))
    const record = await kept({ ...out, judgement: { ...out.judgement, overall: 'in' } })
    expect(record.flags).toEqual(['verdict-differs'])
    expect(record.payload.judgement.overall).toBe('out')
    const cases = (await ask(server, cookie, 'GET', '/log?types=reading.taken@1&limit=1')).json<{
      cases: { id: string; status: string }[]
    }>().cases
    expect(cases).toContainEqual(expect.objectContaining({ id: record.id, status: 'open' }))
  })
  it('a plate or practice that the site does not have judges nothing', async () => {
    const plate = { wash: null, rinse: { c: 60, f: 140 }, pressure: null }
    const record = await kept(machine(entry(84, { plate, practice: 'surface' })))
    expect(record.flags).toEqual(['label-differs', 'verdict-differs'])
    expect(record.payload.judgement.overall).toBe('in')
  })
  it('a local rule that was left out, or made up, judges as the site has it', async () => {
    const madeUp: LocalRule = {
      id: 'x',
      authority: 'nobody',
      effect: { kind: 'replaces', section: '4-501.112' },
      quantity: 'rinse',
      unit: '°C',
      limit: interval(20, null),
      from: instant(0),
      until: null,
      reason: 'because',
    }
    const record = await kept(machine(entry(75), [madeUp]))
    expect(record.flags).toEqual(['rules-differ'])
    expect(record.payload.judgement.overall).toBe('out')
    const { id, ...strict } = { ...madeUp, id: 'strict', limit: interval(88, null), from: now() }
    const set = (change: object) =>
      draft(
        (server.clock.now += 1000),
        'rule.set@1',
        { ...strict, ...change },
        {
          subject: { kind: 'rule', id },
          by: 'oriel',
        },
      )
    await send(set({}))
    const unaware = await kept(machine(entry(84)))
    expect(unaware.flags).toEqual(['rules-differ', 'verdict-differs'])
    expect(unaware.payload.judgement.overall).toBe('out')
    await send(set({ until: now() }))
  })
  it('a range that is not its instrument’s gives way to the instrument’s', async () => {
    const sharp = machine(entry(82.5))
    const record = await kept({ ...sharp, by: {}, instruments: [] })
    expect(record.flags).toEqual(['reading-differs', 'verdict-differs'])
    expect(record.payload).toMatchObject({ reading: { rinse: { reading: { lo: 81, hi: 84 } } } })
    expect(record.payload.judgement.overall).toBe('too-close')
  })
  it('nothing passes on a thermometer that failed in melting ice, until a check passes', async () => {
    const check = (read: number) =>
      draft(
        (server.clock.now += 1000),
        'instrument.checked@1',
        {
          instrument: 'gauge-galley-dish',
          method: 'ice-point',
          unit: '°C',
          read,
          verdict: 'in',
          due: now() + 1e9,
        },
        { subject: { kind: 'instrument', id: 'gauge-galley-dish' }, by: 'oriel' },
      )
    await send(check(4))
    const failed = await kept(machine(entry(86)))
    expect(failed.payload.judgement.overall).toBe('cannot-tell')
    expect(failed.flags).toContain('verdict-differs')
    await send(check(0.2))
    expect((await kept(machine(entry(86)))).payload.judgement.overall).toBe('in')
  })
  it('one that comes late is judged by what was in force when it was taken', async () => {
    const late = machine(entry(84))
    const at = (server.clock.now += 1000)
    server.clock.now += 60_000
    const dull = { ...kit()['gauge-galley-dish'], accuracy: 3 } as InstrumentSet
    await send(
      draft(server.clock.now, 'instrument.set@1', dull, {
        subject: { kind: 'instrument', id: 'gauge-galley-dish' },
        by: 'oriel',
      }),
    )
    const made = draft(at, 'reading.taken@1', late, { subject })
    await send(made)
    const log = await ask(server, cookie, 'GET', '/log?types=reading.taken@1&limit=5')
    const found = log.json<{ records: AnyRecord[] }>().records.find((r) => r.id === made.id)
    expect(found?.flags).toEqual([])
    const after = await kept(machine(entry(84)))
    expect(after.flags).toContain('reading-differs')
    await send(
      draft((server.clock.now += 1000), 'instrument.set@1', kit()['gauge-galley-dish'] as object, {
        subject: { kind: 'instrument', id: 'gauge-galley-dish' },
        by: 'oriel',
      }),
    )
  })
})

describe('a strip', () => {
  const product = { ...(products['brineguard'] as ProductSet), id: 'brineguard' }
  const useId = product.uses.find((u) => u.range)?.id ?? ''
  const checked = (label = product, strip = 'strip-quat', pick = { matches: 300 }) =>
    sanitizerChecked(
      { ...place, station: 'espresso-bucket' },
      label,
      useId,
      {
        strength: { strip: kit()[strip] as InstrumentSet & { kind: 'strip' }, pick },
        ph: null,
        temperature: {
          value: 28,
          unit: '°C',
          instrument: {
            ...(kit()['thermometer-1'] as InstrumentSet & { kind: 'thermometer' }),
            id: 'thermometer-1',
          },
        },
        hardness: 150,
      },
      [strip, 'thermometer-1'],
      now(),
    )
  it('is judged by the site’s own label, whatever label was sent', async () => {
    const honest = await kept(checked())
    expect(honest.flags).toEqual([])
    const [use] = product.uses.filter((u) => u.range)
    if (!use) throw new Error('no use')
    const loose = { ...product, uses: [{ ...use, range: { lo: 1, hi: 20_000 } }] }
    const forged = await kept(checked(loose))
    expect(forged.flags).toContain('label-differs')
    expect(forged.payload).toMatchObject({ reading: { label: { range: use.range } } })
  })
  it('that is not the site’s, or is made for another product, tells nothing', async () => {
    const other = await kept({ ...checked(), instruments: ['strip-chlorine', 'thermometer-1'] })
    expect(other.payload).toMatchObject({
      reading: { strength: null },
      judgement: { overall: 'cannot-tell' },
    })
    const none = await kept({ ...checked(), instruments: ['thermometer-1'] })
    expect(none.payload.judgement.overall).toBe('cannot-tell')
  })
  async function amend(wrong: Awaited<ReturnType<typeof kept>>, strength: { matches: number }) {
    if (wrong.payload.what !== 'sanitizer') throw new Error('not a sanitizer')
    const instead = { ...wrong.payload, picks: { ...wrong.payload.picks, strength } }
    server.clock.now += 1000
    await send(
      draft(
        server.clock.now,
        'record.amended@1',
        {
          target: wrong.id,
          targetType: 'reading.taken@1',
          subjects: [wrong.subject],
          instead,
          reason: 'misread',
        },
        { subject: wrong.subject, by: 'oriel' },
      ),
    )
    const log = await ask(server, cookie, 'GET', '/log?types=record.amended@1&limit=1')
    return log.json<{ records: AnyRecord[] }>().records[0]
  }
  it('amended, is judged by the site’s own records of when it was dipped', async () => {
    const wrong = await kept(checked())
    const amended = await amend(wrong, { matches: 0 })
    expect(amended?.flags).toEqual(['reading-differs', 'verdict-differs'])
    expect(amended?.payload).toMatchObject({ instead: { judgement: { overall: 'out' } } })
  })
  it('that failed and is amended to a pass, stands out and keeps its corrective action open', async () => {
    const weak = await kept(checked(product, 'strip-quat', { matches: 0 }))
    expect(weak.payload.judgement.overall).toBe('out')
    const amended = await amend(weak, { matches: 300 })
    expect(amended?.payload).toMatchObject({ instead: { judgement: { overall: 'in' } } })
    expect(amended?.flags).toContain('amended-to-pass')
    const state = await ask(server, cookie, 'GET', '/state')
    const { states } = state.json<{ states: { kind: string; id: string; state: { status?: string } }[] }>()
    expect(states.find((x) => x.kind === 'case' && x.id === weak.id)?.state.status).toBe('open')
  })
})
