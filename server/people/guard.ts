import { may, type Permission, type Role } from '@tadka/core/rights'
import { Refusal } from '@tadka/core/refusal'
// Requests have cookies by it.
import type {} from '@fastify/cookie'
import type { FastifyRequest } from 'fastify'
import type { Pool } from '../db/pool.ts'
import { tokenHash } from './secrets.ts'
import { findSession, peopleOfSession, type SessionRow, type SignedIn } from './sessions.ts'
import { findTablet, type TabletRow } from './tablets.ts'

export const sessionCookie = 'tadka_session'
export const tabletCookie = 'tadka_tablet'

/** The enrolled tablet that a request comes from; null for any other browser. */
export async function enrolledTablet(pool: Pool, request: FastifyRequest): Promise<TabletRow | null> {
  const token = request.cookies[tabletCookie]
  return token ? findTablet(pool, tokenHash(token)) : null
}

export interface Tablet {
  readonly session: SessionRow
  /** Signed in now, and signed out earlier in this session. */
  readonly people: readonly SignedIn[]
}

export async function tabletOf(pool: Pool, request: FastifyRequest): Promise<Tablet | null> {
  const token = request.cookies[sessionCookie]
  if (!token) return null
  const session = await findSession(pool, tokenHash(token))
  return session && { session, people: await peopleOfSession(pool, session.id) }
}

export interface Actor {
  readonly id: string
  readonly role: Role
  readonly site: string
  readonly tablet: Tablet
}

/** The one place where the server decides who may do what. The person acting is named by the header `tadka-acting`. */
export class Guard {
  readonly #pool: Pool

  constructor(pool: Pool) {
    this.#pool = pool
  }

  /** Throws `not_signed_in`, `wrong_site`. */
  async tablet(request: FastifyRequest, site: string): Promise<Tablet> {
    const tablet = await tabletOf(this.#pool, request)
    if (!tablet || !tablet.people.some((p) => p.signed_out_at === null)) throw new Refusal('not_signed_in')
    if (tablet.session.site_id !== site) throw new Refusal('wrong_site')
    return tablet
  }

  /** Somebody who works there is signed in on the tablet that asks, at whatever site. Throws `not_signed_in`, `not_allowed`. */
  async anybody(request: FastifyRequest): Promise<void> {
    const tablet = await tabletOf(this.#pool, request)
    const present = tablet?.people.filter((p) => p.signed_out_at === null) ?? []
    if (present.length === 0) throw new Refusal('not_signed_in')
    if (!present.some((p) => may(p.role, 'read'))) throw new Refusal('not_allowed', { needs: 'read' })
  }

  /** Throws `not_signed_in`, `wrong_site`, `not_allowed`. */
  async actor(request: FastifyRequest, site: string, permission: Permission): Promise<Actor> {
    const tablet = await this.tablet(request, site)
    const present = tablet.people.filter((p) => p.signed_out_at === null)
    const named = request.headers['tadka-acting']
    const person = named === undefined ? present.at(-1) : present.find((p) => p.id === named)
    if (!person) throw new Refusal('not_signed_in')
    if (!may(person.role, permission)) throw new Refusal('not_allowed', { needs: permission })
    return { id: person.id, role: person.role, site, tablet }
  }
}

/** Clocks and sign-ins do not agree to the second. */
export const draftSlackMs = 120_000

declare module '../services/services.ts' {
  interface Services {
    readonly guard: Guard
  }
}
