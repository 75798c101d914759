import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  allProcedures,
  optionSets,
  outline,
  pieces,
  stepsOf,
  takeBack,
  waitKindOf,
  type Facts,
  type Position,
  type Procedure,
} from '../../procedure/index.ts'
import { correctedAt, foldAll, type AnyRecord } from '../../stream/index.ts'
import { folds } from '../../record/index.ts'
import { dutiful, readingRecord, recordOf, stationFor, Worked } from '../records.ts'

/**
 * A crew that does anything: mostly the step at hand, but early, short, out of turn, twice, taken back, stopped, found, returned.
 * Whatever it does, `sanitized` must have been earned: by a witness that shares no code with the folds, from the records alone.
 */
const acts = [
  ...Array.from({ length: 40 }, () => 'rightly' as const),
  'early',
  'zero',
  'out-of-turn',
  'back',
  'short-count',
  'twice',
  'stop',
  'return',
  'missing',
  'found',
  'observe',
  'made-safe',
  'park',
  'override',
] as const
type Act = (typeof acts)[number]

function apply(w: Worked, act: Act, pick: number): void {
  const { position } = w
  w.at += 1 + (pick % 3)
  const all = outline(w.known, w.run)
  const any = all[pick % Math.max(1, all.length)]
  switch (act) {
    case 'early':
    case 'zero':
      if (!position) return
      if (isTimed(position) && !w.run.waits[position.key]) w.start(position)
      if (act === 'early') w.at += 0.1
      return void w.done(position, dutiful(position))
    case 'out-of-turn':
      return void (any && w.done(any, dutiful(any)))
    case 'back': {
      const done = all.filter((p) => w.run.done[p.key])
      const last = pick % 2 === 0 ? done.at(-1) : done[pick % Math.max(1, done.length)]
      return void (last && w.add('run.step.undone@2', takeBack(w.run, last)))
    }
    case 'short-count':
      return void (position && w.done(position, { ...dutiful(position), ...shortCount(position) }))
    case 'twice':
      if (position) w.done(position, dutiful(position))
      return void (position && w.done(position, dutiful(position)))
    case 'stop':
      return void w.take(on(w, 'station.stopped@1', { reason: 'it smells' }))
    case 'return':
      return void w.take(on(w, 'station.returned@1', { mended: 'a seal', proof: 'it ran' }))
    case 'missing':
      return void (position && w.add('run.part.missing@1', { ...plain(w), step: position.key, part: 'x' }))
    case 'found':
      return void w.add('run.part.found@1', {
        ...plain(w),
        step: w.run.stop?.step ?? 'x',
        part: 'x',
        where: 'the sink',
      })
    case 'observe':
      return void w.take(
        on(w, 'station.observed@1', {
          contents: pick % 2 ? 'product' : 'empty',
          assembly: (['whole', 'apart', 'drying'] as const)[pick % 3] ?? 'whole',
          power: 'on',
        }),
      )
    case 'made-safe':
      return void w.take(on(w, 'station.made-safe@1', { did: pick % 2 ? 'drained' : 'rinsed' }))
    case 'park':
      w.add('run.parked@1', plain(w))
      return void w.add('run.resumed@1', plain(w))
    case 'override':
      return void (
        position &&
        w.add('run.overridden@1', { ...plain(w), step: position.key, what: 'wait', reason: 'late' }, 'ines')
      )
    case 'rightly':
      if (position?.kind === 'step' && position.step.kind === 'check')
        return void w.take(readingRecord(w.at, w.run.id, { matches: 150 }, null, position.key))
      w.step()
  }
}

const plain = (w: Worked) => ({ run: w.run.id, station: 'st' })
const on = (w: Worked, type: Parameters<typeof recordOf>[1], payload: object) =>
  recordOf(
    w.at,
    type,
    { kind: 'station', id: 'st' },
    { station: 'st', ...payload } as never,
    w.records.length,
  )
const isTimed = (p: Position) => p.kind === 'step' && (p.step.kind === 'wait' || p.step.kind === 'tend')
const shortCount = (p: Position): Facts =>
  p.kind === 'step' && p.step.kind === 'parts' ? { counted: Math.max(0, pieces(p.step) - 1) } : {}

/** The step of a key, by its last name: unique in every procedure of the library. */
const stepOf = (p: Procedure, key: string) => stepsOf(p.nodes).find((s) => s.id === key.split('.').at(-1))

/**
 * The witness: the instant at which a contact time ended that makes sanitized possible, or null. In the records there must be a
 * touch by sanitizer, after it a contact wait begun, and its end no sooner than the step's minutes after.
 */
function contactSeen(
  p: Procedure,
  records: readonly AnyRecord[],
  parameters: Readonly<Record<string, number>>,
): boolean {
  let touched = false
  const seen = new Set<string>()
  const began = new Map<string, number>()
  let whole = false
  for (const r of records) {
    if (r.type === 'run.wait.started@2') began.set(r.payload.step, correctedAt(r))
    if (r.type === 'run.step.undone@2') seen.delete(r.payload.step)
    if (r.type !== 'run.step.done@2') continue
    // Said again without being taken back, it is the same step: it was not done twice.
    if (seen.has(r.payload.step)) continue
    const step = stepOf(p, r.payload.step)
    if (!step) continue
    if (step.act === 'sanitize') {
      ;[touched, whole] = [true, false]
      seen.add(r.payload.step)
    }
    if ((step.kind === 'wait' || step.kind === 'tend') && waitKindOf(step) === 'contact' && touched) {
      const since = began.get(r.payload.step)
      const minutes = typeof step.length === 'number' ? step.length : (parameters[step.length.of] ?? Infinity)
      // The least of the code alone; the folds ask for more.
      if (since !== undefined && correctedAt(r) - since >= Math.max(minutes, 10 / 60) * 60_000) whole = true
    }
  }
  return whole
}

const sanitizing = allProcedures().filter((p) =>
  stepsOf(p.nodes).some((s) => s.effects?.hygiene === 'sanitized'),
)
const runs = process.env['TADKA_LONG'] ? 400 : 40

describe.each(sanitizing.map((p) => [p.id, p] as const))('%s, worked any way', (_, p) => {
  const way = fc.array(fc.tuple(fc.constantFrom(...acts), fc.nat(60)), { minLength: 5, maxLength: 70 })
  const sets = optionSets(p)
  let reached = 0
  it('is sanitized only by a whole contact time, whole, and clean before; freezing or filled never while out of service', () => {
    fc.assert(
      fc.property(way, fc.nat(sets.length - 1), fc.nat(9), fc.nat(60), (steps, set, dirt, rightly) => {
        const fit = stationFor(p)
        const begun = dirt === 0 ? { ...fit, facets: { ...fit.facets, hygiene: 'soiled' as const } } : fit
        const w = new Worked(
          p,
          { ...begun, facets: { ...begun.facets, hygiene: noSanitized(begun.facets.hygiene) } },
          { options: sets[set] ?? {} },
        )
        // Some way in as it should be, then any way: so that what is near the end is tried too.
        for (let i = 0; i < rightly; i++) apply(w, 'rightly', 0)
        reached += Number(w.station.facets.hygiene === 'sanitized')
        for (const [act, pick] of steps) {
          const before = w.station
          apply(w, act, pick)
          const { facets } = w.station
          if (facets.hygiene !== 'sanitized' || before.facets.hygiene === 'sanitized') continue
          reached += 1
          // It has just become so, or a step taken back has brought it back.
          expect(contactSeen(p, w.records, w.run.parameters)).toBe(true)
          expect(facets.assembly).toBe('whole')
          expect(facets.partsOut).toBe(0)
          expect(['none', undefined]).toContain(facets.residue)
        }
      }),
      { numRuns: runs, seed: 21_10 },
    )
    // The walks come there: what they forbid is not for want of trying.
    expect(reached).toBeGreaterThan(0)
  })
  it('folded anew from its records, in whatever order they came, is the same', () => {
    fc.assert(
      fc.property(way, (steps) => {
        const w = new Worked(p)
        for (const [act, pick] of steps) apply(w, act, pick)
        const again = foldAll(
          folds.run,
          { kind: 'run', id: w.run.id },
          w.records.filter((r) => r.type.startsWith('run.') || r.type === 'reading.taken@1').toReversed(),
        )
        expect(again.state).toEqual(w.run)
      }),
      { numRuns: Math.ceil(runs / 8), seed: 21_10 },
    )
  })
})

const noSanitized = <H extends string>(hygiene: H): H | 'clean' =>
  hygiene === 'sanitized' ? 'clean' : hygiene

describe('rightly worked', () => {
  it.each(sanitizing.map((p) => [p.id, p] as const))(
    '%s does sanitize: the walks above forbid nothing that is right',
    (_, p) => {
      const w = new Worked(p)
      let seen = false
      while (w.step()) seen ||= w.station.facets.hygiene === 'sanitized'
      expect(seen).toBe(true)
    },
  )
})
