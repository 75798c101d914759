import { answersBody, askedCheck, beginCheckBody, comingAgain, markedCheck } from '@tadka/contract/training'
import { slug } from '@tadka/contract/stream'
import { fewestOfCheck, questionsFor, type LessonKnown } from '@tadka/core/lesson'
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
import { cardsOf, dropCards, keepCards, keepCheck, takeCheck, type KeptCard } from './check-queries.ts'
import { trainingKnown } from './people.ts'

const site = z.object({ site: slug })
const oneCheck = site.extend({ check: slug })
/** Nobody works on ten questions for longer. */
const checkMs = 4 * 3_600_000
/** Questions of a check that go over what was wrong before, at most. */
const againAtMost = 3

/** Questions on a procedure: asked of whoever acts, marked here, and what was wrong comes again. */
export const checkRoutes =
  ({ pool, guard, queue, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    /** Ten on a procedure, some of them what was wrong before. */
    function asked(lesson: LessonKnown | null, due: readonly KeptCard[], seed: number): readonly Put[] {
      const first = due.slice(0, againAtMost).map((c) => c.card)
      return lesson ? questionsFor(lesson, seed, first).map((question) => ({ question, known: lesson })) : []
    }
    /** What was wrong before alone; what nothing can be asked of any more is forgotten. */
    async function again(
      where: string,
      person: string,
      of: (procedure: string) => LessonKnown | null,
      due: readonly KeptCard[],
      seed: number,
    ): Promise<readonly Put[]> {
      const { put, gone } = questionsAgain(of, due, seed)
      if (gone.length > 0) await dropCards(pool, where, person, gone)
      return put
    }

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
        const put =
          procedure === null ? await again(where, person, of, due, seed) : asked(of(procedure), due, seed)
        if (put.length < (procedure === null ? 1 : fewestOfCheck)) throw new Refusal('nothing_to_ask')
        const check = { id: v4(), person, procedure: procedure && baseOf(procedure), begunAt: now() }
        await keepCheck(pool, where, { ...check, questions: put.map((p) => p.question) })
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
        const { answers } = request.body
        const of = { person, answers: answers.length, since: at - checkMs }
        const check = await takeCheck(pool, where, id, of)
        if (!check) throw new Refusal('check_over')
        const marked = check.questions.map((question, i) => ({
          question,
          right: answers[i] === question.right,
        }))
        const right = marked.filter((m) => m.right).length
        const { rule } = await trainingKnown(pool, where, at)
        const result = { asked: marked.length, right, passPercent: rule.passPercent }
        const { procedure } = check
        if (procedure !== null)
          await changeRights({ pool, queue }, where, person, at, [
            {
              id: v7(),
              type: 'training.checked@1',
              subject: { kind: 'training', id: person },
              payload: { procedure, ...result },
            },
          ])
        await keepCards(
          pool,
          where,
          person,
          cardsAfter(await cardsOf(pool, where, person), marked, procedure ?? '', at),
        )
        return {
          ...result,
          passed: passes(right, marked.length, rule.passPercent),
          counts: procedure !== null,
          questions: marked.map((m) => ({ right: m.question.right, because: m.question.because })),
        }
      },
    )
  }
