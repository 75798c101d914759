import type { ServerResponse } from 'node:http'
import type { Pool } from '../db/pool.ts'
import { linksOf, type LinkRow } from '../stream/queries.ts'

const page = 200
/** News that comes so soon after the last is gathered, and told together; ms. */
const gatherMs = 60
/** A tablet that does not take what it is sent is hung up: it comes again, and resumes where it stands. Bytes. */
const mostUnsent = 4 * 1024 * 1024

/** A record as it is streamed, made once for all who hear it. */
interface Frame {
  readonly seq: number
  readonly text: string
}
const frameOf = ({ seq, text }: LinkRow): Frame => ({
  seq,
  text: `id: ${seq}\nevent: record\ndata: ${text}\n\n`,
})

/** One tablet's stream: where it stands, and how it catches up by itself where it lies behind. */
export class Listener {
  readonly session: number
  readonly #feed: Feed
  readonly #out: ServerResponse
  #after: number
  #reading = false
  #more = false

  constructor(feed: Feed, session: number, after: number, out: ServerResponse) {
    this.#feed = feed
    this.session = session
    this.#after = after
    this.#out = out
  }

  get after(): number {
    return this.#after
  }

  write(text: string): void {
    this.#out.write(text)
    if (this.#out.writableLength > mostUnsent) this.#out.destroy()
  }

  /** What it has had already is left out. */
  send(frames: readonly Frame[]): void {
    const fresh = frames.filter((f) => f.seq > this.#after)
    const last = fresh.at(-1)
    if (!last) return
    this.#after = last.seq
    this.write(fresh.map((f) => f.text).join(''))
  }

  /** Reads for itself what it has missed, page by page. */
  async catchUp(): Promise<void> {
    this.#more = true
    if (this.#reading) return
    this.#reading = true
    try {
      while (this.#more) {
        this.#more = false
        const frames = await this.#feed.read(this.#after)
        this.send(frames)
        if (frames.length === page) this.#more = true
      }
    } catch {
      // The database is away; the next notice, or the next heartbeat, tries again.
    } finally {
      this.#reading = false
    }
  }

  end(): void {
    this.#out.end()
  }
}

/** What a site's tablets hear: each new record is read once and sent to all who stand at the head. */
export class Feed {
  readonly site: string
  readonly listeners = new Set<Listener>()
  readonly #pool: Pool
  /** How far this feed has read; null before it has. */
  #head: number | null = null
  #reading = false
  #more = false
  #gathering = false

  constructor(pool: Pool, site: string) {
    this.#pool = pool
    this.site = site
  }

  async read(after: number): Promise<Frame[]> {
    return (await linksOf(this.#pool, this.site, after, page)).map(frameOf)
  }

  /** There may be news: it is read and told at once, or with what else comes in the next moment. */
  async wake(): Promise<void> {
    this.#more = true
    if (this.#reading || this.#gathering) return
    this.#reading = true
    try {
      while (this.#more && this.listeners.size > 0) {
        this.#more = false
        // Those who listen have read up to where they stand: from the farthest of them all there is only news.
        const from = this.#head ?? Math.max(...[...this.listeners].map((l) => l.after))
        const frames = await this.read(from)
        for (const listener of this.listeners)
          if (listener.after >= from) listener.send(frames)
          else void listener.catchUp()
        this.#head = frames.at(-1)?.seq ?? from
        if (frames.length < page) break
        this.#more = true
      }
    } catch {
      // As above.
    } finally {
      this.#reading = false
    }
    this.#gather()
  }

  #gather(): void {
    this.#gathering = true
    const told = () => {
      this.#gathering = false
      if (this.#more && this.listeners.size > 0) void this.wake()
    }
    setTimeout(told, gatherMs).unref()
  }
}
