import { describe, expect, it } from 'vitest'
import { notesFound, shiftFold, type ShiftState } from '../../record/index.ts'
import { stationFold, type StationState } from '../../procedure/index.ts'
import type { AnyRecord, Payloads, RecordType } from '../../stream/index.ts'
import { plate, recordOf } from '../records.ts'

const day = '2026-11-26'
function after(...records: AnyRecord[]): ShiftState {
  return records.reduce((s, r) => shiftFold.apply(s, r), shiftFold.initial(day))
}
const by = <T extends RecordType>(who: string, at: number, type: T, payload: Payloads[T]): AnyRecord => ({
  ...recordOf(at, type, { kind: 'shift', id: day }, payload),
  by: who,
})
const left = (who: string, at: number, said = 'strips for quat') =>
  by(who, at, 'note.left@1', { day, kind: 'missing', station: null, said })

describe('a note for the next shift', () => {
  it('is before who comes until they read it, and there until it is settled', () => {
    const note = left('bao', 1)
    const read = by('noor', 2, 'note.read@1', { day })
    const settled = by('noor', 3, 'note.settled@1', { day, note: note.id })
    const found = (...of: AnyRecord[]) => notesFound([after(...of)], [], 'noor')
    expect(found(note)).toMatchObject({ isUnread: true, lines: [{ said: 'strips for quat', by: 'bao' }] })
    expect(found(note, read)).toMatchObject({ isUnread: false, lines: [{ id: note.id }] })
    expect(found(note, read, settled)).toMatchObject({ isUnread: false, lines: [] })
    // What is added later is not read yet.
    expect(found(note, read, left('bao', 4)).isUnread).toBe(true)
  })
  it('is no news to who wrote it, nor read for one by another', () => {
    const states = [after(left('bao', 1), by('noor', 2, 'note.read@1', { day }))]
    expect(notesFound(states, [], 'bao').isUnread).toBe(false)
    expect(notesFound(states, [], 'wen').isUnread).toBe(true)
  })
  it('is settled once: who did it first stands', () => {
    const note = left('bao', 1)
    const twice = ['noor', 'wen'].map((who, n) => by(who, 2 + n, 'note.settled@1', { day, note: note.id }))
    expect(after(note, ...twice).notes?.[0]?.settled?.by).toBe('noor')
  })
  it('says by itself which machines’ parts were left to dry', () => {
    const station = (id: string, change: Partial<StationState>): StationState => {
      const state = { ...stationFold.initial(id), plate, ...change }
      return { ...state, facets: { ...state.facets, assembly: 'drying' } }
    }
    const stored = { since: 1, reason: 'winter' }
    const all = [station('slush', {}), station('custard', { laidUp: stored }), stationFold.initial('twin')]
    expect(notesFound([], all, 'bao')).toEqual({ lines: [], dries: ['slush'], isUnread: false })
  })
})
