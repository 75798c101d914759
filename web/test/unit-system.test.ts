import { afterEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { useSession } from '../src/rights/session.ts'
import { useSiteStore } from '../src/site/site.ts'
import { useUnitSystem } from '../src/site/unit-system.ts'
import { useUnits } from '../src/site/units.ts'
import { tablet } from './tablet.ts'

const scope = effectScope()
afterEach(() => vi.unstubAllGlobals())

async function on(units: 'metric' | 'us') {
  const t = tablet()
  useSession().site = 'gannet'
  const states = [{ kind: 'site', id: 'gannet', state: { id: 'gannet', units }, last: null }]
  t.server.answer = () => ({ status: 200, body: { serverTime: Date.now(), seq: 1, states } })
  await useSiteStore().load()
  const found = scope.run(() => ({ ...useUnitSystem(), units: useUnits() }))
  if (!found) throw new Error('no scope')
  return found
}

describe('the units that a tablet shows', () => {
  it.each([
    ['metric', '°C', '°F'],
    ['us', '°F', '°C'],
  ] as const)(
    'are the site’s, %s, until a tap shows the other ones, and another its own again',
    async (own, first, then) => {
      const { system, turn, units } = await on(own)
      expect(units.temperature(82)).toContain(first)
      turn()
      expect(system.value).not.toBe(own)
      expect(units.temperature(82)).toContain(then)
      expect(units.typed('celsius').unit).toBe(then)
      turn()
      expect(system.value).toBe(own)
    },
  )
})
