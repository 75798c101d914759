import { describe, expect, it } from 'vitest'
import { whyNot, type Pin, type PlanProblem } from '../../plan/index.ts'
import { person, run, shift } from './little.ts'

const a = run('a', 'h10 w5 h10', { signedOff: ['ana', 'ben'] })
const pin = (more: Partial<Pin> = {}): Pin => ({ run: 'a', person: null, start: null, ...more })
const up = (from: number, to: number) => [{ id: 'a', name: 'a', place: '', up: [{ from, to }] }]

describe('why a run cannot stand where somebody put it', () => {
  it.each<[string, PlanProblem, Pin, object]>([
    [
      'it has begun',
      shift([
        {
          ...a,
          segments: a.segments.map((s, i) => (i === 0 ? { ...s, fixed: { person: 'ana', start: 0 } } : s)),
        },
      ]),
      pin({ start: 40 }),
      { why: 'begun' },
    ],
    ['there is no such run', shift([]), pin(), { why: 'begun' }],
    ['the person is not there', shift([a]), pin({ person: 'cyn' }), { why: 'away' }],
    [
      'not signed off',
      shift([{ ...a, signedOff: ['ben'] }]),
      pin({ person: 'ana' }),
      { why: 'not-signed-off' },
    ],
    ['too early', shift([{ ...a, earliest: 40 }]), pin({ start: 20 }), { why: 'too-early', from: 40 }],
    [
      'the person comes later',
      shift([a], { people: [person('ana', { from: 60 }), person('ben')] }),
      pin({ person: 'ana', start: 20 }),
      { why: 'away' },
    ],
    [
      'the machine must be up',
      shift([a], { stations: up(35, 50) }),
      pin({ start: 40 }),
      { why: 'station-up', until: 50 },
    ],
    [
      'too few would stay at the bar',
      shift([a], { counters: [{ id: 'bar', name: 'Bar', need: [{ from: 0, to: 60, people: 2 }] }] }),
      pin({ start: 20 }),
      { why: 'counters' },
    ],
    [
      'the sink is shared',
      shift(
        [
          run('a', 'h10@sink'),
          {
            ...run('b', 'h10@sink'),
            segments: [{ ...run('b', 'h10@sink').segments[0], fixed: { person: 'ben', start: 35 } }],
          } as typeof a,
        ],
        { places: { sink: 1 } },
      ),
      pin({ start: 36 }),
      { why: 'places' },
    ],
    [
      'they are learning, and who is signed off works in another place',
      shift(
        [
          { ...a, signedOff: ['ben'], learning: ['ana'] },
          {
            ...run('b', 'h60'),
            segments: [{ ...run('b', 'h60').segments[0], fixed: { person: 'ben', start: 0 } }],
          } as typeof a,
        ],
        { counters: [] },
      ),
      pin({ person: 'ana', start: 20 }),
      { why: 'nobody-by' },
    ],
    [
      'something is closed down before it',
      shift([a, run('b', 'h30 w60 h5')], { orders: [{ before: 'b', after: 'a' }] }),
      pin({ start: 40 }),
      { why: 'order' },
    ],
  ])('%s', (_, problem, asked, refused) => {
    expect(whyNot(problem, asked)).toEqual(refused)
  })
})
