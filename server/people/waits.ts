import { Refusal } from '@tadka/core/refusal'

interface Tries {
  readonly wrong: number
  /** Until then no other is taken, milliseconds UTC. */
  readonly until: number
}

const longestMs = 30_000
/** Senders that are remembered; the one that came first is forgotten for the next. */
const most = 10_000

/**
 * Wrong secrets make whoever sends them wait: some at once, then 2, 4, 8 and up to 30 seconds. Nobody is locked out by them. A try is
 * taken before the secret is verified, so that many at once are no more than one after another.
 */
export class Waits {
  readonly #free: number
  readonly #tries = new Map<string, Tries>()

  /** @param free tries that are taken before the first wait. */
  constructor(free = 3) {
    this.#free = free
  }

  /** @param key who tries what. @param now milliseconds UTC. Throws `too_often`, with the seconds to wait. */
  take(key: string, now: number): void {
    const { wrong, until } = this.#tries.get(key) ?? { wrong: 0, until: 0 }
    if (now < until) throw new Refusal('too_often', { seconds: Math.ceil((until - now) / 1000) })
    const after = wrong + 1
    const waitMs = after < this.#free ? 0 : Math.min(longestMs, 1000 * 2 ** (after - this.#free + 1))
    this.#tries.delete(key)
    this.#tries.set(key, { wrong: after, until: now + waitMs })
    const [oldest] = this.#tries.keys()
    if (this.#tries.size > most && oldest !== undefined) this.#tries.delete(oldest)
  }

  /** Some were let off by hand. */
  clearWhere(meant: (key: string) => boolean): void {
    for (const key of this.#tries.keys()) if (meant(key)) this.#tries.delete(key)
  }

  /** The right one was given. */
  clear(key: string): void {
    this.#tries.delete(key)
  }
}
