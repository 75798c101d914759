import { describe, expect, it } from 'vitest'
import { allProcedures, latestProcedure, outline, waitKindOf, type Position } from '../../procedure/index.ts'
import {
  faultKinds,
  faultsPossible,
  practiceOf,
  scoreOf,
  type FaultKind,
  type Practice,
} from '../../practice/index.ts'
import { Crew, type Habits } from './crew.ts'

const isLong = process.env['TADKA_LONG'] !== undefined
const procedures = allProcedures().filter((p) => latestProcedure(p.id) === p)
const looking: Habits = { looks: true }
const ignoring: Habits = { looks: false }
const worked = (...crew: ConstructorParameters<typeof Crew>) => {
  const made = new Crew(...crew)
  made.work()
  return { crew: made, score: scoreOf(made.p, made.r.run) }
}
/** Procedures that a fault can be thrown into, with a seed whose site allows it. */
const whereItFits = (kind: FaultKind) =>
  procedures.flatMap((p) => {
    const seed = [1, 2, 3, 4, 5].find((n) => new Crew(p, n, looking, kind).p.faults.length === 1)
    return seed === undefined ? [] : [[p, seed] as const]
  })

describe.each(faultKinds)('%s', (kind) => {
  const fits = whereItFits(kind)
  it('can be thrown into a procedure of the library', () => {
    expect(fits.length).toBeGreaterThan(0)
  })
  it('is caught by who looks: every practice run with it passes with full points', () => {
    for (const [p, seed] of fits) {
      const { crew, score } = worked(p, seed, looking, kind)
      expect([p.id, crew.r.run.status, crew.p, score.points, score.passed]).toEqual([
        p.id,
        'finished',
        expect.objectContaining({ falseAlarms: [] }),
        100,
        true,
      ])
    }
  })
  it('fails who goes on as if nothing were wrong, in every procedure', () => {
    for (const [p, seed] of fits) {
      const { crew, score } = worked(p, seed, ignoring, kind)
      expect([p.id, crew.r.run.status, score.missed.map((f) => f.kind), score.passed]).toEqual([
        p.id,
        'finished',
        [kind],
        false,
      ])
    }
  })
})

it('of any seed the same is thrown in again, at most two things, each at a step of its own; some seeds throw in none', () => {
  const counts = new Set<number>()
  for (const p of procedures.slice(0, 12))
    for (let seed = 0; seed < 40; seed++) {
      const { r, p: first } = new Crew(p, seed, looking)
      expect(practiceOf(r.procedure, r.run, first.known, seed).faults).toEqual(first.faults)
      expect(new Set(first.faults.map((f) => f.at)).size).toBe(first.faults.length)
      counts.add(first.faults.length)
    }
  expect([...counts].toSorted()).toEqual([0, 1, 2])
})

it('whoever looks passes whatever is thrown in; whoever does not fails wherever anything was', () => {
  for (const p of procedures)
    for (let seed = 100; seed < (isLong ? 112 : 103); seed++) {
      const perfect = worked(p, seed, looking)
      expect([p.id, seed, perfect.score.points, perfect.score.passed]).toEqual([p.id, seed, 100, true])
      const { score, crew } = worked(p, seed, ignoring)
      expect([p.id, seed, score.passed]).toEqual([p.id, seed, crew.p.faults.length === 0])
    }
})

it('who ends waits before anything in them could show passes none that it was thrown into', () => {
  for (const kind of ['beater-stopped', 'reservoir-dry'] as const) {
    let hurried = 0
    const seeded = whereItFits(kind).flatMap(([p]) =>
      (isLong ? [1, 2, 3, 4, 5, 6, 7, 8] : [1, 2]).map((seed) => [p, seed] as const),
    )
    for (const [p, seed] of seeded) {
      const { crew, score } = worked(p, seed, { looks: true, hurries: true }, kind)
      // A contact time may not be ended: there it shows, and is caught.
      if (crew.p.faults.length === 0 || score.caught.length > 0) continue
      hurried += 1
      expect([p.id, crew.r.run.status, score.passed, score.notReached.length + score.missed.length]).toEqual([
        p.id,
        'finished',
        false,
        1,
      ])
    }
    expect(hurried).toBeGreaterThan(0)
  }
})

describe('to touch', () => {
  const touching = (find: (crew: Crew, position: Position) => boolean) => {
    for (const p of procedures) {
      const seed = Array.from({ length: 30 }, (_, n) => n).find(
        (n) => new Crew(p, n, looking).p.faults.length === 0,
      )
      const { crew } = worked(p, seed ?? 0, { looks: true, alarm: find })
      if (seed !== undefined) expect([p.id, crew.p.falseAlarms]).toEqual([p.id, []])
    }
  }
  it('what the step at hand asks to be switched is to do it: it is drawn so, and is no false alarm', () => {
    let pulled = 0
    touching((crew, position) => {
      if (position.kind !== 'step' || position.step.effects?.power !== 'isolated') return false
      if (!crew.see(position, 'power')?.on) return false
      crew.touch('power', position)
      expect(crew.see(position, 'power')?.on).toBe(false)
      // A second touch puts it back.
      crew.touch('power', position)
      expect(crew.see(position, 'power')?.on).toBe(true)
      pulled += 1
      return true
    })
    expect(pulled).toBeGreaterThan(5)
  })
  it('the bottle, where the site has several products for the use, says nothing; the one it offers first stands there', () => {
    const p = procedures.find((q) => q.id === 'bucket.change') as (typeof procedures)[number]
    const crew = new Crew(p, 1, looking)
    const own = crew.p.known.products.find((x) => x.uses.some((u) => u.id === 'cloths'))
    const other = { ...own, id: 'other' } as NonNullable<typeof own>
    const known = {
      ...crew.p.known,
      products: [...crew.p.known.products, other],
      preferred: { cloths: 'other' },
    }
    crew.p = { ...crew.p, known, faults: [] }
    const mix = outline(crew.r.procedure, crew.r.run).find((x) => x.kind === 'step' && x.step.kind === 'mix')
    if (!mix) throw new Error('nothing is mixed')
    expect(crew.see(mix, 'bottle')?.product).toBe('other')
    crew.touch('bottle', mix)
    expect(crew.p.falseAlarms).toEqual([])
  })
})

describe('a false alarm costs points, and two of them the pass', () => {
  const isAt = (position: Position, kind: string) => position.kind === 'step' && position.step.kind === kind
  const alarms: Readonly<Record<string, NonNullable<Habits['alarm']>>> = {
    touched: (crew, position) => {
      if (!crew.see(position, 'power')) return false
      if (position.kind === 'step' && (position.step.effects?.power || 'during' in position.step))
        return false
      crew.touch('power', position)
      return true
    },
    'part-there': (crew, position) => {
      if (!isAt(position, 'parts') || position.kind !== 'step' || position.step.kind !== 'parts') return false
      const part = position.step.parts[0]?.id ?? ''
      const at = { run: crew.r.run.id, station: crew.r.station.id, step: position.key, part }
      crew.record('run.part.missing@1', at)
      crew.record('run.part.found@1', { ...at, where: 'there' })
      return true
    },
    'part-sound': (crew, position) => {
      if (!crew.see(position, 'close-look') || position.kind !== 'step') return false
      if (position.step.kind !== 'inspect') return false
      const choice = position.step.choices.find((c) => c.outcome === 'replace')?.id ?? ''
      crew.done(position, { choice })
      return true
    },
    'water-clear': (crew, position) => {
      if (!crew.see(position, 'pan')) return false
      crew.done(position, { shown: false })
      return true
    },
    'ended-early': (crew, position) => {
      if (position.kind !== 'step' || position.step.kind !== 'wait') return false
      if (waitKindOf(position.step) !== 'contact') return false
      crew.record('run.wait.started@2', {
        ...{ run: crew.r.run.id, station: crew.r.station.id, step: position.key },
      })
      crew.done(position, {})
      return true
    },
    misread: (crew, position) => {
      if (!isAt(position, 'read')) return false
      crew.done(position, { read: (crew.see(position, 'display')?.value ?? 0) + 7 })
      return true
    },
  }
  it.each(Object.keys(alarms))('%s', (kind) => {
    let found = 0
    for (const p of procedures) {
      const clean = Array.from({ length: 30 }, (_, n) => n).find(
        (n) => new Crew(p, n, looking).p.faults.length === 0,
      )
      const alarm = alarms[kind]
      if (clean === undefined || !alarm) continue
      const { crew, score } = worked(p, clean, { looks: true, alarm })
      if (crew.p.falseAlarms.length === 0) continue
      found += 1
      expect([p.id, crew.p.falseAlarms.map((a) => a.kind), score.points, score.passed]).toEqual([
        p.id,
        [kind],
        90,
        true,
      ])
      const twice: Practice = { ...crew.p, falseAlarms: [...crew.p.falseAlarms, ...crew.p.falseAlarms] }
      expect(scoreOf(twice, crew.r.run)).toMatchObject({ points: 80, passed: false })
    }
    expect(found).toBeGreaterThan(0)
  })
})

it('a run that was given up passes nobody, whatever was caught in it', () => {
  const { crew } = worked(procedures[0] as (typeof procedures)[number], 1, looking)
  expect(scoreOf(crew.p, { status: 'abandoned', stop: null }).passed).toBe(false)
  expect(scoreOf(crew.p, { status: 'running', stop: null }).passed).toBe(false)
})

it('a site without strips, without a second product or with nothing at all throws in only what it can draw', () => {
  for (const p of procedures) {
    const { r, p: made } = new Crew(p, 3, looking)
    const bare = { ...made.known, products: [], instruments: [] }
    const kinds = new Set(faultsPossible(r.procedure, r.run, bare).map((f) => f.kind))
    expect([...kinds].filter((k) => k === 'strip-between' || k === 'wrong-bottle')).toEqual([])
  }
})
