import type { InstrumentSet, ProductSet, ProductUse } from '../../house/index.ts'
import { allProcedures, latestProcedure, type Procedure } from '../../procedure/index.ts'
import { instant, millilitres, ppm, randomFrom } from '../../quantity/index.ts'
import type { LessonKnown } from '../../lesson/index.ts'
import type { ChemicalClass, Supply } from '../../solution/index.ts'

const use = (id: string, change: Partial<ProductUse> = {}): ProductUse => ({
  ...{ id, name: id, range: null, target: null, temperature: null, hardestWater: null },
  ...{ contactSeconds: null, rinseAfter: false },
  ...change,
})
const product = (
  id: string,
  chemicalClass: ChemicalClass,
  supply: Supply,
  uses: readonly ProductUse[],
  agent: ProductSet['agent'] = null,
): ProductSet & { readonly id: string } => ({
  ...{ id, name: `${id} ${chemicalClass}`, purpose: '', chemicalClass, agent, supply, uses },
  ...{ ppe: [], firstAid: '', neverWith: null },
})

/** A site made up by a number: labels, strips, plates and units of its own, on one of the library's procedures. */
export function siteFrom(seed: number, of?: Procedure): LessonKnown {
  const random = randomFrom(seed)
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)] as T
  const all = allProcedures().filter((p) => latestProcedure(p.id) === p)
  const procedure = of ?? pick(all)
  const lo = pick([50, 100, 150])
  const range = { lo, hi: lo * pick([2, 3, 4]) }
  const sanitizes = (id: string) =>
    use(id, { range, target: lo * 1.5, contactSeconds: pick([30, 60, 90, 120]) })
  const washes: Supply = pick([
    { kind: 'per-litre', millilitres: millilitres(pick([2, 4, 7.5, 20])) },
    { kind: 'ratio', parts: pick([40, 128, 256]), meaning: pick(['to', 'in'] as const) },
  ])
  const products = [
    product(
      'Alpha',
      'hypochlorite',
      { kind: 'strength', stock: ppm(pick([25_000, 50_000, 84_000])) },
      [...['frozen-dessert', 'utensils', 'ice-sanitizer', 'cleaner-100'].map(sanitizes)],
      'chlorine',
    ),
    product(
      'Bravo',
      'quat',
      { kind: 'strength', stock: ppm(pick([75_000, 100_000])) },
      [sanitizes('cloths')],
      'quat',
    ),
    product('Charly', 'detergent', washes, [use('machine-wash'), use('sink-wash'), use('espresso-soak')]),
    product('Delta', 'acid', { kind: 'per-litre', millilitres: millilitres(pick([50, 100])) }, [
      use('descale'),
      use('delime'),
    ]),
    product('Echo', 'ammonia', washes, [use('urn')]),
  ].slice(0, pick([4, 5]))
  const strip = (agent: 'chlorine' | 'quat', blocks: readonly number[]): InstrumentSet & { id: string } => ({
    ...{ id: agent, kind: 'strip', name: agent, unit: 'ppm', agent, blocks, bestBefore: 9e15 },
    colours: blocks.map(() => '#888'),
  })
  const system = pick(['metric', 'us'] as const)
  return {
    ...{ system, procedure, products },
    parameters: Object.fromEntries(
      Object.entries(procedure.parameters).map(([name, unit]) => [
        name,
        unit === 'mL' ? pick([1900, 3800, 7600, 10_000]) : unit === 'count' ? pick([1, 2]) : pick([5, 10]),
      ]),
    ),
    options: Object.fromEntries((procedure.options ?? []).map((o) => [o.id, pick(o.choices).id])),
    instruments: [
      strip(
        'chlorine',
        pick([
          [0, 50, 100, 200],
          [10, 50, 100, 200, 400],
        ]),
      ),
      strip('quat', [0, 100, 200, 400]),
    ],
    hotDishMachine: pick([true, false]),
    now: instant(0),
  }
}
