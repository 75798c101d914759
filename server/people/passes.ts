import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto'
import type { Role } from '@tadka/core/rights'
import type { Pool } from '../db/pool.ts'

/** What a pass says: who was signed in, in which session of which site's tablet. */
interface Claims {
  readonly site: string
  readonly session: number
  readonly person: string
  readonly device: string
  /** When they signed in, milliseconds UTC. */
  readonly since: number
}

/**
 * Passes: what the server signs at sign-in, and drafts carry. By it what was done without network is known as that person's work on that
 * tablet, however the session has ended meanwhile. How long somebody stayed is not in it: the server knows that by itself.
 */
export class Passes {
  readonly #pool: Pool
  #key: Promise<Buffer> | null = null

  constructor(pool: Pool) {
    this.#pool = pool
  }

  /** Made once over a database, and kept with it. */
  #signedWith(): Promise<Buffer> {
    this.#key ??= this.#pool
      .query('insert into signing_key (id, key) values (1, $1) on conflict do nothing', [randomBytes(32)])
      .then(() => this.#pool.query<{ key: Buffer }>('select key from signing_key'))
      .then(({ rows }) => {
        if (!rows[0]) throw new Error('there is no key to sign with')
        return rows[0].key
      })
      .catch((error: unknown) => {
        this.#key = null
        throw error
      })
    return this.#key
  }

  async #sign(text: string): Promise<Buffer> {
    return createHmac('sha256', await this.#signedWith())
      .update(text)
      .digest()
  }

  async make(claims: Claims): Promise<string> {
    const text = Buffer.from(JSON.stringify(claims)).toString('base64url')
    return `${text}.${(await this.#sign(text)).toString('base64url')}`
  }

  /** What a pass says; null where this server did not sign it. */
  async read(pass: string): Promise<Claims | null> {
    const [text = '', signed = ''] = pass.split('.')
    const [own, given] = [await this.#sign(text), Buffer.from(signed, 'base64url')]
    if (own.length !== given.length || !timingSafeEqual(own, given)) return null
    return JSON.parse(Buffer.from(text, 'base64url').toString()) as Claims
  }
}

/** A time that somebody was signed in on a tablet, and what became of that tablet. Milliseconds UTC. */
export interface Stay {
  readonly person: string
  readonly device: string
  readonly role: Role
  readonly from: number
  readonly to: number
  readonly revokedAt: number | null
}

/** The stays of a session, whether it is over or not. */
export async function staysOf(pool: Pool, site: string, session: number): Promise<Stay[]> {
  const sql = `
    select p.id as person, s.device, p.role, sp.signed_in_at as "from", t.revoked_at as "revokedAt",
      coalesce(sp.signed_out_at, (extract(epoch from s.expires_at) * 1000)::bigint) as "to"
    from session s
    join session_person sp on sp.session_id = s.id
    join person p on p.site_id = sp.site_id and p.id = sp.person_id
    left join tablet t on t.site_id = s.site_id and t.id = s.tablet_id
    where s.id = $2 and s.site_id = $1 order by sp.signed_in_at`
  return (await pool.query<Stay>(sql, [site, session])).rows
}

const sessionMs = 16 * 3_600_000

/**
 * The stay that a pass alone tells of, where its session is not known: a backup was restored that is older. Null where it is known. What
 * is not known of it is how it ended: no session lasts longer than its time.
 */
export async function stayByPassAlone(pool: Pool, claims: Claims): Promise<Stay | null> {
  const sql = `
    select p.id as person, $3 as device, p.role, $4::bigint as "from", $4::bigint + $6::bigint as "to", t.revoked_at as "revokedAt"
    from person p left join tablet t on t.site_id = p.site_id and t.id = $3
    where p.site_id = $1 and p.id = $2 and not exists (select from session where id = $5)`
  const { site, person, device, since, session } = claims
  const values = [site, person, device, since, session, sessionMs]
  return (await pool.query<Stay>(sql, values)).rows[0] ?? null
}

declare module '../services/services.ts' {
  interface Services {
    readonly passes: Passes
  }
}
