import type { DraftOutcome } from '@tadka/contract/stream'
import type { AnyDraft } from '@tadka/core/stream'
import { Refusal, type RefusalWire } from '@tadka/core/refusal'
import { computed, ref, shallowRef, triggerRef } from 'vue'
import { ask } from '../wire/api.ts'
import { clockOffset, learnServerTime, ownClock } from '../wire/clock.ts'
import { allKept, forget, keep, markTaken, unsendTaken, type Provenance, type Kept } from './outbox.ts'
import { aloneInTablet, otherTabs, type TabNews } from './tabs.ts'

const batchSize = 50
const longestPauseMs = 8000

interface Answer {
  serverTime: number
  outcomes: DraftOutcome[]
}

/** What whoever makes a sender is told. */
interface Told {
  /** The place in the chain of one that was taken, or null for one that is not in it. */
  readonly settled: (id: string, seq: number | null) => void
  /** These were made by another tab of this tablet, or are sent once more. */
  readonly joined: (drafts: readonly AnyDraft[]) => void
}

const nothingKnown: Provenance = { pass: null, offset: null }

/**
 * Sends drafts in order, one batch at a time, again and again until each is accepted, known or refused. Refused ones
 * stay, with their reason, until someone puts them aside. All tabs of a tablet have the same ones; one of them sends.
 */
export function makeSender(site: () => string | null, { settled, joined }: Told) {
  const waiting = shallowRef<AnyDraft[]>([])
  /** What goes with each that waits, by its id. */
  const provenanceOf = new Map<string, Provenance>()
  /** How many of this page's went to a manager to be decided. */
  const held = ref(0)
  const refused = ref<{ draft: AnyDraft; refusal: RefusalWire }[]>([])
  /** Why the last try did not go through; null where it did. */
  const stuck = ref<'unreachable' | RefusalWire | null>(null)
  /** Something that was made here could not be kept: it lives only as long as this page is open. */
  const unkept = ref(false)
  let sending = false
  let pause = 500
  let timer: ReturnType<typeof setTimeout> | null = null
  const tell = otherTabs(hear)

  function hear(news: TabNews): void {
    if (news.what === 'made') return join(news.drafts, () => news.provenance)
    if (news.what === 'settled') return done(news.id, news.seq)
    if (news.what === 'aside')
      return void (refused.value = refused.value.filter((r) => r.draft.id !== news.id))
    setRefused(news.draft, news.refusal)
  }

  /** Takes drafts in that this tab did not make. */
  function join(drafts: readonly AnyDraft[], from: (draft: AnyDraft) => Provenance): void {
    const known = new Set(waiting.value.map((d) => d.id))
    const fresh = drafts.filter((d) => !known.has(d.id))
    for (const draft of fresh) provenanceOf.set(draft.id, from(draft))
    waiting.value = [...waiting.value, ...fresh]
    joined(fresh)
    void send()
  }

  /** What was made here and is not in the states yet, with where it lies in the chain; what was not taken yet is sent. */
  async function restore(): Promise<{ draft: AnyDraft; at: number | null }[]> {
    const stored = await allKept()
    const known = new Set(waiting.value.map((d) => d.id))
    const old = stored.filter((k) => !k.refusal)
    for (const k of old) if (k.provenance) provenanceOf.set(k.id, k.provenance)
    const unsent = old.filter((k) => typeof k.at !== 'number' && !known.has(k.id))
    waiting.value = [...unsent.map((k) => k.draft), ...waiting.value]
    const told = new Set(refused.value.map((r) => r.draft.id))
    for (const { id, draft, refusal } of stored)
      if (refusal && !told.has(id)) refused.value.push({ draft, refusal })
    void send()
    return old.map(({ draft, at }) => ({ draft, at: at ?? null }))
  }

  function add(drafts: readonly AnyDraft[], provenance: Provenance): void {
    for (const draft of drafts) provenanceOf.set(draft.id, provenance)
    waiting.value.push(...drafts)
    triggerRef(waiting)
    void keepAll(drafts.map((draft) => ({ ...asKept(draft, null), provenance })))
    tell({ what: 'made', drafts, provenance })
    void send()
  }

  /** Sends once more all that was taken and is still here: the server does not have it any longer. Throws where it cannot be read. */
  async function sendAgain(): Promise<void> {
    const taken = await unsendTaken()
    const from = new Map(taken.map((k) => [k.id, k.provenance ?? nothingKnown]))
    join(
      taken.map((k) => k.draft),
      ({ id }) => from.get(id) ?? nothingKnown,
    )
  }

  async function keepAll(all: readonly Kept[]): Promise<void> {
    if (!(await keep(all))) unkept.value = true
  }

  async function send(): Promise<void> {
    if (sending) return
    sending = true
    if (timer) clearTimeout(timer)
    timer = null
    try {
      if (waiting.value.length > 0) await aloneInTablet(sendAll)
      pause = 500
      stuck.value = null
    } catch (error) {
      stuck.value = error instanceof Refusal ? (error.toWire() as RefusalWire) : 'unreachable'
      timer = setTimeout(() => void send(), pause)
      pause = Math.min(pause * 2, longestPauseMs)
    } finally {
      sending = false
    }
  }

  async function sendAll(): Promise<void> {
    while (waiting.value.length > 0) await sendSome()
  }

  async function sendSome(): Promise<void> {
    const batch = waiting.value.slice(0, batchSize)
    const where = batch[0]?.site ?? site()
    const drafts = batch.filter((d) => d.site === where)
    const provenance = drafts.map(({ id }) => provenanceOf.get(id) ?? nothingKnown)
    const body = { sentAt: ownClock(), offset: clockOffset.value, drafts, provenance }
    const answer = await ask<Answer>('POST', `/api/sites/${where}/records`, body)
    learnServerTime(answer.serverTime, body.sentAt)
    // Noted first: a tablet that is started anew in between sends once more, and finds it known.
    await markTaken(
      body.drafts.flatMap(({ id }, i) => {
        const outcome = answer.outcomes[i]
        // What waits for a manager lies on the server too, and in no chain.
        return outcome && outcome.outcome !== 'refused' ? [{ id, at: outcome.seq ?? 0 }] : []
      }),
      answer.serverTime,
    ).catch(() => {})
    body.drafts.forEach((draft, i) => settle(draft, answer.outcomes[i]))
    if (waiting.value.length === 0) unkept.value = false
  }

  function done(id: string, seq: number | null): void {
    provenanceOf.delete(id)
    waiting.value = waiting.value.filter((d) => d.id !== id)
    settled(id, seq)
  }

  function settle(draft: AnyDraft, outcome: DraftOutcome | undefined): void {
    const end = (seq: number | null) => {
      done(draft.id, seq)
      tell({ what: 'settled', id: draft.id, seq })
    }
    if (outcome && isTaken(outcome)) return end(outcome.seq ?? 0)
    if (outcome?.outcome === 'held') {
      held.value += 1
      return end(null)
    }
    const refusal = {
      code: outcome?.code ?? 'broken',
      message: outcome?.message ?? '',
      details: outcome?.details ?? {},
    } as RefusalWire
    setRefused(draft, refusal)
    tell({ what: 'refused', draft, refusal })
    void keepAll([asKept(draft, refusal)])
  }

  function setRefused(draft: AnyDraft, refusal: RefusalWire): void {
    refused.value.push({ draft, refusal })
    done(draft.id, null)
  }

  async function putAside(id: string): Promise<void> {
    refused.value = refused.value.filter((r) => r.draft.id !== id)
    tell({ what: 'aside', id })
    await forget([id])
  }

  return {
    waiting,
    refused,
    held,
    stuck,
    unkept,
    unsent: computed(() => waiting.value.length),
    restore,
    add,
    send,
    sendAgain,
    putAside,
  }
}

const isTaken = ({ outcome }: DraftOutcome) => outcome === 'accepted' || outcome === 'known'

const asKept = (draft: AnyDraft, refusal: RefusalWire | null): Kept => ({
  id: draft.id,
  order: draft.counter,
  draft,
  refusal,
  at: null,
})
