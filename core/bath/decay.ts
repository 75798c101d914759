import { errorFunction } from 'simple-statistics'
/** A strip or kit reading of a bath: hours since it was mixed, and between which ppm it lies; no end where the strip's last block matched. */
export interface BathRead {
  readonly hours: number
  readonly lo: number
  readonly hi: number | null
}

/** What is known of a kind of bath before it is read: the loss per hour, as a log-normal. */
export interface LossPrior {
  /** Natural logarithm of the fraction lost per hour: its middle, and its spread. */
  readonly mean: number
  readonly sd: number
}

/** Common practice, no source: a bucket mixed at its target is changed after 2 to 4 h. */
export const usualLoss: LossPrior = { mean: Math.log(0.1), sd: 0.7 }

/** Either way, as a logarithm: how well a pour meets its target, and how well eyes match a block. From memory. */
const pourSd = 0.08
const eyeSd = 0.06
/** Baths that the usual loss counts as, beside the site's own. */
const usualWeight = 4

/** The site's own history of such a bath laid over what is usual. @param losses fractions lost per hour, as earlier baths fitted. */
export function lossPrior(losses: readonly number[]): LossPrior {
  const logs = losses.filter((k) => k > 0).map(Math.log)
  if (logs.length === 0) return usualLoss
  const n = logs.length
  const own = logs.reduce((a, b) => a + b, 0) / n
  const share = n / (n + usualWeight)
  const mean = share * own + (1 - share) * usualLoss.mean
  const squares = logs.reduce((s, v) => s + (v - mean) ** 2, 0)
  return { mean, sd: Math.sqrt((squares + usualWeight * usualLoss.sd ** 2) / (n + usualWeight)) }
}

export interface BathForecast {
  /** Hours since mixing at which it is likely below the limit, with a range of 80 %. Beyond a day it is not foretold: null. */
  readonly likely: number | null
  readonly earliest: number | null
  readonly latest: number | null
  /** Hours since mixing by which it is to be tested again: one in four such baths is below by then. */
  readonly testBy: number | null
  /** The fraction lost per hour, likeliest. */
  readonly loss: number
  /** How many readings it rests on; 0 is the usual course alone. */
  readonly readings: number
}

const steps = { loss: 121, start: 33 } as const
const widest = 4
/** Hours. */
const longest = 24

/**
 * When a bath falls below its least strength: first-order loss from the strength mixed, fitted to readings that are intervals, as
 * the posterior over loss and start on a grid. Null where readings and course do not go together: nobody can tell.
 * @param mixed ppm aimed at when it was mixed. @param least ppm. Method: Bayes' rule over interval-censored readings.
 */
export function forecastBath(
  mixed: number,
  least: number,
  reads: readonly BathRead[],
  prior: LossPrior = usualLoss,
): BathForecast | null {
  const crossings: { readonly hours: number; readonly weight: number }[] = []
  const found = posterior(mixed, reads, prior, (start, loss, weight) =>
    crossings.push({ hours: Math.max(0, (start - Math.log(least)) / loss), weight }),
  )
  if (!found) return null
  crossings.sort((a, b) => a.hours - b.hours)
  const at = (share: number): number | null => {
    let sum = 0
    for (const c of crossings) {
      sum += c.weight
      if (sum >= share * found.total) return c.hours > longest ? null : c.hours
    }
    return null
  }
  return {
    likely: at(0.5),
    earliest: at(0.1),
    latest: at(0.9),
    testBy: at(0.25),
    loss: found.loss,
    readings: reads.length,
  }
}

/**
 * The fraction that a bath lost an hour, likeliest, fitted to its readings; null where they do not go together.
 * @param mixed ppm aimed at when it was mixed. Method: as `forecastBath`.
 */
export const lossFitted = (mixed: number, reads: readonly BathRead[]): number | null =>
  posterior(mixed, reads, usualLoss, () => {})?.loss ?? null

/** Weighs every loss and start of a grid by how likely the readings are with them; null where none are. */
function posterior(
  mixed: number,
  reads: readonly BathRead[],
  prior: LossPrior,
  visit: (start: number, loss: number, weight: number) => void,
): { readonly total: number; readonly loss: number } | null {
  const seen = reads.map(({ hours, lo, hi }) => ({
    hours,
    lo: lo <= 0 ? null : Math.log(lo),
    hi: hi === null ? null : Math.log(hi),
  }))
  let [total, lossSum] = [0, 0]
  for (let i = 0; i < steps.loss; i++) {
    const z = widest * ((2 * i) / (steps.loss - 1) - 1)
    const loss = Math.exp(prior.mean + z * prior.sd)
    for (let j = 0; j < steps.start; j++) {
      const y = widest * ((2 * j) / (steps.start - 1) - 1)
      const start = Math.log(mixed) + y * pourSd
      const weight = Math.exp(-(z * z + y * y) / 2) * likelihood(start, loss, seen)
      if (weight === 0) continue
      total += weight
      lossSum += weight * Math.log(loss)
      visit(start, loss, weight)
    }
  }
  return total > 1e-12 ? { total, loss: Math.exp(lossSum / total) } : null
}

/** Ends as natural logarithms of ppm; null is open. */
interface Seen {
  readonly hours: number
  readonly lo: number | null
  readonly hi: number | null
}

/** How likely the readings are where it began at `start`, the logarithm of ppm, and loses so much an hour. */
function likelihood(start: number, loss: number, seen: readonly Seen[]): number {
  let product = 1
  for (const { hours, lo, hi } of seen) {
    const log = start - loss * hours
    product *= (hi === null ? 1 : normal((hi - log) / eyeSd)) - (lo === null ? 0 : normal((lo - log) / eyeSd))
    if (product === 0) return 0
  }
  return product
}

/** The standard normal's distribution. */
const normal = (z: number): number => (1 + errorFunction(z / Math.SQRT2)) / 2
