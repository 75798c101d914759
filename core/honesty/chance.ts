/**
 * The chance of at least `k` of `n` where each is so by chance `p`. Exact, summed from the largest term.
 * @param p 0 to 1. Returns 0 to 1.
 * @example atLeastOf(2, 2, 0.5) // 0.25
 */
export function atLeastOf(k: number, n: number, p: number): number {
  if (k <= 0) return 1
  if (p <= 0) return 0
  if (p >= 1) return 1
  // The term at k, then each from the one before it.
  let term = 1
  for (let i = 1; i <= k; i++) term *= ((n - k + i) / i) * p
  let log = Math.log(term) + (n - k) * Math.log1p(-p)
  let sum = 0
  for (let i = k; i <= n; i++) {
    sum += Math.exp(log)
    log += Math.log(((n - i) / (i + 1)) * (p / (1 - p)))
  }
  return Math.min(1, sum)
}

/** A share that is not believed to be 0 or 1 for want of numbers: so many of so many, one more of each kind. */
export const cautiousShare = (k: number, n: number): number => (k + 1) / (n + 2)

/**
 * The chance of several independent chances taken together, by Fisher's method: of twice the sum of their logarithms, in a chi-squared
 * distribution of twice as many degrees of freedom, which is a finite sum. Source: R. A. Fisher, Statistical Methods for Research Workers, 21.1.
 * @param chances each 0 to 1. Returns 0 to 1; 1 where there is none.
 */
export function together(chances: readonly number[]): number {
  const half = -chances.reduce((sum, p) => sum + Math.log(Math.max(p, 1e-300)), 0)
  let [term, sum] = [1, 0]
  for (let i = 0; i < chances.length; i++) {
    sum += term
    term *= half / (i + 1)
  }
  return chances.length === 0 ? 1 : Math.min(1, Math.exp(-half) * sum)
}
