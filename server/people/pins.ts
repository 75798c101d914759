import { verify } from '@node-rs/argon2'
import { may, type Permission } from '@tadka/core/rights'
import { wrongPinsBeforeLock } from '@tadka/core/people'
import { Refusal } from '@tadka/core/refusal'
import type { Pool } from '../db/pool.ts'
import type { Tablet } from './guard.ts'
import { findPerson, type PersonRow } from './queries.ts'
import { unknownHash } from './secrets.ts'
import { clearTries, takeTry, type OnTablet } from './tablets.ts'
import { Waits } from './waits.ts'

/** Wrong PINs that are taken at once; after them the name waits on that tablet. */
const freeTries = 5

/** The one place where a PIN is tried: on an enrolled tablet of the person's own site only. */
export class Pins {
  readonly #pool: Pool
  readonly #now: () => number
  readonly #waits = new Waits(freeTries)

  constructor(pool: Pool, now: () => number) {
    this.#pool = pool
    this.#now = now
  }

  /**
   * A try is taken before it is verified. Wrong ones make the name wait on that tablet, and after the tenth its PIN is locked there.
   * Throws `tablet_not_enrolled`, `wrong_pin`, `pin_locked`, `too_often`.
   */
  async check(tablet: OnTablet | null, id: string, pin: string): Promise<PersonRow> {
    if (!tablet) throw new Refusal('tablet_not_enrolled')
    const key = `${tablet.site_id} ${tablet.id} ${id}`
    this.#waits.take(key, this.#now())
    const person = await findPerson(this.#pool, tablet.site_id, id)
    const stored = person?.pin_hash
    const taken = stored ? await takeTry(this.#pool, tablet, id) : 0
    // An unknown name takes as long to refuse as a wrong PIN, and a locked one too.
    const right = await verify(taken === null ? await unknownHash : (stored ?? (await unknownHash)), pin)
    if (!person || !stored) throw new Refusal('wrong_pin')
    if (taken === null) throw new Refusal('pin_locked')
    if (right) {
      this.#waits.clear(key)
      await clearTries(this.#pool, tablet.site_id, id, tablet.id)
      return person
    }
    const triesLeft = wrongPinsBeforeLock - taken
    throw new Refusal(triesLeft === 0 ? 'pin_locked' : 'wrong_pin', { triesLeft })
  }

  /** Somebody's PIN on the tablet of a session. Throws as `check` does. */
  prove({ session }: Tablet, id: string, pin: string): Promise<PersonRow> {
    const on = session.tablet_id === null ? null : { site_id: session.site_id, id: session.tablet_id }
    return this.check(on, id, pin)
  }

  /**
   * Whether somebody may do a thing, proved by their own PIN at this moment: one that somebody else chose is nobody's own. Throws as
   * `check` does, `pin_to_change`, and `not_allowed`.
   */
  async own(tablet: Tablet, id: string, pin: string, needs: Permission): Promise<PersonRow> {
    const person = await this.prove(tablet, id, pin)
    if (person.pin_to_change) throw new Refusal('pin_to_change')
    if (!may(person.role, needs)) throw new Refusal('not_allowed', { needs })
    return person
  }

  /** A name whose PIN was unlocked waits no more. */
  forget(site: string, id: string): void {
    this.#waits.clearWhere((key) => key.startsWith(`${site} `) && key.endsWith(` ${id}`))
  }
}

declare module '../services/services.ts' {
  interface Services {
    readonly pins: Pins
  }
}
