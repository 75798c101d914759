import type { Question } from '@tadka/core/lesson'
import type { Card } from 'ts-fsrs'
import { inSite } from '../db/transaction.ts'
import type { Pool } from '../db/pool.ts'

export interface KeptCheck {
  readonly id: string
  readonly person: string
  /** Null: it goes over what was wrong before. */
  readonly procedure: string | null
  readonly begunAt: number
  readonly questions: readonly Question[]
}

/** Keeps what is asked; what somebody began before and never answered goes. */
export const keepCheck = (pool: Pool, site: string, c: KeptCheck): Promise<void> =>
  inSite(pool, site, async (db) => {
    await db.query('delete from training_check where site_id = $1 and person_id = $2', [site, c.person])
    const sql = `
      insert into training_check (site_id, id, person_id, procedure, begun_at, questions)
      values ($1, $2, $3, $4, $5, $6)`
    await db.query(sql, [site, c.id, c.person, c.procedure, c.begunAt, JSON.stringify(c.questions)])
  })

/**
 * Takes a check out, to be marked: once, and only with an answer to each question. Null where it is not there, is somebody else's, was begun
 * too long ago, or has another number of questions: then it stays. @param since milliseconds UTC.
 */
export const takeCheck = (
  pool: Pool,
  site: string,
  id: string,
  of: { readonly person: string; readonly answers: number; readonly since: number },
): Promise<KeptCheck | null> =>
  inSite(pool, site, async (db) => {
    const sql = `
      delete from training_check
      where site_id = $1 and id::text = $2 and person_id = $3 and jsonb_array_length(questions) = $4 and begun_at >= $5
      returning id, person_id as person, procedure, begun_at as "begunAt", questions`
    return (await db.query<KeptCheck>(sql, [site, id, of.person, of.answers, of.since])).rows[0] ?? null
  })

/** What somebody was asked before, and when it comes again. */
export interface KeptCard {
  readonly card: string
  readonly procedure: string
  readonly dueAt: number
  readonly wrong: boolean
  readonly state: Card
}

export const cardsOf = (pool: Pool, site: string, person: string): Promise<KeptCard[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select card, procedure, due_at as "dueAt", wrong, state from training_card
      where site_id = $1 and person_id = $2 order by due_at, card`
    return (await db.query<KeptCard>(sql, [site, person])).rows
  })

export const keepCards = (
  pool: Pool,
  site: string,
  person: string,
  cards: readonly KeptCard[],
): Promise<void> =>
  inSite(pool, site, async (db) => {
    const sql = `
      insert into training_card (site_id, person_id, card, procedure, due_at, wrong, state)
      select $1, $2, c.card, c.procedure, c."dueAt", c.wrong, c.state
      from json_to_recordset($3) as c (card text, procedure text, "dueAt" bigint, wrong boolean, state jsonb)
      on conflict (site_id, person_id, card) do update
      set procedure = excluded.procedure, due_at = excluded.due_at, wrong = excluded.wrong, state = excluded.state`
    await db.query(sql, [site, person, JSON.stringify(cards)])
  })

/** Cards that nothing can be asked of any more: what they were about is gone. */
export const dropCards = (
  pool: Pool,
  site: string,
  person: string,
  cards: readonly string[],
): Promise<void> =>
  inSite(pool, site, async (db) => {
    await db.query('delete from training_card where site_id = $1 and person_id = $2 and card = any ($3)', [
      ...[site, person, cards],
    ])
  })
