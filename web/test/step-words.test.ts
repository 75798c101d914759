import { afterEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { useSession } from '../src/rights/session.ts'
import { useSiteStore } from '../src/site/site.ts'
import { useStepWords } from '../src/site/step-words.ts'
import { tablet } from './tablet.ts'

afterEach(() => vi.unstubAllGlobals())

async function fillOn(units: 'metric' | 'us') {
  const t = tablet()
  useSession().site = 'gannet'
  const states = [{ kind: 'site', id: 'gannet', state: { id: 'gannet', units }, last: null }]
  t.server.answer = () => ({ status: 200, body: { serverTime: Date.now(), seq: 1, states } })
  await useSiteStore().load()
  const found = effectScope().run(() => useStepWords())
  if (!found) throw new Error('no scope')
  return found.fill
}

describe('the numbers in a procedure’s words', () => {
  it.each([
    ['metric', 'at {5 °C} or colder', 'at 5 °C or colder'],
    ['us', 'at {5 °C} or colder', 'at 41 °F or colder'],
    ['us', '{20 cm} or more', '8 in or more'],
    ['us', 'Pour in {rinse}', 'Pour in 1 gal'],
    ['metric', 'Pour in {rinse}', 'Pour in 3.8 L'],
    ['us', 'Up to {rise}', 'Up to 176 °F'],
    ['us', 'All {bowls}', 'All 2'],
    ['us', 'Pour in {unknown}', 'Pour in {unknown}'],
  ] as const)('are said in %s units: %s', async (units, text, said) => {
    const fill = await fillOn(units)
    const procedure = { parameters: { rinse: 'mL', rise: '°C', bowls: 'count' } } as const
    expect(fill(text, { rinse: 3785.41, rise: 80, bowls: 2 }, procedure)).toBe(said)
  })
})
