import type { InForce } from '../procedure/in-force.ts'
import type { JudgedReading } from '../reading/reading.ts'

/** Turns the payload of one version into that of the next. */
export interface Upcast {
  readonly to: string
  readonly payload: (old: unknown) => unknown
  /** Only records that came after the server began to write what was in force; those of before keep folding as they did. */
  readonly judgedOnly?: boolean
}

const pick =
  (...names: string[]) =>
  (old: unknown): unknown =>
    Object.fromEntries(Object.entries(old as object).filter(([k]) => names.includes(k)))

/** By the `type@version` that is upcast. What tablets once sent with a step is no longer believed: it is left out. */
const currentUpcasts: Readonly<Record<string, Upcast>> = {
  'run.started@1': { to: 'run.started@2', judgedOnly: true, payload: pick('run', 'station', 'procedure') },
  'run.step.done@1': {
    to: 'run.step.done@2',
    judgedOnly: true,
    payload: pick('run', 'station', 'step', 'facts'),
  },
  'run.step.undone@1': { to: 'run.step.undone@2', judgedOnly: true, payload: pick('run', 'station', 'step') },
  'run.wait.started@1': {
    to: 'run.wait.started@2',
    judgedOnly: true,
    payload: pick('run', 'station', 'step'),
  },
}

/** What was sent of a reading gives way to what the site's own records made of it. */
function withJudged(type: string, payload: unknown, judged: JudgedReading): unknown {
  if (type !== 'record.amended@1') return { ...(payload as object), ...judged }
  const amended = payload as { readonly instead: object }
  return { ...amended, instead: { ...amended.instead, ...judged } }
}

/** A record as it stands in the log: of a reading, what the site's own records made of it. Its version stays what it was. */
export function asJudged<R extends { type: string; payload: unknown; inForce?: InForce }>(record: R): R {
  const judged = record.inForce?.judged
  return judged === undefined
    ? record
    : { ...record, payload: withJudged(record.type, record.payload, judged) }
}

/** A record's payload at its newest version, step by step; stored bytes stay as they are. */
export function upcast<R extends { type: string; payload: unknown; inForce?: InForce }>(
  record: R,
  upcasts = currentUpcasts,
): R {
  let { type, payload } = record
  for (let next = upcasts[type]; next; next = upcasts[type]) {
    if (next.judgedOnly && record.inForce === undefined) break
    payload = next.payload(payload)
    type = next.to
  }
  const judged = record.inForce?.judged
  if (judged !== undefined) payload = withJudged(type, payload, judged)
  return type === record.type && judged === undefined ? record : { ...record, type, payload }
}
