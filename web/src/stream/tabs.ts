import type { AnyDraft } from '@tadka/core/stream'
import type { RefusalWire } from '@tadka/core/refusal'
import type { Provenance } from './outbox.ts'

/** What one tab of this tablet tells the others. */
export type TabNews =
  | { readonly what: 'made'; readonly drafts: readonly AnyDraft[]; readonly provenance: Provenance }
  /** `seq` is the place in the chain; null where it is not in it. */
  | { readonly what: 'settled'; readonly id: string; readonly seq: number | null }
  | { readonly what: 'refused'; readonly draft: AnyDraft; readonly refusal: RefusalWire }
  | { readonly what: 'aside'; readonly id: string }

/** The other tabs of this tablet: told of what is made and sent here, and heard. Where the browser has no such thing, nobody is. */
export function otherTabs(hear: (news: TabNews) => void): (news: TabNews) => void {
  if (typeof BroadcastChannel === 'undefined') return () => {}
  const channel = new BroadcastChannel('tadka')
  channel.onmessage = (event: MessageEvent<TabNews>) => hear(event.data)
  // What a screen watches cannot be told as it is.
  return (news) => channel.postMessage(JSON.parse(JSON.stringify(news)))
}

/**
 * Does some work while no other tab of this tablet does it: one sends what all of them made. Where the browser has no locks, as over plain
 * HTTP, each does it; what is sent twice is known.
 */
export async function aloneInTablet(work: () => Promise<void>): Promise<void> {
  const locks = (globalThis.navigator as Partial<Navigator> | undefined)?.locks
  if (!locks) return work()
  await locks.request('tadka.sender', work)
}
