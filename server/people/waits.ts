import { Refusal } from '@tadka/core/refusal'

interface Tries {
  readonly wrong: number
  /** Until then no other is taken, milliseconds UTC. */
  readonly until: number
}

const [free, longestMs] = [3, 30_000]
/** Addresses that are remembered; the one that came first is forgotten for the next. */
const most = 10_000

/**
 * Wrong passwords make whoever sends them wait, by address and site: three at once, then 2, 4, 8 and up to 30 seconds. A name is
 * never locked by them. A try is taken before the secret is verified, so that many at once are no more than one after another.
 */
export class PasswordWaits {
  readonly #tries = new Map<string, Tries>()

  /** @param now milliseconds UTC. Throws `too_often`, with the seconds to wait. */
  take(key: string, now: number): void {
    const { wrong, until } = this.#tries.get(key) ?? { wrong: 0, until: 0 }
    if (now < until) throw new Refusal('too_often', { seconds: Math.ceil((until - now) / 1000) })
    const after = wrong + 1
    const waitMs = after < free ? 0 : Math.min(longestMs, 1000 * 2 ** (after - free + 1))
    this.#tries.delete(key)
    this.#tries.set(key, { wrong: after, until: now + waitMs })
    const [oldest] = this.#tries.keys()
    if (this.#tries.size > most && oldest !== undefined) this.#tries.delete(oldest)
  }

  /** The right one was given. */
  clear(key: string): void {
    this.#tries.delete(key)
  }
}
