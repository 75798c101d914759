import { setTimeout as pause } from 'node:timers/promises'
import { v7 } from 'uuid'
import { people, siteId } from '../server/demo/house.ts'

interface Unsent {
  readonly draft: { readonly id: string }
  readonly provenance: { readonly pass: string | null; readonly offset: number | null }
}

/** What a tablet keeps, however often it is started anew. */
export interface TabletKept {
  readonly person: string
  counter: number
  unsent: Unsent[]
  /** Ids that the server said it has, and what it said. */
  acknowledged: Record<string, 'stored' | 'held'>
  refused: string[]
}

const mostUnsent = 300
const batchSize = 50

/**
 * A tablet that works and sends without end, by the wire as the application does it: it keeps each record until it is answered for. What
 * befalls it comes from outside.
 */
export class Tablet {
  readonly kept: TabletKept
  readonly #url: string
  readonly #code: () => Promise<string>
  #cookies = new Map<string, string>()
  #pass: string | null = null
  #offset: number | null = null
  /** How far its clock is off, ms. */
  clock = 0
  isOffline = false
  #stopped = false

  constructor(url: string, kept: TabletKept, code: () => Promise<string>) {
    this.#url = url
    this.kept = kept
    this.#code = code
  }

  #now(): number {
    return Date.now() + this.clock
  }

  async #ask(path: string, body: unknown): Promise<{ status: number; body: unknown } | null> {
    if (this.isOffline) return null
    try {
      const answer = await fetch(`${this.#url}${path}`, {
        method: 'POST',
        headers: {
          'content-type': 'application/json',
          cookie: [...this.#cookies].map(([k, v]) => `${k}=${v}`).join('; '),
        },
        signal: AbortSignal.timeout(8000),
        body: JSON.stringify(body),
      })
      for (const set of answer.headers.getSetCookie()) {
        const [name = '', value = ''] = (set.split(';')[0] ?? '').split('=')
        this.#cookies.set(name, value)
      }
      return { status: answer.status, body: (await answer.json()) as unknown }
    } catch {
      return null
    }
  }

  async #signIn(): Promise<boolean> {
    const { person } = this.kept
    const device = `torture-${person}`
    if (!this.#cookies.has('tadka_tablet')) {
      const code = await this.#code().catch(() => null)
      if (code === null) return false
      const enrolled = await this.#ask('/api/tablets/enrol', { code, device, name: device })
      if (enrolled?.status !== 200) return false
    }
    const pin = people.find((p) => p.id === person)?.pin
    const entered = await this.#ask('/api/session/pin', { site: siteId, person, pin, device })
    if (entered?.status !== 200) return false
    const view = entered.body as { people: { id: string; pass: string }[]; serverTime: number }
    this.#pass = view.people.find((p) => p.id === person)?.pass ?? null
    this.#offset = view.serverTime - this.#now()
    return true
  }

  #work(): void {
    const { person, unsent } = this.kept
    if (this.#pass === null || unsent.length >= mostUnsent) return
    this.kept.counter += 1
    const draft = {
      id: v7(),
      site: siteId,
      type: 'run.parked@1',
      subject: { kind: 'run', id: `torture-${person}` },
      observedAt: this.#now(),
      device: `torture-${person}`,
      counter: this.kept.counter,
      by: person,
      payload: { run: `torture-${person}`, station: 'galley-bucket' },
    }
    unsent.push({ draft, provenance: { pass: this.#pass, offset: this.#offset } })
  }

  /** Sends what it has, once. */
  async #send(): Promise<void> {
    const batch = this.kept.unsent.slice(0, batchSize)
    if (batch.length === 0) return
    const sentAt = this.#now()
    const answer = await this.#ask(`/api/sites/${siteId}/records`, {
      sentAt,
      ...(this.#offset === null ? {} : { offset: this.#offset }),
      drafts: batch.map((u) => u.draft),
      provenance: batch.map((u) => u.provenance),
    })
    if (answer?.status === 401) return void (await this.#signIn())
    // The server is away, or cannot save now: again. Anything else is a fault of one of the two.
    if (answer === null || answer.status === 429 || answer.status >= 500) return pause(40)
    if (answer.status !== 200) throw new Error(`a batch was refused: ${JSON.stringify(answer.body)}`)
    const { outcomes, serverTime } = answer.body as {
      outcomes: { id: string; outcome: string; code?: string }[]
      serverTime: number
    }
    this.#offset = serverTime - sentAt
    for (const { id, outcome, code } of outcomes) {
      if (outcome === 'refused') this.kept.refused.push(`${id} ${code}`)
      else this.kept.acknowledged[id] = outcome === 'held' ? 'held' : 'stored'
    }
    const done = new Set(outcomes.map((o) => o.id))
    this.kept.unsent = this.kept.unsent.filter((u) => !done.has(u.draft.id))
  }

  /** Somebody signs out elsewhere, or the browser forgets. */
  loseSession(): void {
    this.#cookies.delete('tadka_session')
  }
  /** The page is opened anew: what it was told is gone, what it keeps is not. */
  reload(): void {
    this.#offset = null
  }

  /** Works and sends until it is told to stop. */
  async run(): Promise<void> {
    while (!this.#stopped) {
      if (this.#pass === null && !(await this.#signIn())) await pause(60)
      this.#work()
      await this.#send()
      await pause(5)
    }
  }
  /** Stops working, and sends what is left. */
  async finish(): Promise<void> {
    this.#stopped = true
    this.isOffline = false
    while (this.kept.unsent.length > 0) await this.#send()
  }
}
