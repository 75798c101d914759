import { describe, expect, it } from 'vitest'
import {
  cleansBefore,
  decidedTask,
  incidentKinds,
  incidentList,
  incidentRules,
  mayEnd,
  notYet,
  readyBack,
  stationsTouched,
  type IncidentItem,
  type IncidentKind,
  type PlanOnFile,
} from '../../incident/index.ts'
import { dueList } from '../../duty/index.ts'
import {
  baseOf,
  firstDo,
  forbiddenActs,
  isOut,
  latestProcedure,
  startFaults,
  stops,
  type Procedure,
} from '../../procedure/index.ts'
import { instant } from '../../quantity/index.ts'
import { waitsForService } from '../../plan/index.ts'
import { minute, Site } from './made.ts'

const families = [
  'soft-serve-gravity',
  'ice-cube',
  'ice-bin',
  'espresso',
  'urn',
  'sink',
  'dish-machine.chemical',
  'bucket',
  'house',
]
const cleansOf = (site: Site, kind: IncidentKind, ids: readonly string[]) =>
  Object.fromEntries(ids.map((id) => [id, cleansBefore(kind, site.at(id), latestProcedure)]))

/** Something goes wrong at minute 100. */
function opened(kind: IncidentKind, site = new Site(...families)): Site {
  const about = { station: 'soft-serve-gravity', place: 'galley' }
  const stations = stationsTouched(kind, [...site.stations.values()], about)
  const cleans = incidentRules[kind].lasts ? null : cleansOf(site, kind, stations)
  site.record(100, 'incident.opened@1', { kind, ...about, stations, cleans }, ...stations)
  return site
}
function over(site: Site, at: number): void {
  const { kind, stations } = site.incident
  site.record(at, 'incident.over@1', { at: at * minute, cleans: cleansOf(site, kind, stations) }, ...stations)
}
const done = (site: Site, at: number, task: string, station: string | null = null, more = {}) =>
  site.record(at, 'incident.done@1', { task, station, note: '', photo: null, ...more })
function ran(site: Site, at: number, station: string, procedure: string, run = `run ${at}`): void {
  const last = { run, finishedAt: at * minute, by: 'bao' }
  site.change(station, { lastRuns: { ...site.at(station).lastRuns, [baseOf(procedure)]: last } })
}
/** Does one thing of the list, as it asks for it. */
function doneItem(site: Site, at: number, item: IncidentItem): void {
  if (item.is === 'timer') {
    if (item.from === null) done(site, at, `${item.task}-begun`)
    return done(site, at + 10, item.task)
  }
  if (item.is === 'cold') {
    done(site, at, item.key.split(' ')[0] ?? '', item.station, {
      read: { value: 9, unit: '°C' },
      warmSince: null,
    })
    return done(site, at, decidedTask(item.key))
  }
  if (item.is === 'run') return ran(site, at, item.station, item.procedure)
  done(site, at, item.key)
}

describe('what goes wrong', () => {
  it.each(incidentKinds)('%s: no station comes back before its whole list is through', (kind) => {
    const site = opened(kind)
    const { stations } = site.incident
    for (const id of stations) expect(isOut(site.at(id))).toBe(true)
    if (incidentRules[kind].lasts) over(site, 130)
    site.record(131, 'incident.product@1', { product: 'p' })
    let at = 140
    for (let left = 60; left > 0; left--) {
      const items = incidentList(site.incident, site.known(at))
      const open = items.find((i) => !i.isDone)
      if (!open) break
      // Of what is for the whole site, one open thing keeps back all; of a station's own, that station.
      const kept = 'station' in open && open.station && open.is === 'run' ? [open.station] : stations
      const ready = readyBack(site.incident, items, null)
      for (const id of kept) expect(ready).not.toContain(id)
      at += 20
      doneItem(site, at, open)
    }
    const items = incidentList(site.incident, site.known(at))
    expect(items.filter((i) => !i.isDone)).toEqual([])
    const needsWord = incidentRules[kind].stops !== 'never'
    const needsCount = incidentRules[kind].evacuates === true
    if (needsWord || needsCount) expect(readyBack(site.incident, items, null)).toEqual([])
    if (needsCount) site.record(at, 'incident.counted@1', { out: ['bao'], notHere: [], others: '' })
    if (needsWord)
      site.record(at, 'incident.approved@1', {
        way: 'authority',
        who: 'J. Doe',
        at: at * minute,
        photo: null,
        conditions: [],
      })
    expect(readyBack(site.incident, items, null)).toEqual(stations)
  })

  it('of no kind leaves a machine that makes food without work before it comes back, where it touched that', () => {
    const site = new Site(...families)
    for (const kind of ['water-off', 'sewage', 'flood', 'fire'] as const)
      for (const id of ['soft-serve-gravity', 'ice-cube', 'espresso', 'urn'])
        expect(cleansBefore(kind, site.at(id), latestProcedure)).not.toEqual([])
  })
  it('touches what it touches', () => {
    const site = new Site(...families)
    const all = [...site.stations.values()]
    const touched = (kind: IncidentKind, place = '') => stationsTouched(kind, all, { station: 'urn', place })
    expect(touched('water-off')).toEqual(families.filter((f) => f !== 'house'))
    const dry = [...new Site('cold-store', 'grinder', 'urn').stations.values()]
    const left = (kind: IncidentKind) => stationsTouched(kind, dry, { station: null, place: '' })
    // A fridge needs no water: it stays cold, and is read as on any day.
    for (const kind of ['water-off', 'boil-notice'] as const) expect(left(kind)).toEqual(['urn'])
    for (const kind of ['power-cut', 'flood'] as const)
      expect(left(kind)).toEqual(['cold-store', 'grinder', 'urn'])
    expect(touched('no-hot-water')).toEqual(['sink', 'dish-machine.chemical'])
    expect(touched('power-cut')).not.toContain('sink')
    expect(touched('device-out')).toEqual(['urn'])
    expect(touched('splash')).toEqual([])
    expect(touched('vomit')).toEqual([])
    expect(touched('vomit', 'galley')).toHaveLength(8)
  })
})

describe('water that fails with a run under way', () => {
  const close = 'soft-serve-gravity.close'
  const begun = () => {
    const site = new Site('soft-serve-gravity', 'house')
    site.change('soft-serve-gravity', { runs: { r1: { id: 'r1' } as never } })
    return opened('water-off', site)
  }
  const procedure = latestProcedure(close)
  if (!procedure) throw new Error(close)
  const when = { at: 200 * minute, freshHours: 4 }

  it('forbids every act while it lasts, and lets no run begin', () => {
    const site = begun()
    const station = site.at('soft-serve-gravity')
    for (const { why } of forbiddenActs(procedure, null, station, null, when)) expect(why).toBe('closed')
    expect(startFaults(procedure, station)).toEqual([{ why: 'closed', incident: 'i' }])
    const due = dueList(site.set, [station], instant(200 * minute))
    expect(due.length).toBeGreaterThan(0)
    for (const item of due) expect(waitsForService(item, latestProcedure)).toBe(true)
  })
  it('counts nothing that the run of before did, nor one that was only told of', () => {
    const site = begun()
    over(site, 130)
    expect(site.at('soft-serve-gravity')).toMatchObject({ facets: { hygiene: 'unknown' }, sanitizedAt: null })
    const left = () =>
      incidentList(site.incident, site.known(300))
        .filter((i) => i.is === 'run' && !i.isDone)
        .map((i) => i.is === 'run' && i.procedure)
    ran(site, 150, 'soft-serve-gravity', close, 'r1')
    expect(left()).toEqual([close])
    ran(site, 150, 'soft-serve-gravity', close, 'r2')
    expect(left()).toEqual([])
    ran(site, 120, 'soft-serve-gravity', close, 'r3')
    expect(left()).toEqual([close])
  })
  it('asks for the work as due once it is over, and lets it begin', () => {
    const site = begun()
    over(site, 130)
    const station = site.at('soft-serve-gravity')
    const due = dueList(site.set, [station], instant(200 * minute)).filter((d) => d.trigger === 'reopening')
    expect(due.map((d) => d.procedure)).toEqual([close])
    expect(startFaults(procedure, station).map((f) => f.why)).not.toContain('closed')
    const open = latestProcedure('soft-serve-gravity.open')
    if (open) expect(startFaults(open, station)).toEqual([{ why: 'closed', incident: 'i' }])
  })
  it('that was none leaves every station as it was', () => {
    const site = new Site(...families)
    const before = JSON.stringify([...site.stations.values()])
    opened('water-off', site)
    const { stations } = site.incident
    site.record(110, 'incident.false-alarm@1', { stations, reason: 'the tap was shut' }, ...stations)
    expect(JSON.stringify([...site.stations.values()])).toBe(before)
    expect(site.incident.status).toBe('false-alarm')
  })
  it('that is over is no false alarm any more', () => {
    const site = begun()
    over(site, 130)
    const { stations } = site.incident
    site.record(140, 'incident.false-alarm@1', { stations, reason: 'we thought so' }, ...stations)
    expect(site.incident.status).toBe('open')
    expect(isOut(site.at('soft-serve-gravity'))).toBe(true)
  })
})

describe('water that is good again', () => {
  const site = () => {
    const s = new Site('ice-bin', 'urn', 'ice-cube', 'sink', 'grinder')
    opened('boil-notice', s)
    over(s, 130)
    return s
  }
  const runs = (s: Site) =>
    incidentList(s.incident, s.known(300)).flatMap((i) =>
      i.is === 'run' ? [`${i.procedure}${i.isDone ? ' done' : ''}`] : [],
    )
  it('is flushed through each machine that it runs through before that is cleaned, the sink first of all', () => {
    expect(runs(site()).filter((r) => !r.startsWith('grinder'))).toEqual([
      'sink.water-back',
      'sink.set-up',
      'urn.water-back',
      'urn.daily',
      'ice-cube.water-back',
      'ice-cube.half-year',
      'ice-bin.half-year',
    ])
  })
  it('has a bin washed and sanitized, though its own schedule washes its scoop alone', () => {
    expect(cleansBefore('boil-notice', site().at('ice-bin'), latestProcedure)).toEqual(['ice-bin.half-year'])
  })
  it('lets nothing else begin at a machine before it ran through that, whoever would override it', () => {
    const s = site()
    const faults = (id: string) => startFaults(latestProcedure(id) as Procedure, s.at('urn'))
    expect(faults('urn.daily')).toEqual([{ why: 'not-flushed', first: 'urn.water-back' }])
    expect(firstDo(faults('urn.daily'), latestProcedure('urn.daily') as Procedure, s.at('urn'), [])).toEqual([
      { kind: 'procedure', procedure: 'urn.water-back' },
    ])
    expect(stops).toContain('not-flushed')
    expect(faults('urn.water-back')).toEqual([])
    ran(s, 150, 'urn', 'urn.water-back')
    expect(faults('urn.daily').map((f) => f.why)).not.toContain('not-flushed')
  })
  it('cleans nothing that was cleaned before it ran', () => {
    const s = site()
    ran(s, 150, 'urn', 'urn.daily')
    expect(runs(s)).toContain('urn.daily')
    ran(s, 160, 'urn', 'urn.water-back')
    expect(runs(s)).toEqual(expect.arrayContaining(['urn.water-back done', 'urn.daily']))
    ran(s, 170, 'urn', 'urn.daily')
    expect(runs(s)).toContain('urn.daily done')
  })
  it('is work of the evening, which anybody may do', () => {
    const s = site()
    const due = dueList(s.set, [s.at('urn')], instant(200 * minute)).filter((d) => d.trigger === 'reopening')
    expect(due.map((d) => d.procedure)).toEqual(['urn.water-back', 'urn.daily'])
  })
  it('is not asked for after what leaves the water alone', () => {
    for (const kind of ['power-cut', 'sewage', 'fire', 'device-out'] as const)
      expect(cleansBefore(kind, site().at('urn'), latestProcedure)).toEqual(['urn.daily'])
  })
})

describe('a piece of glass that was none', () => {
  it('gives back how clean the machine was', () => {
    const site = new Site(...families)
    opened('foreign-matter', site)
    expect(site.at('soft-serve-gravity').facets.hygiene).toBe('unknown')
    const { stations } = site.incident
    site.record(110, 'incident.false-alarm@1', { stations, reason: 'it was ice' }, ...stations)
    expect(site.at('soft-serve-gravity')).toMatchObject({
      facets: { hygiene: 'sanitized' },
      sanitizedAt: 1,
    })
    expect(isOut(site.at('soft-serve-gravity'))).toBe(false)
  })
})

describe('water since it was last known good', () => {
  const doubts = (site: Site, at = 200) =>
    incidentList(site.incident, site.known(at)).flatMap((i) => (i.is === 'doubt' ? [i.key] : []))

  it('names ice, sinks, urns, product, baths, and what the log does not follow', () => {
    const site = new Site(...families)
    site.bath('b-old', 20)
    site.bath('b-new', 60)
    opened('boil-notice', site)
    expect(doubts(site)).toEqual([
      'product soft-serve-gravity',
      'ice ice-cube',
      'ice ice-bin',
      'product espresso',
      'urn urn',
      'sink sink',
      'product dish-machine.chemical',
      'solution bucket',
      'bath b-new',
      'bath b-old',
      'drinks',
      'other',
    ])
    // A notice names a time before it was heard.
    site.record(110, 'incident.known-good@1', { at: 40 * minute })
    expect(doubts(site)).not.toContain('bath b-old')
    expect(doubts(site)).toContain('bath b-new')
    site.record(111, 'incident.known-good@1', { at: null })
    expect(doubts(site)).toContain('bath b-old')
  })
  it('is never taken to have been good later than it was called', () => {
    const site = new Site(...families)
    site.bath('b', 100)
    opened('water-off', site)
    site.record(110, 'incident.known-good@1', { at: 900 * minute })
    expect(doubts(site)).toContain('bath b')
  })
  it('names the last bath of each vessel alone, and what a run left in a machine', () => {
    const site = new Site(...families)
    site.bath('first', 20, 'pail')
    site.bath('last', 60, 'pail')
    const { facets } = site.at('soft-serve-gravity')
    site.change('soft-serve-gravity', { facets: { ...facets, contents: 'sanitizer' } })
    opened('water-off', site)
    expect(doubts(site).filter((key) => key.startsWith('bath'))).toEqual(['bath last'])
    expect(doubts(site)[0]).toBe('solution soft-serve-gravity')
  })
  it('leaves out what is mixed anew once it is over', () => {
    const site = opened('water-off')
    over(site, 130)
    site.bath('later', 150)
    expect(doubts(site)).not.toContain('bath later')
  })
})

describe('what is done while it goes on', () => {
  it('does not clean: floors are cleaned once the sewage is gone', () => {
    const site = opened('sewage')
    done(site, 110, 'floors')
    over(site, 130)
    const floors = () => incidentList(site.incident, site.known(200)).find((i) => i.key === 'floors')
    expect(floors()).toMatchObject({ isDone: false })
    done(site, 140, 'floors')
    expect(floors()).toMatchObject({ isDone: true })
  })
  it('keeps no food: what was cold before the power was back is read again', () => {
    const site = opened('power-cut')
    const cold = { value: 4, unit: '°C' } as const
    const item = (at: number) =>
      incidentList(site.incident, site.known(at)).find((i) => i.key === 'cold soft-serve-gravity')
    done(site, 110, 'cold', 'soft-serve-gravity', { read: cold })
    expect(item(111)).toMatchObject({ isDone: false, outcome: { is: 'read-again' } })
    over(site, 400)
    expect(item(401)).toMatchObject({ isDone: false, outcome: { is: 'read-again' } })
    done(site, 410, 'cold', 'soft-serve-gravity', { read: cold })
    expect(item(411)).toMatchObject({ isDone: true, outcome: { is: 'keep' } })
  })
  it('is not over later than it is said, nor before it began', () => {
    for (const [said, is] of [
      [900, 130],
      [20, 100],
      [120, 120],
    ] as const) {
      const site = opened('water-off')
      const payload = { at: said * minute, cleans: {} }
      site.record(130, 'incident.over@1', payload, ...site.incident.stations)
      expect(site.incident.over?.at).toBe(is * minute)
      expect(site.at('urn').closures?.[0]?.over).toBe(is * minute)
    }
  })
  it('leaves what was sanitized sanitized, where it touched no surface', () => {
    for (const [kind, hygiene] of [
      ['gas', 'sanitized'],
      ['sewage', 'unknown'],
      ['power-cut', 'unknown'],
    ] as const) {
      const site = opened(kind)
      over(site, 130)
      expect([kind, site.at('espresso').facets.hygiene]).toEqual([kind, hygiene])
    }
  })
})

describe('food that is served until a time', () => {
  it('keeps it open until it is used up or thrown out, and is thrown out once the time is past', () => {
    const site = new Site('soft-serve-gravity')
    site.set = {
      ...site.set,
      timeOnly: { hours: 4, written: 'red folder' },
      entered: { timeOnly: 50 * minute },
    }
    opened('device-out', site)
    const warm = { read: { value: 9, unit: '°C' }, warmSince: 90 * minute } as const
    done(site, 110, 'cold', 'soft-serve-gravity', warm)
    const items = (at: number) => incidentList(site.incident, site.known(at))
    const item = (at: number) => items(at).find((i) => i.is === 'cold')
    expect(item(120)).toMatchObject({ isDone: true, outcome: { is: 'use-by', by: 330 * minute } })
    expect(mayEnd(items(120))).toBe(false)
    expect(item(330)).toMatchObject({ isDone: false, outcome: { is: 'discard' } })
    done(site, 331, decidedTask('cold soft-serve-gravity'))
    expect(item(332)).toMatchObject({ isDone: true, isGone: true })
    expect(mayEnd(items(332))).toBe(true)
  })
  it('does not count by a procedure that was written afterwards', () => {
    const site = new Site('soft-serve-gravity')
    site.set = {
      ...site.set,
      timeOnly: { hours: 4, written: 'red folder' },
      entered: { timeOnly: 101 * minute },
    }
    opened('device-out', site)
    done(site, 110, 'cold', 'soft-serve-gravity', { read: { value: 9, unit: '°C' }, warmSince: 90 * minute })
    const found = incidentList(site.incident, site.known(120)).find((i) => i.is === 'cold')
    expect(found).toMatchObject({ isDone: false, outcome: { is: 'ask' } })
  })
})

describe('a splash', () => {
  it.each([
    [114, false],
    [115, true],
  ])('rinsed until minute %i of 100', (until, isDone) => {
    const site = opened('splash')
    done(site, until, 'rinse')
    const rinse = incidentList(site.incident, site.known(until)).find((i) => i.key === 'rinse')
    expect(rinse).toMatchObject({ isDone, short: !isDone, leastMs: 15 * minute })
  })
})

describe('contact after vomit', () => {
  it('is by the label against body fluids, and cannot be told without one', () => {
    const site = opened('vomit')
    const contact = () => incidentList(site.incident, site.known(200)).find((i) => i.key === 'contact')
    done(site, 110, 'contact-begun')
    done(site, 190, 'contact')
    expect(contact()).toMatchObject({ isDone: false, leastMs: null })
    site.record(191, 'incident.product@1', { product: 'p' })
    expect(contact()).toMatchObject({ isDone: true, leastMs: 300_000 })
    done(site, 192, 'contact-begun')
    expect(contact()).toMatchObject({ isDone: false })
    done(site, 196, 'contact')
    expect(contact()).toMatchObject({ isDone: false, short: true })
  })
})

describe('approval (FDA Food Code 2022, 8-404.11, 8-404.12)', () => {
  const plan: PlanOnFile = { conditions: ['bottled water', 'told the authority'], since: 50 * minute }
  const lacks = (site: Site, on: PlanOnFile | null) => notYet(site.incident, [], null, on).map((n) => n.why)
  const approve = (site: Site, way: 'authority' | 'plan', conditions: string[] = []) =>
    site.record(150, 'incident.approved@1', {
      way,
      who: 'the authority',
      at: 150 * minute,
      photo: null,
      conditions,
    })
  const called = (kind: IncidentKind) => {
    const site = opened(kind)
    over(site, 130)
    return site
  }
  it.each(['water-off', 'boil-notice', 'no-hot-water', 'power-cut', 'sewage', 'flood'] as const)(
    '%s: not without it',
    (kind) => {
      const site = called(kind)
      expect(lacks(site, plan)).toEqual(['not-approved'])
      approve(site, 'authority')
      expect(lacks(site, plan)).toEqual([])
    },
  )
  it('is no word that was given before it happened', () => {
    const site = called('water-off')
    const payload = { way: 'authority', who: 'J. Doe', photo: null, conditions: [] } as const
    site.record(150, 'incident.approved@1', { ...payload, at: 98 * minute })
    expect(lacks(site, null)).toEqual(['not-approved'])
  })
  it.each([
    ['with all its conditions', 'water-off', plan, plan.conditions, []],
    ['with a condition left', 'water-off', plan, ['bottled water'], ['conditions']],
    ['entered afterwards', 'power-cut', { ...plan, since: 101 * minute }, plan.conditions, ['plan-later']],
    ['that nobody entered', 'power-cut', null, plan.conditions, ['no-plan']],
    ['after a flood', 'flood', plan, plan.conditions, ['plan-not-for-this']],
    ['after sewage', 'sewage', plan, plan.conditions, ['plan-not-for-this']],
  ] as const)('by a plan %s', (_, kind, on, conditions, lacking) => {
    const site = called(kind)
    approve(site, 'plan', [...conditions])
    expect(lacks(site, on)).toEqual(lacking)
  })
  it('is not asked for where a lead told that the interruption was no extended one; after sewage it always is', () => {
    for (const [kind, lacking] of [
      ['power-cut', []],
      ['sewage', ['not-approved']],
    ] as const) {
      const site = called(kind)
      site.record(140, 'incident.extent@1', { stopped: false, reason: 'four minutes' })
      expect(lacks(site, null)).toEqual(lacking)
    }
  })
})
