import type { AnsweredQuestion } from '@tadka/contract/honesty'
import type { Pool } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'

/** What was made of a site's questions, the newest first. */
export const answersOf = (pool: Pool, site: string): Promise<AnsweredQuestion[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select id, kind, person_id as person, up_to as "upTo", how, note, answered_by as by, answered_at as at
      from question_answer where site_id = $1 order by answered_at desc, id`
    return (await db.query<AnsweredQuestion>(sql, [site])).rows
  })

/** Keeps an answer; one that is kept already stays as it is. */
export const keepAnswer = (pool: Pool, site: string, a: AnsweredQuestion): Promise<void> =>
  inSite(pool, site, async (db) => {
    const sql = `
      insert into question_answer (site_id, id, kind, person_id, up_to, how, note, answered_by, answered_at)
      values ($1, $2, $3, $4, $5, $6, $7, $8, $9) on conflict do nothing`
    await db.query(sql, [site, a.id, a.kind, a.person, a.upTo, a.how, a.note, a.by, a.at])
  })
