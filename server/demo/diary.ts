import { createHash } from 'node:crypto'
import type { AnyDraft, Draft, Payloads, RecordType, SubjectRef } from '@tadka/core/stream'
import { v7 } from 'uuid'

/** Collects drafts as a tablet would make them, with ids and counters that depend on the seed alone. */
export class Diary {
  readonly drafts: AnyDraft[] = []
  #counter = 0
  readonly #site: string
  readonly #device: string

  constructor(site: string, device: string) {
    this.#site = site
    this.#device = device
  }

  note<T extends RecordType>(
    at: number,
    by: string,
    type: T,
    subject: SubjectRef,
    payload: Payloads[T],
  ): AnyDraft {
    this.#counter += 1
    const random = createHash('sha256').update(`${this.#device} ${this.#counter}`).digest().subarray(0, 16)
    const draft: Draft<T> = {
      id: v7({ msecs: Math.round(at), random: new Uint8Array(random), seq: this.#counter }),
      site: this.#site,
      type,
      subject,
      observedAt: Math.round(at),
      device: this.#device,
      counter: this.#counter,
      by,
      payload,
    }
    this.drafts.push(draft as AnyDraft)
    return draft as AnyDraft
  }
}
