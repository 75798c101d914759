import fc from 'fast-check'
import { Refusal } from '@tadka/core/refusal'
import { describe, expect, it } from 'vitest'
import { checkDraft, isKnownType, payloadSchemas } from '../record/index.ts'

/** Records as the first release wrote them: they must be accepted for ever. */
const golden = [
  {
    type: 'run.started@1',
    payload: {
      run: 'r',
      station: 's',
      procedure: { id: 'bucket.fill', version: 1 },
      parameters: { bucket: 4000 },
    },
  },
  {
    type: 'run.step.done@1',
    payload: {
      run: 'r',
      station: 's',
      step: 'rinse.2.drain',
      kind: 'do',
      facts: { litres: 1.5, kept: false },
      effects: { contents: 'empty' },
      before: { contents: 'rinse' },
    },
  },
  {
    type: 'run.wait.started@1',
    payload: {
      run: 'r',
      station: 's',
      step: 'stand',
      minutes: 5,
      effects: { power: 'agitating' },
      before: { power: 'off' },
    },
  },
  {
    type: 'case.opened@1',
    payload: { case: 'c', station: null, run: null, origin: 'by-hand', said: 'hand sink was blocked' },
  },
  { type: 'case.told@1', payload: { case: 'c', station: null, part: 'cause', said: 'a cloth in the drain' } },
  {
    type: 'case.action@1',
    payload: { case: 'c', station: null, run: null, bath: null, did: 'strengthened', amount: 11, note: '' },
  },
  {
    type: 'rule.set@1',
    payload: {
      authority: 'Harbour authority',
      effect: { kind: 'replaces', section: '4-501.112' },
      quantity: 'rinse',
      unit: '°C',
      limit: { lo: 85, hi: null },
      from: 1,
      until: null,
      reason: 'byelaw 12',
    },
  },
  { type: 'run.help.called@1', payload: { run: 'r', station: 's', step: 'rinse.1.drain' } },
  { type: 'run.watched@1', payload: { run: 'r', station: 's', procedure: 'slush.close', learner: 'bo' } },
  {
    type: 'training.signed@1',
    payload: { procedures: [{ id: 'slush.close', version: 2 }], until: '2027-11-26' },
  },
  {
    type: 'training.paper@1',
    payload: {
      paper: 'p',
      kind: 'food-handler',
      name: '',
      number: '77',
      issued: null,
      until: '2027-03-01',
      photo: null,
      removed: false,
    },
  },
  {
    type: 'incident.opened@1',
    payload: { kind: 'water-off', station: null, place: '', stations: ['kiosk'], cleans: null },
  },
  { type: 'incident.counted@1', payload: { out: ['noor'], notHere: ['pim'], others: 'two guests' } },
  { type: 'incident.known-good@1', payload: { at: 5 } },
  { type: 'incident.product@1', payload: { product: 'p' } },
  {
    type: 'incident.done@1',
    payload: {
      task: 'cold',
      station: 'kiosk',
      read: { value: 7, unit: '°C' },
      warmSince: null,
      kept: true,
      note: 'said so',
      photo: null,
    },
  },
  { type: 'incident.over@1', payload: { at: 5, cleans: { kiosk: ['soft-serve-gravity.close'] } } },
  { type: 'incident.extent@1', payload: { stopped: false, reason: 'four minutes' } },
  {
    type: 'incident.approved@1',
    payload: { way: 'plan', who: 'J. Doe', at: 5, photo: null, conditions: ['bottled water'] },
  },
  { type: 'incident.reopened@1', payload: { stations: ['kiosk'], ends: true } },
  { type: 'incident.false-alarm@1', payload: { stations: ['kiosk'], reason: 'the tap was shut' } },
  {
    type: 'note.left@1',
    payload: { day: '2026-11-26', kind: 'dries', station: 'kiosk', said: 'bowl on the rack' },
  },
  { type: 'note.settled@1', payload: { day: '2026-11-26', note: '0193f2c4-8a6e-7c31-9f2a-1b2c3d4e5f60' } },
  { type: 'note.read@1', payload: { day: '2026-11-27' } },
  { type: 'charge.taken@1', payload: { day: '2026-11-26' } },
  { type: 'product.sheet@1', payload: { product: 'p', sha256: 'a'.repeat(64), name: 'sheet.pdf' } },
  {
    type: 'huddle.held@1',
    payload: { day: '2026-11-26', topic: 'strength', procedure: null, station: 'kiosk', there: ['noor'] },
  },
  { type: 'shift.reviewed@1', payload: { day: '2026-11-26', upTo: 12, note: '' } },
  { type: 'shift.signed@1', payload: { day: '2026-11-26', upTo: 12, openCases: [], reason: '' } },
] as const

const draftOf = (type: string, payload: unknown) => ({
  id: '0193f2c4-8a6e-7c31-9f2a-1b2c3d4e5f60',
  site: 's',
  type,
  subject: { kind: 'run', id: 'r' },
  observedAt: 1,
  device: 'd',
  counter: 1,
  by: 'bao',
  payload,
})
const codeOf = (raw: unknown): string => {
  try {
    checkDraft(raw)
    return 'accepted'
  } catch (error) {
    return error instanceof Refusal ? error.code : 'broken'
  }
}

describe('drafts', () => {
  it.each(golden)('a golden $type is accepted as it is', ({ type, payload }) => {
    expect(checkDraft(draftOf(type, payload)).payload).toEqual(payload)
  })
  it.each(golden)('$type with a field too many is refused, and the field named', ({ type, payload }) => {
    expect(codeOf(draftOf(type, { ...payload, extra: 1 }))).toBe('body_malformed')
  })
  it.each([
    ['no water is cleaned at once', 'water-off', {}],
    ['glass in food waits for nothing', 'foreign-matter', null],
  ])('that say that %s are refused', (_, kind, cleans) => {
    const payload = { kind, station: 'kiosk', place: '', stations: ['kiosk'], cleans }
    expect(codeOf(draftOf('incident.opened@1', payload))).toBe('body_malformed')
  })
  it('of an unknown type are refused by that name', () =>
    expect(codeOf(draftOf('run.dreamt@1', {}))).toBe('type_unknown'))
  it('that amend must put a sound payload in the place of the old', () => {
    const amend = (targetType: string, instead: unknown) =>
      codeOf(
        draftOf('record.amended@1', {
          target: '0193f2c4-8a6e-7c31-9f2a-1b2c3d4e5f60',
          targetType,
          subjects: [],
          instead,
          reason: 'mistyped',
        }),
      )
    expect(amend('case.action@1', golden.find((g) => g.type === 'case.action@1')?.payload)).toBe('accepted')
    expect(amend('case.action@1', { case: 'c' })).toBe('body_malformed')
    expect(amend('record.amended@1', {})).toBe('type_unknown')
  })
  it.each([
    ['a limit with no end', { limit: { lo: null, hi: null } }],
    ['a limit upside down', { limit: { lo: 2, hi: 1 } }],
    ['no reason', { reason: ' ' }],
    ['no authority', { authority: '' }],
    ['a quantity that is none', { quantity: 'smell' }],
    ['an effect that is none', { effect: { kind: 'forgives' } }],
  ])('a local rule with %s is refused', (_, change) => {
    const rule = golden.find((g) => g.type === 'rule.set@1')
    expect(codeOf(draftOf('rule.set@1', { ...rule?.payload, ...change }))).toBe('body_malformed')
  })
  it.each([
    ['a step key that is a path', 'run.step.done@1', { step: '../etc' }],
    ['a facet that is none', 'run.step.done@1', { effects: { mood: 'good' } }],
    ['contents that are none', 'run.step.done@1', { effects: { contents: 'soup' } }],
    ['a wait below zero', 'run.wait.started@1', { minutes: -1 }],
    ['an amount below zero', 'case.action@1', { amount: -1 }],
    ['something done that is no act', 'case.action@1', { did: 'prayed' }],
    ['a day that is none', 'shift.signed@1', { day: '2026-13-40' }],
    ['a version that is none', 'run.started@1', { procedure: { id: 'bucket.fill', version: 0 } }],
  ])('%s is refused', (_, type, change) => {
    const one = golden.find((g) => g.type === type)
    expect(codeOf(draftOf(type, { ...one?.payload, ...change }))).toBe('body_malformed')
  })
  it('never break on nonsense', () => {
    const types = fc.constantFrom(...Object.keys(payloadSchemas))
    fc.assert(
      fc.property(types, fc.jsonValue(), (type, payload) => codeOf(draftOf(type, payload)) !== 'broken'),
    )
    fc.assert(fc.property(fc.jsonValue(), (raw) => codeOf(raw) === 'body_malformed'))
  })
  it('know their types', () => {
    expect(isKnownType('run.started@1')).toBe(true)
    expect(isKnownType('toString')).toBe(false)
  })
})
