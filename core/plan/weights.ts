import type { PlanWish } from '../house/site.ts'
import type { PlanProblem, PriceTerms, PriceWeights } from './problem.ts'

const usual: PriceWeights = {
  paid: 1,
  last: 1,
  wish: 0.1,
  handovers: 15,
  walks: 1,
  areas: 6,
  short: 10,
  gaps: 0.5,
  unfair: 1,
  changes: 3,
}
/** Minutes that one of each term is worth. Chosen on the evenings of the demo: decision 0021. */
const weights: Readonly<Record<PlanWish, PriceWeights>> = {
  'home-soonest': { ...usual, last: 2 },
  even: { ...usual, unfair: 3 },
  'fewest-changes': { ...usual, handovers: 25, areas: 12, changes: 8 },
}

/** What each term weighs in a plain setting, minutes. */
export const weightsFor = (wish: PlanWish): PriceWeights => weights[wish]
/** What a problem's plans are priced by. */
export const weightsOf = (problem: Pick<PlanProblem, 'weights'>): PriceWeights =>
  problem.weights ?? weights['home-soonest']

/** The sum of terms by their weights, minutes. */
export const priceOf = (terms: PriceTerms, by: PriceWeights): number =>
  Object.entries(by).reduce((sum, [term, weight]) => sum + weight * terms[term as keyof PriceTerms], 0)
