import { chosenPractice, type TemperaturePair } from '../rules/index.ts'
import type { ProductSet } from '../house/product.ts'

/** The use of a detergent's label that is about the sink. */
const sinkWash = 'sink-wash'

/**
 * The wash temperature that the sink is held to where the site goes by the detergent's label; null where it goes by the code, or no
 * label names one. Source: FDA Food Code 2022, 4-501.19 leaves it to the label.
 */
export function washLabel(
  products: readonly Partial<ProductSet>[],
  schools: Readonly<Record<string, string>>,
): TemperaturePair | null {
  if (chosenPractice('wash-water', schools) !== 'label') return null
  const uses = products.flatMap((p) => (p.chemicalClass === 'detergent' ? (p.uses ?? []) : []))
  return uses.find((u) => u.id === sinkWash)?.temperature ?? null
}
