/** Turns the payload of one version into that of the next. */
export interface Lift {
  readonly to: string
  readonly payload: (old: unknown) => unknown
}

/** By the `type@version` that is lifted. No payload has a second version yet. */
const currentLifts: Readonly<Record<string, Lift>> = {}

/** Lifts a record's payload to the newest version, step by step; stored bytes stay as they are. */
export function lift<R extends { type: string; payload: unknown }>(record: R, lifts = currentLifts): R {
  let { type, payload } = record
  for (let next = lifts[type]; next; next = lifts[type]) {
    payload = next.payload(payload)
    type = next.to
  }
  return type === record.type ? record : { ...record, type, payload }
}
