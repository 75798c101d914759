import { madeFor } from '@tadka/core/reading'
import {
  type InstrumentKept,
  type InstrumentSet,
  type ProductKept,
  type ProductSet,
  type ProductUse,
} from '@tadka/core/house'
import { millilitres, type Instant } from '@tadka/core/quantity'
import { rulesInForce, type LocalRule } from '@tadka/core/rules'
import { computed } from 'vue'
import { useLocalRules } from './local-rules.ts'
import { useSite } from './site.ts'

export type Product = ProductSet & ProductKept & { id: string }
type Tested = Pick<Product, 'id' | 'agent'>
export type Kinded<K extends InstrumentSet['kind']> = InstrumentSet & InstrumentKept & { kind: K; id: string }

const lastRatio = (checks: InstrumentKept['checks']) =>
  checks.findLast((c) => c.method === 'delivery')?.ratio ?? 1

/** The site's products and instruments, ready to use. */
export function useKit() {
  const { rules } = useLocalRules()
  const site = useSite()
  const products = computed(() => site.all('product').filter((p): p is Product => 'name' in p))
  const instruments = computed(() => site.all('instrument').filter((i) => 'kind' in i))
  const ofKind = <K extends InstrumentSet['kind']>(kind: K) =>
    instruments.value.filter((i): i is Kinded<K> & { id: string } => i.kind === kind)

  const strengthStrips = () => ofKind('strip').filter((s) => s.unit === 'ppm')

  /** The products whose label names this use, the one that the site prefers first. */
  const forUse = (use: string): { product: Product; use: ProductUse }[] =>
    products.value
      .flatMap((product) => {
        const found = product.uses.find((u) => u.id === use)
        return found ? [{ product, use: found }] : []
      })
      .toSorted((a, b) => Number(isFirst(b.product.id, use)) - Number(isFirst(a.product.id, use)))
  const isFirst = (product: string, use: string) => site.set?.preferred?.[use] === product

  return {
    products,
    instruments,
    tools: computed(() => ofKind('tool')),
    /** What anything is measured out with. */
    measure: computed(() => ({ tools: ofKind('tool'), scales: ofKind('scale') })),
    /** What a product can be measured out with; a dispenser gives what its last check measured. */
    measuring: (product: string) => ({
      tools: ofKind('tool'),
      scales: ofKind('scale'),
      dispensers: ofKind('dispenser')
        .filter((d) => d.product === product)
        .map((d) => ({ ...d, millilitres: millilitres(d.millilitres * lastRatio(d.checks)) })),
    }),
    titrationFor: (product: Tested) => madeFor(product, ofKind('titration'))[0] ?? null,
    thermometers: computed(() => ofKind('thermometer')),
    pressureGauges: computed(() => ofKind('pressure-gauge')),
    indicators: computed(() => ofKind('indicator')),
    stripFor: (product: Tested) => madeFor(product, strengthStrips())[0] ?? null,
    /** Every strip that may be dipped into a product, the one that is made for it first. */
    stripsFor: (product: Tested) => madeFor(product, strengthStrips()),
    /** What a reading was read on. */
    usedStrip: (ids: readonly string[]) => strengthStrips().find((s) => ids.includes(s.id)) ?? null,
    usedTitration: (ids: readonly string[]) => ofKind('titration').find((k) => ids.includes(k.id)) ?? null,
    phStrip: computed(() => ofKind('strip').find((s) => s.unit === 'pH') ?? null),
    /** The rules of the site's authority in force at an instant. */
    rulesAt: (at: Instant): LocalRule[] => rulesInForce(rules.value, at),
    forUse,
    /** Of several products for a use, the one that the site offers first; null where nobody chose one that is still there. */
    preferred: (use: string): string | null => {
      const id = site.set?.preferred?.[use]
      return id !== undefined && forUse(use).some((c) => c.product.id === id) ? id : null
    },
  }
}
