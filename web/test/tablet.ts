import { createPinia, setActivePinia } from 'pinia'
import type { AnyDraft, AnyRecord } from '@tadka/core/stream'
import { vi } from 'vitest'

/** A tablet without a browser: storage, a stream that the test speaks into, and a server that the test plays. */
export interface Tablet {
  readonly server: {
    /** Null while it cannot be reached. */
    answer: ((path: string, body: unknown) => { status: number; body: unknown }) | null
    readonly asked: { path: string; body: unknown }[]
  }
  readonly say: (event: string, data: unknown) => void
}

class Stream {
  static last: Stream | null = null
  readonly listeners = new Map<string, (e: { data: string }) => void>()
  constructor() {
    Stream.last = this
  }
  addEventListener(name: string, listener: (e: { data: string }) => void): void {
    this.listeners.set(name, listener)
  }
  close(): void {}
}

/** What the tabs of this tablet tell each other; a fresh tablet has none beside it. */
class Channel {
  static all: Channel[] = []
  onmessage: ((event: { data: unknown }) => void) | null = null
  constructor() {
    Channel.all.push(this)
  }
  postMessage(data: unknown): void {
    // A tab of an earlier tablet is heard by nobody.
    if (!Channel.all.includes(this)) return
    for (const other of Channel.all) if (other !== this) other.onmessage?.({ data })
  }
}

export function tablet(): Tablet {
  Channel.all = []
  const kept = new Map<string, string>()
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => void kept.set(k, v),
    removeItem: (k: string) => void kept.delete(k),
  })
  vi.stubGlobal('EventSource', Stream)
  vi.stubGlobal('BroadcastChannel', Channel)
  const server: Tablet['server'] = { answer: null, asked: [] }
  vi.stubGlobal('fetch', async (path: string, init: { body?: string | Blob }) => {
    const body: unknown = typeof init.body === 'string' ? JSON.parse(init.body) : null
    server.asked.push({ path, body })
    if (!server.answer) throw new TypeError('unreachable')
    const given = server.answer(path, body)
    return new Response(JSON.stringify(given.body), { status: given.status })
  })
  setActivePinia(createPinia())
  return {
    server,
    say: (event, data) =>
      Stream.last?.listeners.get(event)?.({ data: typeof data === 'string' ? data : JSON.stringify(data) }),
  }
}

/** The record that the server would make of a draft. */
export const stored = (draft: AnyDraft, seq: number): AnyRecord =>
  ({ ...draft, seq, receivedAt: draft.observedAt, clockOffset: 0, prev: '', flags: [] }) as AnyRecord
