import { describe, expect, it } from 'vitest'
import {
  baseOf,
  isOwn,
  latestProcedure,
  learnedMinutes,
  minutesTaken,
  ownCopy,
  procedureOfRun,
  procedureOn,
  proceduresOn,
  runFold,
  startInForce,
  startRun,
  type OwnProcedure,
  type Procedure,
  type RunState,
} from '../procedure/index.ts'
import { foldAll } from '../stream/index.ts'
import { folds } from '../record/index.ts'
import { recordOf, Worked, workThrough } from './records.ts'

const library = (id: string) => latestProcedure(id) as Procedure

describe('a site’s own copy', () => {
  it('has its own name and the version that follows', () => {
    const first = ownCopy(library('bucket.fill'), [])
    expect(first).toMatchObject({ id: 'own.bucket.fill', version: 1, family: 'bucket' })
    expect(ownCopy(first, [first])).toMatchObject({ id: 'own.bucket.fill', version: 2 })
    expect(isOwn(first.id)).toBe(true)
  })
  it('a run of it stays on it, whatever the site enters later', () => {
    const own = ownCopy(library('bucket.fill'), [])
    const plate = {
      name: 'b',
      tag: '',
      place: '',
      family: 'bucket',
      model: '',
      duties: [],
      parameters: { bucket: 1, bucketHolds: 2 },
    }
    const started = recordOf(0, 'run.started@2', { kind: 'run', id: 'r' }, startRun('r', 'st', own))
    const run = runFold.apply(runFold.initial('r'), { ...started, inForce: startInForce({ plate }, own) })
    expect(procedureOfRun(run)).toEqual(own)
    expect(procedureOfRun({ procedure: { id: 'no.such', version: 1 } })).toBeNull()
  })
  it('a version says what it first said', () => {
    const subject = { kind: 'procedure', id: 'own.bucket.fill' } as const
    const own = ownCopy(library('bucket.fill'), [])
    const records = [own, { ...own, name: 'changed' }, { ...own, version: 2, name: 'second' }].map(
      (document, i) => recordOf(i, 'procedure.set@1', subject, { document }),
    )
    const { state } = foldAll(folds.procedure, subject, records)
    expect(state.versions.map((v) => [v.version, v.name])).toEqual([
      [1, 'Fill the sanitizer bucket'],
      [2, 'second'],
    ])
  })
})

describe('what is in force', () => {
  const subject = { kind: 'procedure', id: 'own.bucket.fill' } as const
  const one = ownCopy({ ...library('bucket.fill'), name: 'One' }, [])
  const two = { ...one, name: 'Two', version: 2 }
  type Entry = ['set', Procedure] | ['put', number | null, string]
  const after = (...entries: Entry[]): OwnProcedure =>
    foldAll(
      folds.procedure,
      subject,
      entries.map((e, i) =>
        e[0] === 'set'
          ? recordOf(i, 'procedure.set@1', subject, { document: e[1] })
          : recordOf(i, 'procedure.put@1', subject, { version: e[1], from: e[2] }),
      ),
    ).state
  const name = (day: string, own: OwnProcedure | null, id = 'bucket.fill') =>
    procedureOn(id, day, (asked) => (asked === own?.id ? own : null))?.name

  it('is the library’s until the day that the site’s own is put in force from', () => {
    const own = after(['set', one], ['put', 1, '2026-12-03'])
    expect(name('2026-12-02', own)).toBe('Fill the sanitizer bucket')
    expect(name('2026-12-03', own)).toBe('One')
    // Under either id it is one and the same.
    expect(name('2026-12-03', own, 'own.bucket.fill')).toBe('One')
    expect(name('2026-12-02', own, 'own.bucket.fill')).toBe('Fill the sanitizer bucket')
  })
  it('is the version before, or the library’s, after going back', () => {
    const own = after(['set', one], ['put', 1, '2026-12-01'], ['set', two], ['put', 2, '2026-12-03'])
    expect(['2026-12-02', '2026-12-03'].map((d) => name(d, own))).toEqual(['One', 'Two'])
    const back = after(['set', one], ['put', 1, '2026-12-01'], ['put', null, '2026-12-05'])
    expect(name('2026-12-05', back)).toBe('Fill the sanitizer bucket')
  })
  it('is never what was meant to come later and was decided over since', () => {
    const own = after(['set', one], ['set', two], ['put', 2, '2026-12-10'], ['put', 1, '2026-12-04'])
    expect(name('2026-12-11', own)).toBe('One')
  })
  it('is never a version that nobody entered', () => {
    expect(after(['set', one], ['put', 7, '2026-12-01']).puts).toEqual([])
  })
  it('stands beside the library’s where it was entered and never put in its place', () => {
    const own = after(['set', one])
    expect(name('2026-12-03', own)).toBe('Fill the sanitizer bucket')
    expect(name('2026-12-03', own, 'own.bucket.fill')).toBe('One')
    expect(proceduresOn('bucket', '2026-12-03', [own]).map((p) => p.name)).toContain('One')
  })
  it('is offered once for a family', () => {
    const own = after(['set', one], ['put', 1, '2026-12-01'])
    const ids = proceduresOn('bucket', '2026-12-03', [own]).map((p) => baseOf(p.id))
    expect(ids).toEqual([...new Set(ids)])
    expect(proceduresOn('bucket', '2026-12-03', [own]).map((p) => p.id)).toContain('own.bucket.fill')
  })
  it('is gone with the day that it is taken back, where the library has none of that name', () => {
    const alone = { ...one, id: 'own.teapots' }
    const of = { kind: 'procedure', id: alone.id } as const
    const { state } = foldAll(folds.procedure, of, [
      recordOf(0, 'procedure.set@1', of, { document: alone }),
      recordOf(1, 'procedure.put@1', of, { version: 1, from: '2026-12-01' }),
      recordOf(2, 'procedure.put@1', of, { version: null, from: '2026-12-04' }),
    ])
    const on = (day: string) => proceduresOn('bucket', day, [state]).some((p) => p.id === alone.id)
    expect([on('2026-12-03'), on('2026-12-04')]).toEqual([true, false])
  })
})

describe('a run of a site’s own procedure', () => {
  it('does what was due: the duty names the procedure that it stands in for', () => {
    const own = ownCopy(library('soft-serve-gravity.close'), [])
    const worked = new Worked(own)
    expect(worked.station.currentRun?.procedure).toBe('soft-serve-gravity.close')
    while (worked.step(() => ({})));
    worked.finish()
    const { station } = worked
    expect(Object.keys(station.lastRuns)).toEqual(['soft-serve-gravity.close'])
  })
})

describe('the minutes that steps really take', () => {
  const p = library('soft-serve-gravity.close')
  const { run } = workThrough('soft-serve-gravity.close')
  const learn = (runs: readonly RunState[]) => {
    const taken = runs.flatMap((r) => minutesTaken(p, r))
    return learnedMinutes(p, taken, run.parameters)
  }
  it('are counted from the step before, the timers of waits left out', () => {
    const taken = minutesTaken(p, run)
    expect(taken.find((t) => t.step === 'wash-agitate')).toBeUndefined()
    expect(taken.find((t) => t.step === 'wash-drain')?.minutes).toBe(1)
  })
  it('are the site’s own the more, the more runs there are', () => {
    const slow = (minutes: number): RunState => ({
      ...run,
      done: Object.fromEntries(
        Object.entries(run.done).map(([k, d]) => [
          k,
          { ...d, at: d.at + (k === 'isolate' ? minutes * 60_000 : k === 'wash-drain' ? 0 : 0) },
        ]),
      ),
    })
    const one = learn([slow(20)]).site['isolate'] ?? 0
    const many = learn(Array.from({ length: 20 }, () => slow(20))).site['isolate'] ?? 0
    expect(one).toBeGreaterThan(1)
    expect(many).toBeGreaterThan(one)
    expect(many).toBeLessThanOrEqual(21)
  })
  const byWhom = (by: string, minutes: number): RunState => ({
    ...run,
    done: Object.fromEntries(
      Object.entries(run.done).map(([k, d]) => [
        k,
        { ...d, by, at: k === 'isolate' ? run.startedAt + minutes * 60_000 : d.at + 3_600_000 },
      ]),
    ),
  })
  const times = (n: number, one: RunState) => Array.from({ length: n }, () => one)
  it('are a person’s own from five runs of theirs on', () => {
    const few = [...times(12, byWhom('ana', 4)), ...times(4, byWhom('ben', 12))]
    expect(learn(few).people).toEqual({})
    expect(learn(times(30, byWhom('ana', 4))).people).toEqual({})
    const enough = learn([...few, byWhom('ben', 12)])
    // The step before it takes the first minute: three and eleven are left for it.
    expect(enough.site['isolate']).toBe(3)
    // Eight past the site's median, five times: 5 / 9 of eight more.
    expect(enough.people['ben']?.['isolate']).toBe(8)
    expect(Object.keys(enough.people)).toEqual(['ben'])
  })
  it('are not told of a step that was taken over from somebody else', () => {
    const handed = byWhom('ana', 3)
    const { 'wash-drain': drained, ...rest } = handed.done
    if (!drained) throw new Error('no such step')
    const over: RunState = { ...handed, done: { ...rest, 'wash-drain': { ...drained, by: 'ben' } } }
    const steps = minutesTaken(p, over).map((t) => t.step)
    expect(steps).not.toContain('wash-drain')
    expect(steps.length).toBeLessThan(minutesTaken(p, handed).length)
  })
})
