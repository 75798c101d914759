import type { ServerResponse } from 'node:http'
import { Refusal } from '@tadka/core/refusal'
import pg from 'pg'
import type { Pool } from '../db/pool.ts'
import { openSessions } from '../people/sessions.ts'
import { Feed, Listener } from './feed.ts'

const heartbeatMs = 15_000
const relistenMs = 500
/** Open streams: the tabs of one tablet, and the tablets of one site. */
export const mostStreams = { session: 6, site: 250 } as const

/** Tells the tablets of this process what was appended by any process, by LISTEN on a connection of its own. */
export class EventHub {
  readonly #pool: Pool
  readonly #url: string
  readonly #now: () => number
  readonly #feeds = new Map<string, Feed>()
  #listener: pg.Client | null = null
  #beat: NodeJS.Timeout | null = null
  #retry: NodeJS.Timeout | null = null
  #closed = false

  constructor(pool: Pool, url: string, now: () => number) {
    this.#pool = pool
    this.#url = url
    this.#now = now
  }

  /** How many streams are open. */
  get streams(): number {
    return [...this.#feeds.values()].reduce((n, f) => n + f.listeners.size, 0)
  }

  async open(): Promise<void> {
    this.#beat = setInterval(() => void this.#heartbeat(), heartbeatMs)
    await this.#listen()
  }

  async #heartbeat(): Promise<void> {
    // Whatever ended a session, signing out here or elsewhere, a revocation, its time: its streams end too.
    await this.endGone().catch(() => {})
    const time = `event: time\ndata: ${this.#now()}\n\n`
    for (const feed of this.#feeds.values()) {
      for (const listener of feed.listeners) listener.write(time)
      void feed.wake()
    }
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
      for (const feed of this.#feeds.values()) void feed.wake()
    } catch {
      again()
    }
  }

  #notice(payload: string | undefined): void {
    const { site } = JSON.parse(payload ?? '{}') as { site?: string }
    void this.#feeds.get(site ?? '')?.wake()
  }

  /**
   * Streams a site's records after `after` until the tablet goes away or its session ends. The oldest stream of a session that has
   * too many is hung up. Throws `too_often` where the site has as many as it may.
   */
  subscribe(site: string, session: number, after: number, open: () => ServerResponse): void {
    const feed = this.#feeds.get(site) ?? new Feed(this.#pool, site)
    const own = [...feed.listeners].filter((l) => l.session === session)
    if (own.length >= mostStreams.session) own[0]?.end()
    else if (feed.listeners.size >= mostStreams.site) throw new Refusal('too_often')
    const out = open()
    const listener = new Listener(feed, session, after, out)
    this.#feeds.set(site, feed)
    feed.listeners.add(listener)
    out.on('close', () => {
      feed.listeners.delete(listener)
      if (feed.listeners.size === 0 && this.#feeds.get(site) === feed) this.#feeds.delete(site)
    })
    listener.write(`event: time\ndata: ${this.#now()}\n\n`)
    void listener.catchUp()
  }

  /** Hangs up the streams whose session is over, or has nobody signed in any more. */
  async endGone(): Promise<void> {
    const all = [...this.#feeds.values()].flatMap((f) => [...f.listeners])
    if (all.length === 0) return
    const open = new Set(await openSessions(this.#pool, [...new Set(all.map((l) => l.session))]))
    for (const listener of all) if (!open.has(listener.session)) listener.end()
  }

  async close(): Promise<void> {
    this.#closed = true
    if (this.#beat) clearInterval(this.#beat)
    if (this.#retry) clearTimeout(this.#retry)
    await this.#listener?.end().catch(() => {})
  }
}

declare module '../services/services.ts' {
  interface Services {
    readonly hub: EventHub
  }
}
