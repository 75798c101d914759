import { catalogue, Refusal, type RefusalCode } from '@tadka/core/refusal'

/** The server could not be reached at all. */
export class Unreachable extends Error {}

interface Wire {
  code?: unknown
  details?: unknown
}

/** What an answer that is no yes says. */
export function refusalOf(status: number, body: unknown): Error {
  const wire = (body ?? {}) as Wire
  const known = typeof wire.code === 'string' && Object.hasOwn(catalogue, wire.code)
  if (!known && status >= 502) return new Unreachable()
  return new Refusal(
    known ? (wire.code as RefusalCode) : 'broken',
    (wire.details ?? {}) as Record<string, unknown>,
  )
}

/** How long an answer may take on patchy Wi-Fi before it is asked again. */
const patienceMs = 15_000

let acting = ''
/** Names the person acting in every request from now on. */
export const actAs = (person: string) => (acting = person)
export const actingNow = () => acting

/** Asks the server; throws a Refusal with its reason, or Unreachable. */
export async function ask<T>(method: 'GET' | 'POST' | 'DELETE', path: string, body?: unknown): Promise<T> {
  let response: Response
  try {
    response = await fetch(path, {
      method,
      signal: AbortSignal.timeout(patienceMs),
      headers: {
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(acting ? { 'tadka-acting': acting } : {}),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    })
  } catch {
    throw new Unreachable()
  }
  if (!response.ok) throw refusalOf(response.status, await response.json().catch(() => ({})))
  return (await response.json()) as T
}
