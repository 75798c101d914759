import { describe, expect, it } from 'vitest'
import { openCall, runFold } from '../../procedure/index.ts'
import { foldAll, type AnyRecord } from '../../stream/index.ts'
import { by } from './made.ts'

const plain = { run: 'r', station: 's' }
const started = by('bo', 0, 'run.started@2', 'run', 'r', {
  ...plain,
  procedure: { id: 'slush.close', version: 1 },
})
const called = by('bo', 1, 'run.help.called@1', 'run', 'r', { ...plain, step: 'drain' })
const answered = (who: string, at: number) =>
  by(who, at, 'run.help.answered@1', 'run', 'r', { ...plain, call: called.id })
const runOf = (...records: readonly AnyRecord[]) => foldAll(runFold, { kind: 'run', id: 'r' }, records).state

describe('a call for help', () => {
  it('is open, with its step, its time and who called, until somebody answers', () => {
    expect(openCall(runOf(started))).toBeNull()
    expect(openCall(runOf(started, called))).toMatchObject({ step: 'drain', at: 60_000, by: 'bo' })
    expect(openCall(runOf(started, called, answered('ines', 2)))).toBeNull()
  })
  it('was answered by who came first, and when; the run stays with who works it', () => {
    const run = runOf(started, called, answered('ines', 2), answered('dara', 3))
    expect(run.help).toMatchObject([{ answered: { by: 'ines', at: 120_000 } }])
    expect(run.lastBy).toBe('bo')
  })
  it('is over with its run', () => {
    const over = by('bo', 4, 'run.abandoned@1', 'run', 'r', { ...plain, reason: 'sail' })
    expect(openCall(runOf(started, called, over))).toBeNull()
  })
})
