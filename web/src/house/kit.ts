import type { InstrumentSet, ProductSet, ProductUse } from '@tadka/core/record'
import type { Instant } from '@tadka/core/quantity'
import { inForce, type Agent, type LocalRule } from '@tadka/core/rules'
import { computed } from 'vue'
import { useSite } from '../record/site.ts'

export type Product = ProductSet & { id: string }
type Kinded<K extends InstrumentSet['kind']> = InstrumentSet & { kind: K; id: string }

/** The site's products and instruments, ready to use. */
export function useKit() {
  const site = useSite()
  const products = computed(() => site.all('product').filter((p): p is Product => 'name' in p))
  const instruments = computed(() => site.all('instrument').filter((i) => 'kind' in i))
  const ofKind = <K extends InstrumentSet['kind']>(kind: K) =>
    instruments.value.filter((i): i is Kinded<K> & { id: string } => i.kind === kind)

  return {
    products,
    tools: computed(() => ofKind('tool')),
    thermometers: computed(() => ofKind('thermometer')),
    stripFor: (agent: Agent | null) =>
      ofKind('strip').find((s) => s.unit === 'ppm' && s.agent === agent) ?? null,
    phStrip: computed(() => ofKind('strip').find((s) => s.unit === 'pH') ?? null),
    /** The rules of the site's authority in force at an instant. */
    rulesAt: (at: Instant): LocalRule[] =>
      site.all('rule').filter((r): r is LocalRule => 'authority' in r && inForce(r, at)),
    /** The products whose label names this use. */
    forUse: (use: string): { product: Product; use: ProductUse }[] =>
      products.value.flatMap((product) => {
        const found = product.uses.find((u) => u.id === use)
        return found ? [{ product, use: found }] : []
      }),
  }
}
