import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { latestProcedure, ownCopy, type OwnProcedure, type Procedure } from '../../procedure/index.ts'
import {
  changedInWhatMatters,
  crewForPlan,
  gapsAhead,
  lastDay,
  standingOf,
  usualTraining,
} from '../../training/index.ts'
import { by, close, crewSet, day, personOf, signed } from './made.ts'

const mayOf = (
  records: Parameters<typeof personOf>[1],
  today: number,
  own?: Parameters<typeof personOf>[3],
) => standingOf(personOf('bo', records, today, own), close)

describe('who may work alone', () => {
  it('nobody of whom nothing is on record', () => expect(mayOf([], day).may).toBe('no'))
  it('whom a manager states so, by the machine’s family or the procedure', () => {
    for (const name of [close.family, close.id]) {
      const standing = mayOf([crewSet('ada', 0, 'bo', { signedOff: [name] })], day)
      expect([standing.may, standing.signed?.stated, standing.signed?.by]).toEqual(['alone', true, 'ada'])
    }
  })
  it('whom a manager states so for one kind of a family', () => {
    const end = latestProcedure('dish-machine.close') as Procedure
    const of = personOf('bo', [crewSet('ada', 1, 'bo', { signedOff: ['dish-machine.conveyor-dual'] })], day)
    expect([standingOf(of, end).may, standingOf(of, close).may]).toEqual(['alone', 'no'])
  })
  it('not who states it of themselves', () =>
    expect(mayOf([crewSet('bo', 0, 'bo', { signedOff: [close.family] })], day).may).toBe('no'))
  it('keeps what another stated when they save their own entry anew', () => {
    const set = { signedOff: [close.family] }
    const standing = mayOf([crewSet('ada', 0, 'bo', set), crewSet('bo', 5, 'bo', set)], day)
    expect([standing.may, standing.signed?.by]).toEqual(['alone', 'ada'])
  })
  it('whom a lead signed off; not who signed themselves off', () => {
    expect(mayOf([signed('ines', 1, 'bo', null)], day).may).toBe('alone')
    expect(mayOf([signed('bo', 1, 'bo', null)], day).may).toBe('no')
  })
  it('with somebody by: who learns it', () =>
    expect(mayOf([crewSet('ada', 0, 'bo', { learning: [close.family] })], day).may).toBe('with-somebody'))
})

describe('a sign-off lapses', () => {
  const stated = crewSet('ada', 1, 'bo', { signedOff: [close.family] })
  it('after its last day, not on it', () => {
    const of = [signed('ines', 0, 'bo', '1970-01-10')]
    expect(mayOf(of, 9 * day).may).toBe('alone')
    const after = mayOf(of, 10 * day)
    expect([after.may, after.lapse]).toEqual(['with-somebody', { why: 'time', on: '1970-01-10' }])
  })
  it('by the site’s months where a manager stated it', () => {
    expect(mayOf([stated], 365 * day).may).toBe('alone')
    expect(mayOf([stated], 367 * day).lapse).toEqual({ why: 'time', on: '1971-01-01' })
  })
  it('when a lead found the work wanting, or took it back; and holds again once signed anew', () => {
    const ended = by('ines', 20, 'training.ended@1', 'training', 'bo', {
      procedure: close.id,
      why: 'verification',
      note: 'blade was nicked',
    })
    expect(mayOf([stated, ended], day)).toMatchObject({
      may: 'with-somebody',
      lapse: { why: 'verification' },
    })
    expect(mayOf([stated, ended, signed('ines', 30, 'bo', null)], day).may).toBe('alone')
  })
  it('when its procedure changed in a step that matters, not in its wording', () => {
    const copy = ownCopy(close, [])
    const [first, ...rest] = copy.nodes
    const reworded = { ...copy, nodes: [{ ...first, title: 'Say it otherwise' }, ...rest] } as Procedure
    const changed = { ...copy, version: 2, nodes: rest }
    expect([changedInWhatMatters(copy, reworded), changedInWhatMatters(copy, changed)]).toEqual([false, true])
    const own: OwnProcedure = {
      id: copy.id,
      versions: [copy, changed],
      puts: [
        { version: 1, from: '1970-01-01' },
        { version: 2, from: '1970-02-01' },
      ],
    }
    const of = (at: number, now: Procedure) =>
      standingOf(
        personOf('bo', [signed('ines', 0, 'bo', null, copy)], at, () => own),
        now,
      )
    expect(of(3 * day, copy).may).toBe('alone')
    expect(of(40 * day, changed).lapse).toEqual({ why: 'changed' })
    const byManager = standingOf(
      personOf('bo', [stated], 40 * day, () => own),
      changed,
    )
    expect(byManager.lapse).toEqual({ why: 'changed' })
  })
  it('on a day that there is, whatever the month', () =>
    fc.assert(
      fc.property(
        fc.date({ min: new Date('2000-01-01'), max: new Date('2090-01-01'), noInvalidDate: true }),
        fc.integer({ min: 1, max: 60 }),
        (from, months) => {
          const date = from.toISOString().slice(0, 10)
          const last = new Date(`${lastDay(date, months)}T00:00:00Z`)
          const apart =
            (last.getUTCFullYear() - from.getUTCFullYear()) * 12 + last.getUTCMonth() - from.getUTCMonth()
          expect(apart).toBe(months)
          expect(last.getUTCDate()).toBeLessThanOrEqual(from.getUTCDate())
        },
      ),
    ))
})

describe('what a shift is planned by', () => {
  it('names each procedure with how they stand that day', () => {
    const of = personOf('bo', [signed('ines', 0, 'bo', '1970-01-10')], 3 * day)
    expect(crewForPlan(of, [close])).toMatchObject({ signedOff: [close.id], learning: [] })
    expect(crewForPlan({ ...of, day: '1970-01-11' }, [close])).toMatchObject({
      signedOff: [],
      learning: [close.id],
    })
  })
})

describe('gaps ahead', () => {
  const records = (id: string, until: string | null) => personOf(id, [signed('ines', 0, id, until)], day)
  it('what one person alone may do, and from when', () => {
    const people = [records('bo', null), records('di', '1970-01-20'), personOf('em', [], day)]
    expect(gapsAhead(people, [close], '1970-01-02', 31)).toMatchObject([
      { procedure: close.id, people: ['bo'], from: '1970-01-21', lapses: [{ person: 'di' }] },
    ])
  })
  it('nothing where two may all the month', () =>
    expect(gapsAhead([records('bo', null), records('di', null)], [close], '1970-01-02', 31)).toEqual([]))
  it('what nobody may do comes first', () =>
    expect(gapsAhead([personOf('em', [], day)], [close], '1970-01-02', 31)[0]).toMatchObject({
      people: [],
      from: '1970-01-02',
    }))
})

it('asks what is usual where a site chose nothing', () =>
  expect(usualTraining).toEqual({ watched: 3, passPercent: 90, months: 12 }))
