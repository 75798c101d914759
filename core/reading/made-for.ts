import type { Agent } from '../rules/index.ts'
import type { ProductSet } from '../house/product.ts'

interface Tester {
  /** Products that its maker names; absent or empty: any with its agent. */
  readonly madeFor?: readonly string[] | undefined
  readonly agent: Agent | null
}

/**
 * The strips or kits that may test a product: those made for it; where none is, those of its agent that are made for no other.
 */
export function madeFor<T extends Tester>(
  product: Pick<ProductSet, 'agent'> & { readonly id: string },
  testers: readonly T[],
): T[] {
  const named = testers.filter((s) => s.madeFor?.includes(product.id))
  if (named.length > 0) return named
  return testers.filter((s) => product.agent !== null && s.agent === product.agent && !s.madeFor?.length)
}
