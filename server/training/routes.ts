import { countedRuns, signOffBody, watchBody } from '@tadka/contract/training'
import { slug } from '@tadka/contract/stream'
import { baseOf, type RunState } from '@tadka/core/procedure'
import { Refusal } from '@tadka/core/refusal'
import { lastDay, signOffFault, standingOf, standsByFault, stillToShow } from '@tadka/core/training'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import { findPerson } from '../people/queries.ts'
import type { Services } from '../services/services.ts'
import { refusalIn } from '../stream/append.ts'
import { stateOf } from '../stream/queries.ts'
import { appendSigned, type Signed } from '../stream/signed.ts'
import { countedRunsOf, onShiftAt, procedureToday, standingsOf, trainingKnown } from './people.ts'

const site = z.object({ site: slug })
const onePerson = site.extend({ person: slug })

/** What somebody is taught, by whom it is seen, and who says that they may do it alone. */
export const trainingRoutes =
  ({ pool, guard, pins, queue, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    /** Puts what somebody signed with their PIN in the log. Throws what refuses it. */
    async function keep(where: string, signed: Signed): Promise<void> {
      const refused = refusalIn(await appendSigned({ pool, queue }, where, now(), [signed]))
      if (refused) throw refused
    }

    app.get(
      '/api/sites/:site/training/:person',
      { schema: { params: onePerson, response: { 200: countedRuns } } },
      async (request) => {
        const { site: where, person } = request.params
        await guard.actor(request, where, 'read')
        const known = await trainingKnown(pool, where, now())
        const { training } = known.person(person)
        const standings = standingsOf(known, person, Object.keys(training?.of ?? {}))
        return { counted: Object.fromEntries(await countedRunsOf(pool, where, person, standings)) }
      },
    )

    app.post(
      '/api/sites/:site/training/watch',
      {
        schema: { params: site, body: watchBody },
        config: { rateLimit: { max: 30, timeWindow: '1 minute' } },
      },
      async (request, reply) => {
        const where = request.params.site
        const { person, pin, run: id } = request.body
        const acting = await guard.actor(request, where, 'record')
        const run = (await stateOf(pool, where, 'run', id))?.state as RunState | undefined
        if (!run || run.status === 'not-started') throw new Refusal('not_found')
        await pins.own(acting.tablet, person, pin, 'record')
        const known = await trainingKnown(pool, where, now())
        const procedure = run.document ?? procedureToday(known, run.procedure.id)
        if (!procedure) throw new Refusal('not_found')
        const fault = standsByFault({
          ...{ run, learner: acting.id, watcher: person },
          standing: standingOf(known.person(person), procedure),
          onShift: await onShiftAt(pool, where, known, person, now()),
        })
        if (fault) throw new Refusal(fault)
        const payload = {
          run: id,
          station: run.station,
          procedure: baseOf(run.procedure.id),
          learner: acting.id,
        }
        await keep(where, { type: 'run.watched@1', subject: { kind: 'run', id }, by: person, payload })
        return reply.code(204).send()
      },
    )

    app.post(
      '/api/sites/:site/training/sign-off',
      {
        schema: { params: site, body: signOffBody },
        config: { rateLimit: { max: 30, timeWindow: '1 minute' } },
      },
      async (request, reply) => {
        const where = request.params.site
        const { person, pin, learner, procedures } = request.body
        const acting = await guard.actor(request, where, 'sign-off')
        if (acting.id !== person) throw new Refusal('not_allowed', { needs: 'their own PIN' })
        if (!(await findPerson(pool, where, learner))) throw new Refusal('not_found')
        const known = await trainingKnown(pool, where, now())
        const of = procedures.map((id) => procedureToday(known, id))
        const found = of.filter((p) => p !== null)
        if (found.length < of.length) throw new Refusal('not_found')
        const standings = found.map((p) => standingOf(known.person(learner), p))
        const counted = await countedRunsOf(pool, where, learner, standings)
        const left = standings.map((s) =>
          stillToShow(s, counted.get(s.procedure) ?? { shown: 0, watched: 0 }, known.rule),
        )
        const fault = signOffFault(person, learner, left)
        if (fault) throw new Refusal(fault, { left })
        await pins.own(acting.tablet, person, pin, 'sign-off')
        const until = known.rule.months === null ? null : lastDay(known.day, known.rule.months)
        const payload = { procedures: found.map(({ id, version }) => ({ id, version })), until }
        const subject = { kind: 'training', id: learner } as const
        await keep(where, { type: 'training.signed@1', subject, by: person, payload })
        return reply.code(204).send()
      },
    )
  }
