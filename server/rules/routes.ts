import {
  coldProductReading,
  dishMachineReading,
  heatDoseRead,
  icePointRead,
  stripRead,
  thermometerRead,
  titrationRead,
  hotWaterReading,
  sanitizerReading,
  utensilRoom,
  utensilsReading,
  washWaterReading,
} from '@tadka/contract/rules'
import {
  cleaningInterval,
  contactSeconds,
  icePoint,
  instrumentReading,
  judgeColdProduct,
  stripReading,
  titrationReading,
  judgeDishMachine,
  judgeHotWaterByHand,
  judgeSanitizer,
  judgeUtensils,
  judgeWashWater,
  modelCode,
  type SanitizerReading,
} from '@tadka/core/rules'
import { instant } from '@tadka/core/quantity'
import { heatDose } from '@tadka/core/warewash'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'

/** Judging for anyone who asks; nothing is stored, nobody need be signed in. */
export const rulesRoutes: FastifyPluginAsyncZod = async (app) => {
  app.post(
    '/api/judge/sanitizer',
    {
      schema: {
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
        body: dishMachineReading,
      },
    },
    async ({ body }) => ({ judgement: judgeDishMachine(body) }),
  )

  app.post('/api/judge/hot-water', { schema: { body: hotWaterReading } }, async ({ body }) => ({
    judgement: judgeHotWaterByHand(body.temperature, body.seconds),
  }))

  app.post('/api/judge/wash-water', { schema: { body: washWaterReading } }, async ({ body }) => ({
    judgement: judgeWashWater(body.temperature, body.label),
  }))

  app.post(
    '/api/judge/utensils',
    {
      schema: {
        body: utensilsReading,
      },
    },
    async ({ body }) => ({ judgement: judgeUtensils(body) }),
  )

  app.post('/api/cleaning-interval', { schema: { body: utensilRoom } }, async ({ body }) =>
    cleaningInterval(body.room),
  )

  app.post('/api/judge/cold-product', { schema: { body: coldProductReading } }, async ({ body }) => ({
    judgement: judgeColdProduct(modelCode, body.unit, body.interval, body.notTcs),
  }))

  app.post(
    '/api/judge/heat-dose',
    {
      schema: {
        body: heatDoseRead,
      },
    },
    async ({ body }) => ({ a0: heatDose(body.temperatures, body.step) }),
  )

  app.post('/api/read/strip', { schema: { body: stripRead } }, async ({ body }) => ({
    reading: stripReading({ ...body, name: '' }, body.pick, instant(0)),
  }))

  app.post('/api/read/titration', { schema: { body: titrationRead } }, async ({ body }) => ({
    reading: titrationReading(body.drops, body.perDrop),
  }))

  app.post(
    '/api/read/thermometer',
    {
      schema: {
        body: thermometerRead,
      },
    },
    async ({ body }) => {
      const { value, unit, medium, accuracy, pastCheck = false, failed = false } = body
      const checkDue = instant(pastCheck ? 0 : 1)
      const instrument = accuracy === null ? null : { name: '', unit, accuracy, checkDue, failed }
      return { reading: instrumentReading(value, unit, instrument, instant(1), medium) }
    },
  )

  app.post('/api/read/ice-point', { schema: { body: icePointRead } }, async ({ body }) =>
    icePoint(body.read, body.unit),
  )
}
