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

type Method = 'GET' | 'POST' | 'DELETE'

async function answered(method: Method, path: string, body: unknown, signal: AbortSignal): Promise<Response> {
  let response: Response
  try {
    response = await fetch(path, {
      method,
      signal,
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
  return response
}

/** Asks the server; throws a Refusal with its reason, or Unreachable. */
export async function ask<T>(method: Method, path: string, body?: unknown): Promise<T> {
  const response = await answered(method, path, body, AbortSignal.timeout(patienceMs))
  // What has nothing to say says nothing.
  return (response.status === 204 ? undefined : await response.json()) as T
}

/**
 * Asks for what takes long: `each` is told every line of the answer when it comes. Ends when `signal` does; throws as `ask` does,
 * and Unreachable where the answer breaks off.
 */
export async function askLines<T>(
  path: string,
  each: (line: T) => void,
  signal: AbortSignal,
  body?: unknown,
): Promise<void> {
  const response = await answered('POST', path, body, signal)
  const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  for (;;) {
    const got = await reader?.read().catch(() => {
      throw new Unreachable()
    })
    if (!got || got.done) break
    const lines = `${rest}${got.value}`.split('\n')
    rest = lines.pop() ?? ''
    for (const line of lines) each(JSON.parse(line) as T)
  }
}
