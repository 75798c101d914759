import { ppm } from '@tadka/core/quantity'
import type { ProductSet } from '@tadka/core/house'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { useSession } from '../src/rights/session.ts'
import { useSiteStore } from '../src/site/site.ts'
import { useChosenProduct } from '../src/solution/chosen-product.ts'
import { tablet } from './tablet.ts'

const product = (name: string, range: { lo: number; hi: number } | null): ProductSet => ({
  name,
  purpose: '',
  chemicalClass: 'quat',
  agent: 'quat',
  supply: { kind: 'strength', stock: ppm(100_000) },
  uses: [
    {
      id: 'cloths',
      name: 'Cloths',
      range,
      target: null,
      temperature: null,
      hardestWater: null,
      contactSeconds: 60,
      rinseAfter: false,
    },
  ],
  ppe: [],
  firstAid: '',
  neverWith: [],
})

const scope = effectScope()
afterEach(() => vi.unstubAllGlobals())

async function chosenOf(products: Record<string, ProductSet>, ranged = false, site: object = {}) {
  const t = tablet()
  useSession().site = 'gannet'
  const states = Object.entries(products).map(([id, one]) => ({
    kind: 'product',
    id,
    state: { ...one, id },
    last: null,
  }))
  states.push({ kind: 'site', id: 'gannet', state: site as never, last: null })
  t.server.answer = () => ({ status: 200, body: { serverTime: Date.now(), seq: 1, states } })
  await useSiteStore().load()
  const found = scope.run(() => useChosenProduct(() => 'cloths', ranged))
  if (!found) throw new Error('no scope')
  return found
}

describe('the product for a use', () => {
  it('is the one there is', async () => {
    const { candidate } = await chosenOf({ a: product('A', { lo: 200, hi: 400 }) })
    expect(candidate.value?.product.id).toBe('a')
  })
  it('is nobody’s guess where a site has several: it is the one that was chosen', async () => {
    const { candidate, chosen, options } = await chosenOf({
      a: product('A', { lo: 200, hi: 400 }),
      b: product('B', { lo: 150, hi: 400 }),
    })
    expect(candidate.value).toBeNull()
    expect(options.value.map((o) => o.text)).toEqual(['A', 'B'])
    chosen.value = 'b'
    expect(candidate.value?.product.id).toBe('b')
  })
  it('is the one that the site prefers, and another is a tap away', async () => {
    const two = { a: product('A', { lo: 200, hi: 400 }), b: product('B', { lo: 150, hi: 400 }) }
    const { candidate, chosen, options } = await chosenOf(two, false, { preferred: { cloths: 'b' } })
    expect(candidate.value?.product.id).toBe('b')
    expect(chosen.value).toBe('b')
    expect(options.value.map((o) => o.text)).toEqual(['B', 'A'])
    chosen.value = 'a'
    expect(candidate.value?.product.id).toBe('a')
  })
  it('is nobody’s guess where the preferred one is no product for it any more', async () => {
    const two = { a: product('A', { lo: 200, hi: 400 }), b: product('B', { lo: 150, hi: 400 }) }
    const { candidate } = await chosenOf(two, false, { preferred: { cloths: 'gone', urn: 'a' } })
    expect(candidate.value).toBeNull()
  })
  it('has a range where it is judged', async () => {
    const { candidate } = await chosenOf(
      { a: product('A', null), b: product('B', { lo: 150, hi: 400 }) },
      true,
    )
    expect(candidate.value?.product.id).toBe('b')
  })
})
