import type { SessionView } from '@tadka/contract/people'
import type { FastifyReply, FastifyRequest } from 'fastify'
import type { Services } from '../services/services.ts'
import { enrolledTablet, sessionCookie, tabletCookie, tabletOf, type Tablet } from './guard.ts'
import type { PersonRow } from './queries.ts'
import { changeRights, tabletChange } from './rights.ts'
import { newToken, tokenHash } from './secrets.ts'
import * as sessions from './sessions.ts'
import { enrolTablet, type OnTablet } from './tablets.ts'

/** As long as browsers keep a cookie: 400 days. */
const tabletSeconds = 400 * 86_400
const sessionSeconds = 57_600

const held = (secure: boolean, maxAge: number) =>
  ({ path: '/', httpOnly: true, sameSite: 'strict', secure, maxAge }) as const

/** Makes the browser that asks a tablet of the site. @param by who lets it in; null for a code of the console. */
export async function enrolBrowser(
  { pool, queue, secure, now }: Services,
  reply: FastifyReply,
  site: string,
  { device: id, name }: { readonly device: string; readonly name: string },
  by: string | null,
): Promise<{ site: string; tablet: { id: string; name: string } }> {
  const token = newToken()
  await enrolTablet(pool, { site, id, name, tokenHash: tokenHash(token), by, at: now() })
  await changeRights({ pool, queue }, site, by ?? 'console', now(), [
    tabletChange(site, { tablet: id, name, removed: false }),
  ])
  reply.setCookie(tabletCookie, token, held(secure, tabletSeconds))
  return { site, tablet: { id, name } }
}

/** Who is signed in on a tablet, each with the pass that what they do there carries. */
export async function sessionOf({ passes, now }: Services, tablet: Tablet | null): Promise<SessionView> {
  const here = (tablet?.people ?? []).filter((p) => p.signed_out_at === null)
  const { site_id: site = null, device = null, id: session = 0 } = tablet?.session ?? {}
  const people = here.map(async ({ id, name, role, signed_in_at: since }) => ({
    id,
    name,
    role,
    pass: await passes.make({ site: site ?? '', session, person: id, device: device ?? '', since }),
  }))
  return { site, device, people: await Promise.all(people), serverTime: now() }
}

/**
 * Adds somebody to the session of the tablet that asks, or begins one. `on` is the tablet, where it became one just now; `until` when it ends
 * at the latest, milliseconds UTC: such a session is begun anew, and shared with nobody.
 */
export async function enterSession(
  services: Services,
  request: FastifyRequest,
  reply: FastifyReply,
  person: Pick<PersonRow, 'id' | 'site_id'>,
  device: string,
  { on, until }: { readonly on?: OnTablet; readonly until?: number } = {},
): Promise<SessionView> {
  const { pool, secure, now } = services
  const present = await tabletOf(pool, request)
  const tablet = on ?? (await enrolledTablet(pool, request))
  const isShared = until === undefined && present?.session.site_id === person.site_id
  let session = isShared ? present.session : null
  if (!session) {
    const token = newToken()
    session = await sessions.createSession(pool, {
      tokenHash: tokenHash(token),
      site: person.site_id,
      device,
      tablet: tablet?.site_id === person.site_id ? tablet.id : null,
      seconds: Math.min(sessionSeconds, Math.floor(((until ?? Number.POSITIVE_INFINITY) - now()) / 1000)),
    })
    reply.setCookie(sessionCookie, token, held(secure, sessionSeconds))
  }
  await sessions.addToSession(pool, session, person.id, now())
  return sessionOf(services, { session, people: await sessions.peopleOfSession(pool, session.id) })
}
