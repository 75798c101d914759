import { AppendMemory } from './memory.ts'

/**
 * Lets the appends of one site pass one at a time within this process, so that they seldom race for the head.
 * Correctness does not hang on it: another process may still win, and then the batch is begun again.
 */
export class SiteQueue {
  readonly memory = new AppendMemory()
  readonly #tails = new Map<string, Promise<unknown>>()

  async run<T>(site: string, work: () => Promise<T>): Promise<T> {
    const before = this.#tails.get(site) ?? Promise.resolve()
    const mine = before.then(work, work)
    const tail = mine.catch(() => {})
    this.#tails.set(site, tail)
    try {
      return await mine
    } finally {
      if (this.#tails.get(site) === tail) this.#tails.delete(site)
    }
  }
}

declare module '../services/services.ts' {
  interface Services {
    readonly queue: SiteQueue
  }
}
