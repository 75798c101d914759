import { instant, millilitres, ppm } from '@tadka/core/quantity'
import type { InstrumentSet, ProductSet } from '@tadka/core/house'
import type { Place } from '@tadka/core/reading'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, ref } from 'vue'
import { useSession } from '../src/rights/session.ts'
import { useSiteStore } from '../src/site/site.ts'
import { useChecking, type Checked } from '../src/solution/checking.ts'
import { tablet } from './tablet.ts'

const far = instant(Date.now() + 1e10)
const product: ProductSet & { id: string } = {
  id: 'chlor',
  name: 'Chlor',
  purpose: '',
  chemicalClass: 'hypochlorite',
  agent: 'chlorine',
  supply: { kind: 'strength', stock: ppm(25_000) },
  uses: [
    {
      id: 'u',
      name: 'Machines',
      range: { lo: 100, hi: 200 },
      target: 150,
      temperature: { c: 24, f: 75 },
      hardestWater: null,
      contactSeconds: 60,
      rinseAfter: false,
    },
  ],
  ppe: [],
  firstAid: '',
  neverWith: [],
}
const instruments: Record<string, InstrumentSet> = {
  strip: {
    kind: 'strip',
    name: 'strip',
    unit: 'ppm',
    agent: 'chlorine',
    blocks: [0, 50, 100, 150, 200],
    colours: [],
    bestBefore: far,
  },
  ph: {
    kind: 'strip',
    name: 'pH',
    unit: 'pH',
    agent: null,
    blocks: [5, 6, 7, 8, 9],
    colours: [],
    bestBefore: far,
  },
  probe: { kind: 'thermometer', name: 'probe', unit: '°C', accuracy: 0.5, checkDue: far },
  beaker: {
    kind: 'tool',
    name: 'beaker',
    capacity: millilitres(50),
    graduation: millilitres(1),
    error: millilitres(0.5),
  },
}
const place: Place = { station: 's', run: 'r', step: 'check', bath: 'b', case: null }
const use = product.uses[0] as Checked['use']
const kept = { ...product, container: null, drawn: null }
const checked = (change: Partial<Checked> = {}): Checked => ({
  product: kept,
  use,
  bath: { id: 'b', volume: 3800, capacity: 10_000 },
  ...change,
})

let scope: ReturnType<typeof effectScope>
let c: ReturnType<typeof useChecking>
let what: ReturnType<typeof ref<Checked>>

async function begin(kit = instruments, site: object | null = null): Promise<void> {
  const t = tablet()
  useSession().site = 'gannet'
  const states = Object.entries(kit).map(([id, one]) => ({
    kind: 'instrument',
    id,
    state: { ...one, id },
    last: null,
  }))
  if (site) states.push({ kind: 'site', id: 'gannet', state: site as never, last: null })
  t.server.answer = () => ({ status: 200, body: { serverTime: Date.now(), seq: 1, states } })
  await useSiteStore().load()
  scope = effectScope()
  scope.run(() => {
    what = ref<Checked>(checked())
    c = useChecking(what as never, () => place)
  })
}
beforeEach(() => begin())
afterEach(() => {
  scope.stop()
  vi.unstubAllGlobals()
})

const verdict = () => c.result.value.taken?.judgement.overall

describe('a check as it is entered', () => {
  it('cannot be told before everything is there, and says what is missing', () => {
    expect(verdict()).toBe('cannot-tell')
    c.pick.value = { matches: 150 }
    c.temperature.value = '31'
    expect(verdict()).toBe('cannot-tell')
    expect(c.result.value.taken?.judgement.missing.map((m) => m.quantity)).toEqual(['pH'])
    c.phPick.value = { matches: 7 }
    expect(verdict()).toBe('in')
  })
  it('is judged anew with each change', () => {
    Object.assign(c.phPick, { value: { matches: 7 } })
    c.temperature.value = '31'
    for (const [pick, expected] of [
      [{ matches: 150 }, 'in'],
      [{ between: [50, 100] }, 'too-close'],
      [{ matches: 0 }, 'out'],
    ] as const) {
      c.pick.value = pick as never
      expect(verdict()).toBe(expected)
    }
    c.pick.value = { matches: 150 }
    c.temperature.value = '20'
    expect(verdict()).toBe('out')
  })
  it('takes a decimal comma, and tells at the field what is no number', () => {
    c.temperature.value = '31,5'
    expect(c.faults.value.temperature).toBeNull()
    c.temperature.value = 'warm'
    expect(c.faults.value.temperature?.code).toBe('fieldNeeded')
    c.temperature.value = '900'
    expect(c.faults.value.temperature?.code).toBe('fieldNonsense')
    expect(c.temperature.value).toBe('900')
  })
  it('names the instruments that were used', () => {
    c.pick.value = { matches: 150 }
    c.temperature.value = '31'
    expect(c.result.value.taken?.instruments).toEqual(['strip', 'probe'])
  })
  it('offers the way back, and none once the strip is to be dipped again', () => {
    c.pick.value = { between: [50, 100] }
    expect(c.correction.value).toMatchObject({ move: 'strengthen', amount: 11, safe: true })
    c.clear()
    expect(c.correction.value).toBeNull()
  })
})

describe('a strip past its date', () => {
  it('is refused with the reason, and nothing can be recorded from it', async () => {
    scope.stop()
    await begin({ ...instruments, strip: { ...instruments['strip'], bestBefore: 1000 } as InstrumentSet })
    c.pick.value = { matches: 150 }
    expect(c.result.value.taken).toBeNull()
    expect(c.result.value.refusal?.code).toBe('strip_void')
  })
})

describe('the hardness of the water on a site in US units', () => {
  const quat = { ...kept, agent: 'quat', chemicalClass: 'quat' } as Checked['product']
  const water = { hardness: 171, at: 1, with: 'a kit' }
  beforeEach(async () => {
    scope.stop()
    const strip = { ...instruments['strip'], agent: 'quat' } as InstrumentSet
    await begin({ ...instruments, strip }, { id: 'gannet', units: 'us', water })
    what.value = checked({ product: quat })
    c.pick.value = { matches: 150 }
    c.temperature.value = '80'
  })
  const read = () => {
    const taken = c.result.value.taken
    return taken?.what === 'sanitizer' ? taken.reading.hardness?.lo : null
  }
  it('stands there in grains, is kept to its last digit while nobody types, and was not measured now', () => {
    expect([c.hardnessUnit.value.unit, c.hardness.value]).toEqual(['gpg', '10'])
    expect(c.measured.value).toBeNull()
    expect(read()).toBe(171)
  })
  it('that is typed in grains is kept in mg/L, and one that cannot be is told in grains', () => {
    c.hardness.value = '20'
    expect(c.measured.value).toBeCloseTo(342.4, 1)
    expect(read()).toBeCloseTo(342.4, 1)
    c.hardness.value = '400'
    expect(c.faults.value.hardness).toMatchObject({ code: 'fieldNonsense', unit: 'gpg', hi: 175 })
    expect(c.measured.value).toBeNull()
  })
})
