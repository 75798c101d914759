import { slug, words } from '@tadka/contract/stream'
import { allProcedures } from '@tadka/core/procedure'
import { asJudged } from '@tadka/core/record'
import { type AnyRecord } from '@tadka/core/stream'
import { Readable } from 'node:stream'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { begun } from '../work/work.ts'
import type { ExportAsked } from './export-job.ts'
import type { Actor } from '../people/guard.ts'
import { keepLook, linkOf } from '../people/inspections.ts'
import * as queries from '../stream/queries.ts'
import { aboutOnly, onlySome } from './only.ts'
import { logCounts, logPage, namedBy, type LogFilter, type Term } from './find-queries.ts'

const site = z.object({ site: slug })
const whole = z.coerce.number().int().min(0)
const listed = words(800).transform((text) => text.split(',').filter(Boolean))
const filter = z.object({
  before: whole.optional(),
  from: whole.optional(),
  to: whole.optional(),
  limit: z.coerce.number().int().min(1).max(200).default(60),
  kind: slug.optional(),
  subject: slug.optional(),
  types: listed.optional(),
  /** Types left out where all others are asked for. */
  without: listed.optional(),
  stations: listed.optional(),
  person: slug.optional(),
  verdicts: listed.optional(),
  words: words(80).optional(),
  only: z.enum(onlySome).optional(),
})

type Filter = z.infer<typeof filter>
/** Words that are looked for at once. */
const mostWords = 5

const exportJob = new URL('./export-job.ts', import.meta.url)
/** The whole log over a slow line; what takes longer is broken off. */
const exportMs = 10 * 60_000
const exportsAtMost = { max: 20, timeWindow: '1 minute' }

export const logRoutes =
  ({ pool, guard, work, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    /** A link shows its own period, whatever is asked, and that it was looked at is kept. Throws `link_ended`. */
    async function periodOf({ id, site: where }: Actor, asked: Filter) {
      const own = await linkOf(pool, where, id, now())
      await keepLook(pool, where, id, 'entries', now())
      return {
        from: Math.max(asked.from ?? 0, own.from),
        to: Math.min(asked.to ?? own.endsAt, own.endsAt),
        ...(own.station === null ? {} : { stations: [own.station] }),
      }
    }
    async function asFilter(actor: Actor, q: Filter): Promise<LogFilter> {
      const { before = null, from = null, to = null, kind = null, subject = null, person = null } = q
      const { types = null, without = null, stations = null, verdicts = null } = q
      const said = (q.words ?? '').split(/\s+/).filter(Boolean).slice(0, mostWords)
      const procedures = (text: string) =>
        allProcedures().flatMap((p) => (p.name.toLowerCase().includes(text.toLowerCase()) ? p.id : []))
      const term = async (word: string): Promise<Term> => ({
        word,
        ids: [...(await namedBy(pool, actor.site, word)), ...procedures(word)],
      })
      const about = q.only
        ? (await aboutOnly(pool, actor.site, q.only, now(), { from, to })).map((a) => a.id)
        : null
      return {
        ...{ before, from, to, kind, subject, types, without, stations, person, verdicts, about },
        ...{ limit: q.limit, terms: await Promise.all(said.map(term)) },
        ...(actor.role === 'inspector' ? await periodOf(actor, q) : {}),
      }
    }

    app.get(
      '/api/sites/:site/log/counts',
      { schema: { params: site, querystring: filter } },
      async (request) => {
        const actor = await guard.actor(request, request.params.site, 'inspect')
        const where = request.params.site
        const asked = await asFilter(actor, request.query)
        const { from, to, stations, person, verdicts } = asked
        const count = async (only: (typeof onlySome)[number]) => {
          const all = await aboutOnly(pool, where, only, now(), { from, to })
          return all.filter((a) => stations?.includes(a.station ?? '-') ?? true).length
        }
        const counted = logCounts(pool, where, asked)
        // They are counted as whole cleanings: one person's entries of them, or those with a word, are not.
        if (person !== null || verdicts !== null || asked.terms.length > 0) return counted
        const [counts, late, open] = await Promise.all([counted, count('late'), count('open')])
        return { ...counts, only: { late, open } }
      },
    )

    app.get('/api/sites/:site/log', { schema: { params: site, querystring: filter } }, async (request) => {
      const actor = await guard.actor(request, request.params.site, 'inspect')
      const links = await logPage(pool, request.params.site, await asFilter(actor, request.query))
      const records = links.map((l) => ({ ...asJudged(JSON.parse(l.text) as AnyRecord), hash: l.hash }))
      // What a reading that was not in led to stands beside it.
      const failed = records.filter(
        (r) => r.type === 'reading.taken@1' && r.payload.judgement.overall !== 'in',
      )
      const ids = failed.map((r) => r.id)
      // What a step is called stands in its run.
      const runs = new Set(
        records.flatMap((r) =>
          'run' in r.payload && typeof r.payload.run === 'string' ? r.payload.run : [],
        ),
      )
      const { site: where } = request.params
      return {
        records,
        cases: await queries.statesOf(pool, where, 'case', ids),
        runs: await queries.statesOf(pool, where, 'run', [...runs]),
      }
    })

    app.get(
      '/api/sites/:site/log.json',
      { config: { rateLimit: exportsAtMost }, schema: { params: site } },
      async (request, reply) => {
        const { site: where } = request.params
        await guard.actor(request, where, 'export-log')
        const pieces = await begun(work.pieces<ExportAsked, string>(exportJob, { site: where }, exportMs))
        return reply
          .header('content-type', 'application/json; charset=utf-8')
          .header('content-disposition', `attachment; filename="${where}-log.json"`)
          .send(Readable.from(pieces))
      },
    )
  }
