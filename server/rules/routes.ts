import {
  dishMachineReading,
  hotWaterReading,
  sanitizerReading,
  utensilRoom,
  utensilsReading,
  washWaterReading,
} from '@tadka/contract/rules'
import {
  cleaningInterval,
  contactSeconds,
  judgeDishMachine,
  judgeHotWaterByHand,
  judgeSanitizer,
  judgeUtensils,
  judgeWashWater,
  modelCode,
  type SanitizerReading,
} from '@tadka/core/rules'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'

const described = (summary: string) => ({ tags: ['rules'], summary })

/** Judging for anyone who asks; nothing is stored, nobody need be signed in. */
export const rulesRoutes: FastifyPluginAsyncZod = async (app) => {
  app.post(
    '/api/judge/sanitizer',
    {
      schema: {
        ...described('A sanitizer in solution held against the code, the label and the local authority'),
        body: sanitizerReading,
      },
    },
    async ({ body }) => {
      const reading = body as SanitizerReading
      return {
        judgement: judgeSanitizer(modelCode, reading),
        contactSeconds: contactSeconds(modelCode, reading),
      }
    },
  )

  app.post(
    '/api/judge/dish-machine',
    {
      schema: {
        ...described('Wash, final rinse, pressure and surface of a dish machine'),
        body: dishMachineReading,
      },
    },
    async ({ body }) => ({ judgement: judgeDishMachine(body) }),
  )

  app.post(
    '/api/judge/hot-water',
    { schema: { ...described('Sanitizing by hand in hot water'), body: hotWaterReading } },
    async ({ body }) => ({ judgement: judgeHotWaterByHand(body.temperature, body.seconds) }),
  )

  app.post(
    '/api/judge/wash-water',
    { schema: { ...described('Wash water in the sink'), body: washWaterReading } },
    async ({ body }) => ({ judgement: judgeWashWater(body.temperature, body.label) }),
  )

  app.post(
    '/api/judge/utensils',
    {
      schema: {
        ...described('Utensils in use with TCS food, and how long since they were cleaned'),
        body: utensilsReading,
      },
    },
    async ({ body }) => ({ judgement: judgeUtensils(body) }),
  )

  app.post(
    '/api/cleaning-interval',
    { schema: { ...described('How often utensils in use with TCS food are cleaned'), body: utensilRoom } },
    async ({ body }) => cleaningInterval(body.room),
  )
}
