import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { AnyDraft } from '@tadka/core/record'
import { keep } from '../src/record/outbox.ts'
import { makeSender } from '../src/record/sender.ts'
import { tabletStore, type Kept } from '../src/record/tablet-store.ts'
import { tablet } from './tablet.ts'

vi.mock('../src/record/tablet-store.ts', () => ({ tabletStore: vi.fn() }))

const draft = (id: string, counter: number) => ({ id, counter, site: 'gannet' }) as AnyDraft
const kept = (id: string, order: number): Kept => ({
  id,
  order,
  draft: draft(id, order),
  refusal: null,
  at: null,
})
const three = ['a', 'b', 'c']
const provenance = { pass: null, offset: null }

/** A tablet's store that takes, or has no room; what it was asked to write, by each time. */
function store(room: boolean): string[][] {
  const written: string[][] = []
  const outbox = {
    bulkPut: async (all: Kept[]) => {
      if (!room) throw new Error('QuotaExceededError')
      written.push(all.map((k) => k.id))
    },
  }
  vi.mocked(tabletStore).mockResolvedValue({ outbox } as unknown as Awaited<ReturnType<typeof tabletStore>>)
  return written
}

beforeEach(() => void tablet())

describe('what was done at once', () => {
  it('is written to the tablet at once, not one after the other: a reload in between would lose the rest', async () => {
    const written = store(true)
    makeSender(
      () => 'gannet',
      () => {},
    ).add(three.map(draft), provenance)
    await vi.waitFor(() => expect(written).toEqual([three]))
  })
  it('is told as not kept when the tablet has no room', async () => {
    store(false)
    const sender = makeSender(
      () => 'gannet',
      () => {},
    )
    sender.add(three.map(draft), provenance)
    await vi.waitFor(() => expect(sender.unkept.value).toBe(true))
  })
  it('is told as not kept where the browser has no store', async () => {
    vi.mocked(tabletStore).mockResolvedValue(null)
    expect(await keep(three.map(kept))).toBe(false)
  })
})
