import { afterAll, afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { KeptPhoto, Rows, TabletStore } from '../src/stream/tablet-store.ts'
import { tablet, type Tablet } from './tablet.ts'

const tabletStore = vi.fn<() => Promise<TabletStore | null>>()
vi.resetModules()
vi.doMock('../src/stream/tablet-store.ts', () => ({ tabletStore }))
const { forgetOldPhotos, sendPhotos, sendPhotosAgain } = await import('../src/stream/kept-photos.ts')
afterAll(() => {
  vi.doUnmock('../src/stream/tablet-store.ts')
  vi.resetModules()
})

const day = 86_400_000
const photo = (sha256: string, takenAt?: number): KeptPhoto => ({
  sha256,
  site: 'gannet',
  blob: new Blob(['x']),
  ...(takenAt === undefined ? {} : { takenAt }),
})

/** A store that holds these photos, and records that name some of them. */
function holds(all: readonly KeptPhoto[], named: readonly string[] = []): Map<string, KeptPhoto> {
  const rows = new Map(all.map((p) => [p.sha256, p]))
  const photos: Rows<KeptPhoto> = {
    all: async () => [...rows.values()],
    put: async (more) => more.forEach((p) => rows.set(p.sha256, p)),
    remove: async (keys) => keys.forEach((key) => rows.delete(key)),
    change: async (changes) => {
      for (const [key, c] of changes) {
        const row = rows.get(key)
        if (row) rows.set(key, { ...row, ...c })
      }
    },
  }
  const drafts = named.map((sha256) => ({ draft: { type: 'photo.attached@1', payload: { sha256 } } }))
  const outbox = { all: async () => drafts }
  tabletStore.mockResolvedValue({ photos, outbox } as unknown as TabletStore)
  return rows
}

let t: Tablet
/** Photos that were sent; what else a tablet asks meanwhile is not counted. */
const sent = () => t.server.asked.map((a) => a.path).filter((path) => path.includes('/photos/'))
beforeEach(() => {
  t = tablet()
  t.server.answer = () => ({ status: 200, body: {} })
})
afterEach(() => vi.unstubAllGlobals())

describe('a photo', () => {
  it('stays on the tablet when the server took it, and is not sent twice', async () => {
    const rows = holds([photo('a')])
    await sendPhotos()
    expect(rows.get('a')?.takenAt).toBeGreaterThan(0)
    await sendPhotos()
    expect(sent()).toEqual(['/api/sites/gannet/photos/a'])
  })
  it('that is refused is let go', async () => {
    const rows = holds([photo('a')])
    t.server.answer = () => ({ status: 400, body: {} })
    await sendPhotos()
    expect(rows.size).toBe(0)
  })
  it('is kept for a week, and as long as its record is', async () => {
    const rows = holds(
      [photo('old', 0), photo('named', 0), photo('young', 5 * day), photo('unsent')],
      ['named'],
    )
    await forgetOldPhotos(8 * day, new Set())
    expect([...rows.keys()]).toEqual(['named', 'young', 'unsent'])
  })
  it('that the site shows still, a data sheet or a step’s picture, stays however old it is', async () => {
    const rows = holds([photo('sheet', 0), photo('old', 0)])
    await forgetOldPhotos(400 * day, new Set(['sheet']))
    expect([...rows.keys()]).toEqual(['sheet'])
  })
  it('makes room for younger ones where there are very many', async () => {
    const rows = holds(Array.from({ length: 403 }, (_, i) => photo(`p${i}`, 7 * day + i)))
    await forgetOldPhotos(8 * day, new Set())
    expect([...rows.keys()].slice(0, 2)).toEqual(['p3', 'p4'])
    expect(rows.size).toBe(400)
  })
  it('is sent once more to a server that lost it', async () => {
    const rows = holds([photo('a', 1), photo('b', 2)])
    await sendPhotosAgain()
    // A slow machine is no failure.
    const patient = { timeout: 20_000 }
    await vi.waitFor(() => expect(sent()).toHaveLength(2), patient)
    await vi.waitFor(() => expect([...rows.values()].every((p) => (p.takenAt ?? 0) > 2)).toBe(true), patient)
  })
})
