import { answerBody, type QuestionList } from '@tadka/contract/honesty'
import { slug } from '@tadka/contract/stream'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { answersOf, keepAnswer } from './queries.ts'
import { openQuestions } from './questions.ts'

const site = z.object({ site: slug })

/** What the log makes a manager ask, and what came of it: kept apart from the log, which others take away. */
export const questionRoutes =
  ({ pool, guard, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    app.get('/api/sites/:site/questions', { schema: { params: site } }, async (request) => {
      const where = request.params.site
      await guard.actor(request, where, 'ask-questions')
      const answered = await answersOf(pool, where)
      const list: QuestionList = { questions: await openQuestions(pool, where, now(), answered), answered }
      return list
    })

    app.post(
      '/api/sites/:site/questions',
      { schema: { params: site, body: answerBody } },
      async (request, reply) => {
        const where = request.params.site
        const { id: by } = await guard.actor(request, where, 'ask-questions')
        await keepAnswer(pool, where, { ...request.body, by, at: now() })
        return reply.code(204).send()
      },
    )
  }
