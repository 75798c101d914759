import { get, type ClientRequest, Agent } from 'node:http'
import { setTimeout as pause } from 'node:timers/promises'
import { v7 } from 'uuid'
import type { Pool } from '../server/db/pool.ts'
import { siteId } from '../server/demo/house.ts'
import { newToken, tokenHash } from '../server/people/secrets.ts'
import { addToSession, createSession } from '../server/people/sessions.ts'
import { sessionCookie } from '../server/people/guard.ts'

/** So many tablets with one of the crew signed in on each: what each sends as its cookie. */
export async function sessionsFor(pool: Pool, count: number): Promise<string[]> {
  const made: string[] = []
  for (let i = 0; i < count; i++) {
    const token = newToken()
    const of = {
      tokenHash: tokenHash(token),
      site: siteId,
      device: `load-${i}`,
      tablet: null,
      seconds: 57_600,
    }
    await addToSession(pool, await createSession(pool, of), 'bao', Date.now() - 60_000)
    made.push(`${sessionCookie}=${token}`)
  }
  return made
}

let made = 0

/** A tablet that writes, one record a request. */
export class Writer {
  readonly #url: string
  readonly #cookie: string
  readonly #device = `load-${v7()}`
  #counter = 0
  stored = 0
  /** When each record was first sent, by its id; ms on this process' clock. */
  readonly offeredAt = new Map<string, number>()

  constructor(url: string, cookie: string) {
    this.#url = url
    this.#cookie = cookie
  }

  async #one(): Promise<void> {
    this.#counter += 1
    made += 1
    const run = `load-${made % 50}`
    const draft = {
      id: v7(),
      site: siteId,
      type: 'run.parked@1',
      subject: { kind: 'run', id: run },
      observedAt: Date.now(),
      device: this.#device,
      counter: this.#counter,
      by: 'bao',
      payload: { run, station: 'galley-bucket' },
    }
    this.offeredAt.set(draft.id, performance.now())
    const answer = await fetch(`${this.#url}/api/sites/${siteId}/records`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie: this.#cookie },
      body: JSON.stringify({ sentAt: Date.now(), drafts: [draft] }),
    })
    const { outcomes } = (await answer.json()) as { outcomes?: { outcome: string }[] }
    if (outcomes?.[0]?.outcome === 'accepted') this.stored += 1
  }

  /** Counts anew. */
  forget(): void {
    this.stored = 0
    this.offeredAt.clear()
  }

  /** Offers so many a second, whether or not the one before was answered. */
  async offer(perSecond: number, seconds: number): Promise<void> {
    const sent: Promise<void>[] = []
    const from = performance.now()
    for (let i = 0; i < perSecond * seconds; i++) {
      await pause(Math.max(0, from + (i * 1000) / perSecond - performance.now()))
      sent.push(this.#one())
    }
    await Promise.all(sent)
  }

  /** One after another, as fast as they are answered. */
  async flatOut(seconds: number): Promise<void> {
    const until = performance.now() + seconds * 1000
    while (performance.now() < until) await this.#one()
  }
}

const idIn = /"id":"([0-9a-f-]{36})"/g

/** Tablets that hear what others write. */
export class Listeners {
  readonly #url: string
  readonly #cookies: readonly string[]
  readonly #agent = new Agent({ maxSockets: Infinity })
  #open: ClientRequest[] = []
  /** When each tablet heard of each record, by its id. */
  readonly #heardAt: Map<string, number>[] = []

  constructor(url: string, cookies: readonly string[]) {
    this.#url = url
    this.#cookies = cookies
  }

  async open(): Promise<void> {
    const after = await this.#head()
    await Promise.all(this.#cookies.map((cookie) => this.#listen(cookie, after)))
  }

  /** Where the chain stands: nobody reads again what was written before. */
  async #head(): Promise<number> {
    const [cookie] = this.#cookies
    if (!cookie) return 0
    const answer = await fetch(`${this.#url}/api/sites/${siteId}/state`, { headers: { cookie } })
    return ((await answer.json()) as { seq: number }).seq
  }

  #listen(cookie: string, after: number): Promise<void> {
    const heard = new Map<string, number>()
    this.#heardAt.push(heard)
    return new Promise((resolve, reject) => {
      const asked = get(
        `${this.#url}/api/sites/${siteId}/events?after=${after}`,
        { agent: this.#agent, headers: { cookie } },
        (answer) => {
          if (answer.statusCode !== 200) return reject(new Error(`a stream answered ${answer.statusCode}`))
          answer.setEncoding('utf8').on('data', (piece: string) => {
            const at = performance.now()
            for (const [, id] of piece.matchAll(idIn)) if (id && !heard.has(id)) heard.set(id, at)
          })
          resolve()
        },
      )
      asked.on('error', () => {})
      this.#open.push(asked)
    })
  }

  /** Waits until each tablet has heard of each record. Returns how long each waited for each, ms. */
  async all(offeredAt: ReadonlyMap<string, number>): Promise<number[]> {
    const lacks = () => this.#heardAt.some((h) => [...offeredAt.keys()].some((id) => !h.has(id)))
    for (let tries = 0; lacks(); tries++) {
      if (tries > 300) throw new Error('a tablet has not heard of a record')
      await pause(100)
    }
    return this.#heardAt.flatMap((h) => [...offeredAt].map(([id, at]) => (h.get(id) ?? Number.NaN) - at))
  }

  close(): void {
    for (const asked of this.#open) asked.destroy()
    this.#open = []
  }
}
