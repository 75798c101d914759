import type { DraftOutcome } from '@tadka/contract/record'
import type { AnyDraft } from '@tadka/core/record'
import { Refusal, type RefusalWire } from '@tadka/core/refusal'
import { computed, ref, shallowRef, triggerRef } from 'vue'
import { ask } from '../wire/api.ts'
import { clockOffset, learnServerTime, ownClock } from '../wire/clock.ts'
import { allKept, forget, keep, markTaken, type Provenance, type Kept } from './outbox.ts'

const batchSize = 50
const longestPauseMs = 8000

interface Answer {
  serverTime: number
  outcomes: DraftOutcome[]
}

/**
 * Sends drafts in order, one batch at a time, again and again until each is accepted, known or refused. Refused ones
 * stay, with their reason, until someone puts them aside. `settled` is told the place in the chain, or null for a refusal.
 */
export function makeSender(site: () => string | null, settled: (id: string, seq: number | null) => void) {
  const waiting = shallowRef<AnyDraft[]>([])
  /** What goes with each that waits, by its id. */
  const provenanceOf = new Map<string, Provenance>()
  /** How many of this page's went to a manager to be decided. */
  const held = ref(0)
  const refused = ref<{ draft: AnyDraft; refusal: RefusalWire }[]>([])
  const signedOut = ref(false)
  /** Something that was made here could not be kept: it lives only as long as this page is open. */
  const unkept = ref(false)
  let sending = false
  let pause = 500
  let timer: ReturnType<typeof setTimeout> | null = null

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
    void send()
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
      while (waiting.value.length > 0) await sendSome()
      pause = 500
    } catch (error) {
      signedOut.value = error instanceof Refusal && error.code === 'not_signed_in'
      timer = setTimeout(() => void send(), pause)
      pause = Math.min(pause * 2, longestPauseMs)
    } finally {
      sending = false
    }
  }

  async function sendSome(): Promise<void> {
    const batch = waiting.value.slice(0, batchSize)
    const where = batch[0]?.site ?? site()
    const drafts = batch.filter((d) => d.site === where)
    const provenance = drafts.map(({ id }) => provenanceOf.get(id) ?? { pass: null, offset: null })
    const body = { sentAt: ownClock(), offset: clockOffset.value, drafts, provenance }
    const answer = await ask<Answer>('POST', `/api/sites/${where}/records`, body)
    learnServerTime(answer.serverTime, body.sentAt)
    signedOut.value = false
    const done = new Set(body.drafts.map((d) => d.id))
    // Noted first: a tablet that is started anew in between sends once more, and finds it known.
    await markTaken(
      body.drafts.flatMap(({ id }, i) => {
        const outcome = answer.outcomes[i]
        return outcome && isTaken(outcome) ? [{ id, at: outcome.seq ?? 0 }] : []
      }),
    ).catch(() => {})
    body.drafts.forEach((draft, i) => settle(draft, answer.outcomes[i]))
    for (const id of done) provenanceOf.delete(id)
    waiting.value = waiting.value.filter((d) => !done.has(d.id))
    if (waiting.value.length === 0) unkept.value = false
  }

  function settle(draft: AnyDraft, outcome: DraftOutcome | undefined): void {
    if (outcome && isTaken(outcome)) return settled(draft.id, outcome.seq ?? 0)
    if (outcome?.outcome === 'held') {
      // It lies on the server, whole: this tablet need not keep it.
      held.value += 1
      void forget([draft.id]).catch(() => {})
      return settled(draft.id, null)
    }
    const refusal = {
      code: outcome?.code ?? 'broken',
      message: outcome?.message ?? '',
      details: outcome?.details ?? {},
    } as RefusalWire
    refused.value.push({ draft, refusal })
    settled(draft.id, null)
    void keepAll([asKept(draft, refusal)])
  }

  async function putAside(id: string): Promise<void> {
    refused.value = refused.value.filter((r) => r.draft.id !== id)
    await forget([id])
  }

  return {
    waiting,
    refused,
    held,
    signedOut,
    unkept,
    unsent: computed(() => waiting.value.length),
    restore,
    add,
    send,
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
