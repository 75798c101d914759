import { describe, expect, it } from 'vitest'
import { paperOn, type PaperSet } from '../../training/index.ts'
import { shiftFold } from '../../record/index.ts'
import { foldAll } from '../../stream/index.ts'
import { recordOf } from '../records.ts'
import { by, day, personOf } from './made.ts'

const paper = (id: string, change: Partial<PaperSet> = {}): PaperSet => ({
  ...{ paper: id, kind: 'food-handler', name: '', number: id, issued: null, until: null, photo: null },
  removed: false,
  ...change,
})
const held = (at: number, set: PaperSet) => by('ada', at, 'training.paper@1', 'training', 'bo', set)

describe('certificates', () => {
  it('are kept under their own id: entered again the later stands, taken off it is gone', () => {
    const first = held(1, paper('a', { until: '2026-01-01' }))
    const again = held(2, paper('a', { until: '2028-01-01' }))
    const papers = (...all: ReturnType<typeof held>[]) =>
      personOf('bo', all, day).training?.papers.map((p) => p.until)
    expect(papers(first, again, held(3, paper('b')))).toEqual(['2028-01-01', null])
    expect(papers(first, held(4, paper('a', { removed: true })))).toEqual([])
  })
  it('of who is in charge: a manager’s before a handler’s, in date that day, its last day too; none where none is', () => {
    const manager = paper('m', { kind: 'food-manager', issued: '2025-05-01', until: '2026-11-26' })
    const handler = paper('h')
    expect(paperOn([handler, manager], '2026-11-26')?.number).toBe('m')
    expect(paperOn([handler, manager], '2026-11-27')?.number).toBe('h')
    expect(paperOn([manager], '2025-04-30')).toBeNull()
    expect(paperOn([paper('o', { kind: 'other' })], '2026-11-26')).toBeNull()
  })
})

it('who took charge stands one after the other, and what was taken back is not told', () => {
  const of = { kind: 'shift', id: '2026-11-26' } as const
  const taken = (who: string, at: number) => ({
    ...recordOf(at, 'charge.taken@1', of, { day: of.id }),
    by: who,
  })
  const [ines, oriel] = [taken('ines', 1), taken('oriel', 2)]
  const back = recordOf(3, 'record.amended@1', of, {
    ...{ target: oriel.id, targetType: 'charge.taken@1', subjects: [of] },
    ...{ instead: null, reason: 'taken back' },
  })
  const charge = (...all: Parameters<typeof foldAll>[2]) => foldAll(shiftFold, of, all).state.charge
  expect(charge(ines, oriel)).toMatchObject([{ by: 'ines' }, { by: 'oriel' }])
  expect(charge(ines, oriel, back)).toMatchObject([{ by: 'ines', at: 60_000 }])
})
