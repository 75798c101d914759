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

  app.post(
    '/api/judge/cold-product',
    { schema: { ...described('TCS product kept cold'), body: coldProductReading } },
    async ({ body }) => ({ judgement: judgeColdProduct(modelCode, body.unit, body.interval) }),
  )

  app.post(
    '/api/judge/heat-dose',
    {
      schema: {
        ...described('Heat at the ware as one number, A0: seconds at 80 °C that would do as much'),
        body: heatDoseRead,
      },
    },
    async ({ body }) => ({ a0: heatDose(body.temperatures, body.step) }),
  )

  app.post(
    '/api/read/strip',
    { schema: { ...described('What a block or a gap of a test strip stands for'), body: stripRead } },
    async ({ body }) => ({ reading: stripReading({ ...body, name: '' }, body.pick, instant(0)) }),
  )

  app.post(
    '/api/read/titration',
    { schema: { ...described('What drops of a titration kit stand for, ppm'), body: titrationRead } },
    async ({ body }) => ({ reading: titrationReading(body.drops, body.perDrop) }),
  )

  app.post(
    '/api/read/thermometer',
    {
      schema: {
        ...described('What a number on a thermometer stands for; null where it failed its check'),
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

  app.post(
    '/api/read/ice-point',
    { schema: { ...described('A thermometer in melting ice'), body: icePointRead } },
    async ({ body }) => icePoint(body.read, body.unit),
  )
}
