import { correctionBody, doseBody } from '@tadka/contract/solution'
import { interval, millilitres, ppm, volumeFrom } from '@tadka/core/quantity'
import { bestTool, correct, freshDose, type MeasuringTool, type Supply } from '@tadka/core/solution'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'

const tags = ['arithmetic']

/** Doses and corrections for anyone who asks; nothing is stored, nobody need be signed in. */
export const solutionRoutes: FastifyPluginAsyncZod = async (app) => {
  app.post(
    '/api/dose',
    {
      schema: {
        tags,
        summary: 'The concentrate and water of a fresh mix, and the pour on a tool',
        body: doseBody,
      },
    },
    async ({ body }) => {
      const supply = body.supply as Supply
      const total = volumeFrom(body.total.value, body.total.unit)
      const dose = freshDose(supply, body.target === null ? null : ppm(body.target), total)
      const stock = supply.kind === 'strength' ? supply.stock : null
      const band = body.band && interval(body.band.lo, body.band.hi)
      return {
        dose,
        pour: bestTool(body.tools as MeasuringTool[], dose.concentrate, dose.water, stock, band),
      }
    },
  )

  app.post(
    '/api/correction',
    {
      schema: {
        tags,
        summary: 'The way back into the band for a bath that reads wrong',
        body: correctionBody,
      },
    },
    async ({ body }) =>
      correct(
        {
          volume: volumeFrom(body.volume.value, body.volume.unit),
          capacity: millilitres(volumeFrom(body.capacity.value, body.capacity.unit)),
          reading: interval(body.reading.lo, body.reading.hi),
          spoiled: body.spoiled,
        },
        ppm(body.stock),
        interval(body.band.lo, body.band.hi) as { lo: number; hi: number },
        body.tool as MeasuringTool,
      ),
  )
}
