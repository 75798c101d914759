import { afterEach, describe, expect, it, vi } from 'vitest'
import { begun, Work } from '../work/work.ts'

const counting = new URL('./jobs/counting-job.ts', import.meta.url)
const endless = new URL('./jobs/endless-job.ts', import.meta.url)
const [soonMs, longMs] = [300, 60_000]
/** [how many were made, whether the job has ended], in memory that both threads see. */
const shared = () => new Int32Array(new SharedArrayBuffer(8))

let work: Work | undefined
const made = () => (work = new Work('postgresql://nobody@127.0.0.1:1/none'))
afterEach(() => work?.close())

describe('long work', () => {
  it('answers', async () => {
    expect(await made().answer(counting, { upTo: 7, made: shared() }, longMs)).toBe(7)
  })
  it('comes in pieces, in order, each of them once', async () => {
    const got: number[] = []
    for await (const piece of made().pieces<unknown, number>(counting, { upTo: 40, made: shared() }, longMs))
      got.push(piece)
    expect(got).toEqual(Array.from({ length: 40 }, (_, i) => i + 1))
  })
  it('makes no piece before the last one was taken, and ends when nobody takes more', async () => {
    const memory = shared()
    for await (const piece of made().pieces<unknown, number>(counting, { upTo: 1e9, made: memory }, longMs)) {
      expect(Atomics.load(memory, 0)).toBeLessThanOrEqual(piece + 1)
      if (piece === 5) break
    }
    await vi.waitUntil(() => Atomics.load(memory, 1) === 1)
    expect(Atomics.load(memory, 0)).toBeLessThanOrEqual(6)
  })
  it('tells after its pieces that it broke', async () => {
    const got: number[] = []
    const all = async () => {
      const pieces = made().pieces<unknown, number>(counting, { upTo: 9, made: shared(), breakAt: 4 }, longMs)
      for await (const piece of pieces) got.push(piece)
    }
    await expect(all()).rejects.toThrow('broken on purpose')
    expect(got).toEqual([1, 2, 3])
  })
  it('that breaks before its first piece is told before anything is answered', async () => {
    const pieces = made().pieces(counting, { upTo: 9, made: shared(), breakAt: 1 }, longMs)
    await expect(begun(pieces)).rejects.toThrow('broken on purpose')
  })
  it('that has begun gives every piece still, and ends when nobody takes more', async () => {
    const memory = shared()
    const pieces = await begun(made().pieces<unknown, number>(counting, { upTo: 1e9, made: memory }, longMs))
    const got: number[] = []
    for await (const piece of pieces) if (got.push(piece) === 3) break
    expect(got).toEqual([1, 2, 3])
    await vi.waitUntil(() => Atomics.load(memory, 1) === 1)
  })
  it('is stopped when it takes too long, even where it never gives way', async () => {
    await expect(made().answer(endless, null, soonMs)).rejects.toMatchObject({ code: 'work_too_long' })
  })
  it('is refused where too much waits already, and what waits is not', async () => {
    const here = made()
    const outcomes = await Promise.allSettled(
      Array.from({ length: 50 }, () => here.answer(counting, { upTo: 1, made: shared() }, longMs)),
    )
    const refused = outcomes.filter((o) => o.status === 'rejected').map((o) => o.reason as unknown)
    expect(refused.length).toBeGreaterThan(0)
    for (const reason of refused) expect(reason).toMatchObject({ code: 'busy' })
    const done = outcomes.filter((o) => o.status === 'fulfilled')
    expect(done.length).toBeGreaterThanOrEqual(32)
  })
})
