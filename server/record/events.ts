import type { ServerResponse } from 'node:http'
import pg from 'pg'
import type { Pool } from '../db/pool.ts'
import { linksOf } from './queries.ts'

const page = 200
const heartbeatMs = 15_000
const relistenMs = 500

/** One tablet's stream: sends what it has not had yet, in order, and sleeps until told that there is more. */
class Subscription {
  #sending = false
  #more = false
  readonly site: string
  readonly #pool: Pool
  readonly #out: ServerResponse
  #after: number

  constructor(pool: Pool, site: string, after: number, out: ServerResponse) {
    this.#pool = pool
    this.site = site
    this.#after = after
    this.#out = out
  }

  beat(serverTime: number): void {
    this.#out.write(`event: time\ndata: ${serverTime}\n\n`)
  }

  async wake(): Promise<void> {
    this.#more = true
    if (this.#sending) return
    this.#sending = true
    try {
      while (this.#more) {
        this.#more = false
        const links = await linksOf(this.#pool, this.site, this.#after, page)
        for (const { seq, text } of links) {
          this.#out.write(`id: ${seq}\nevent: record\ndata: ${text}\n\n`)
          this.#after = seq
        }
        if (links.length === page) this.#more = true
      }
    } catch {
      // The database is away; the next notice, or the next heartbeat, tries again.
    } finally {
      this.#sending = false
    }
  }
}

/** Tells the tablets of this process what was appended by any process, by LISTEN on a connection of its own. */
export class EventHub {
  readonly #pool: Pool
  readonly #url: string
  readonly #now: () => number
  readonly #subscriptions = new Set<Subscription>()
  #listener: pg.Client | null = null
  #beat: NodeJS.Timeout | null = null
  #retry: NodeJS.Timeout | null = null
  #closed = false

  constructor(pool: Pool, url: string, now: () => number) {
    this.#pool = pool
    this.#url = url
    this.#now = now
  }

  async open(): Promise<void> {
    this.#beat = setInterval(() => {
      for (const s of this.#subscriptions) {
        s.beat(this.#now())
        void s.wake()
      }
    }, heartbeatMs)
    await this.#listen()
  }

  async #listen(): Promise<void> {
    if (this.#closed) return
    const client = new pg.Client({ connectionString: this.#url })
    let gone = false
    const again = () => {
      if (gone || this.#closed) return
      gone = true
      this.#retry = setTimeout(() => void this.#listen(), relistenMs)
    }
    client.on('error', again)
    client.on('end', again)
    client.on('notification', ({ payload }) => this.#notice(payload))
    try {
      await client.connect()
      await client.query('listen tadka_record')
      this.#listener = client
      for (const s of this.#subscriptions) void s.wake()
    } catch {
      again()
    }
  }

  #notice(payload: string | undefined): void {
    const { site } = JSON.parse(payload ?? '{}') as { site?: string }
    for (const s of this.#subscriptions) if (s.site === site) void s.wake()
  }

  /** Streams a site's records after `after` until the tablet goes away. */
  subscribe(site: string, after: number, out: ServerResponse): void {
    const subscription = new Subscription(this.#pool, site, after, out)
    this.#subscriptions.add(subscription)
    out.on('close', () => this.#subscriptions.delete(subscription))
    subscription.beat(this.#now())
    void subscription.wake()
  }

  async close(): Promise<void> {
    this.#closed = true
    if (this.#beat) clearInterval(this.#beat)
    if (this.#retry) clearTimeout(this.#retry)
    await this.#listener?.end().catch(() => {})
  }
}
