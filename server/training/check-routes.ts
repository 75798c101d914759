import { answersBody, askedCheck, beginCheckBody, comingAgain, markedCheck } from '@tadka/contract/training'
import { slug } from '@tadka/contract/stream'
import { fewestOfCheck, questionsFor } from '@tadka/core/lesson'
import { baseOf } from '@tadka/core/procedure'
import { Refusal } from '@tadka/core/refusal'
import { passes } from '@tadka/core/training'
import { randomInt } from 'node:crypto'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { v4, v7 } from 'uuid'
import { z } from 'zod'
import { changeRights } from '../people/rights.ts'
import type { Services } from '../services/services.ts'
import { cardsAfter, dueAgain, lessonKnown, questionsAgain, type Put } from './asked.ts'
import { cardsOf, keepCards, keepCheck, takeCheck } from './check-queries.ts'
import { trainingKnown } from './people.ts'

const site = z.object({ site: slug })
const oneCheck = site.extend({ check: slug })
/** Nobody works on ten questions for longer. */
const checkMs = 4 * 3_600_000

/** Questions on a procedure: asked of whoever acts, marked here, and what was wrong comes again. */
export const checkRoutes =
  ({ pool, guard, queue, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    app.get(
      '/api/sites/:site/training-again',
      { schema: { params: site, response: { 200: comingAgain } } },
      async (request) => {
        const where = request.params.site
        const { id } = await guard.actor(request, where, 'record')
        return { due: dueAgain(await cardsOf(pool, where, id), now()).length }
      },
    )

    app.post(
      '/api/sites/:site/training-checks',
      {
        schema: { params: site, body: beginCheckBody, response: { 200: askedCheck } },
        config: { rateLimit: { max: 30, timeWindow: '1 minute' } },
      },
      async (request) => {
        const where = request.params.site
        const { id: person } = await guard.actor(request, where, 'record')
        const { procedure } = request.body
        const known = await trainingKnown(pool, where, now())
        const of = await lessonKnown(pool, where, known, now())
        const due = dueAgain(await cardsOf(pool, where, person), now())
        const seed = randomInt(2 ** 31)
        const lesson = procedure === null ? null : of(procedure)
        const put: readonly Put[] = lesson
          ? questionsFor(lesson, seed, due.map((c) => c.card).slice(0, 3)).map((question) => ({
              question,
              known: lesson,
            }))
          : procedure === null
            ? questionsAgain(of, due, seed)
            : []
        if (put.length < (procedure === null ? 1 : fewestOfCheck)) throw new Refusal('nothing_to_ask')
        const check = { id: v4(), person, procedure: baseOf(procedure ?? ''), begunAt: now() }
        const questions = put.map((p) => p.question)
        await keepCheck(pool, where, { ...check, again: procedure === null, questions })
        return {
          id: check.id,
          questions: put.map(({ question: { asks, answers }, known: on }) => ({
            asks,
            answers: [...answers],
            numbers: { of: on.parameters, units: on.procedure.parameters },
          })),
        }
      },
    )

    app.post(
      '/api/sites/:site/training-checks/:check',
      { schema: { params: oneCheck, body: answersBody, response: { 200: markedCheck } } },
      async (request) => {
        const { site: where, check: id } = request.params
        const { id: person } = await guard.actor(request, where, 'record')
        const at = now()
        const check = await takeCheck(pool, where, id, person, at)
        const { answers } = request.body
        if (!check || at - check.begunAt > checkMs || answers.length !== check.questions.length)
          throw new Refusal('check_over')
        const marked = check.questions.map((question, i) => ({
          question,
          right: answers[i] === question.right,
        }))
        const before = await cardsOf(pool, where, person)
        await keepCards(pool, where, person, cardsAfter(before, marked, check.procedure, at))
        const right = marked.filter((m) => m.right).length
        const { rule } = await trainingKnown(pool, where, at)
        const payload = {
          procedure: check.procedure,
          asked: marked.length,
          right,
          passPercent: rule.passPercent,
        }
        if (!check.again)
          await changeRights({ pool, queue }, where, person, at, [
            {
              id: v7(),
              type: 'training.checked@1',
              subject: { kind: 'training', id: person },
              payload,
            },
          ])
        return {
          ...payload,
          passed: passes(right, marked.length, rule.passPercent),
          counts: !check.again,
          questions: marked.map((m) => ({ right: m.question.right, because: m.question.because })),
        }
      },
    )
  }
