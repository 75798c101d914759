import {
  correctionBody,
  dispenserBody,
  doseBody,
  pieceBody,
  pourBody,
  powderBody,
  tankBody,
  topUpBody,
} from '@tadka/contract/solution'
import { interval, ppm, volumeFrom, type Millilitres, type VolumeUnit } from '@tadka/core/quantity'
import {
  bestTool,
  checkDispenser,
  correct,
  dispenserDrift,
  freshDose,
  measuresFor,
  mayPour,
  pieceDose,
  powderDose,
  topUp,
  type MeasuringTool,
  type LiquidSupply,
  type Supply,
} from '@tadka/core/solution'
import { handDosePlan } from '@tadka/core/warewash'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'

const mL = (volume: { value: number; unit: VolumeUnit }): Millilitres => volumeFrom(volume.value, volume.unit)

/** Doses, corrections and what may meet, for anyone who asks; nothing is stored, nobody need be signed in. */
export const solutionRoutes: FastifyPluginAsyncZod = async (app) => {
  app.post(
    '/api/dose',
    {
      schema: {
        body: doseBody,
      },
    },
    async ({ body }) => {
      const supply = body.supply as LiquidSupply
      const dose = freshDose(supply, body.target === null ? null : ppm(body.target), mL(body.total))
      const stock = supply.kind === 'strength' ? supply.stock : null
      const band = body.band && interval(body.band.lo, body.band.hi)
      return {
        dose,
        pour: bestTool(body.tools as MeasuringTool[], dose.concentrate, dose.water, stock, band),
      }
    },
  )

  app.post('/api/dose/powder', { schema: { body: powderBody } }, async ({ body }) => ({
    grams: powderDose(body.active, ppm(body.target), mL(body.total)),
  }))

  app.post('/api/dose/pieces', { schema: { body: pieceBody } }, async ({ body }) =>
    pieceDose(body, ppm(body.target), mL(body.total)),
  )

  app.post(
    '/api/correction',
    {
      schema: {
        body: correctionBody,
      },
    },
    async ({ body }) => {
      const bath = {
        volume: body.volume && mL(body.volume),
        capacity: body.capacity && mL(body.capacity),
        reading: interval(body.reading.lo, body.reading.hi),
        spoiled: body.spoiled,
      }
      interval(body.band.lo, body.band.hi)
      const supply = body.supply as Supply
      const kit = { tools: body.tools as MeasuringTool[], scales: body.scales ?? [] }
      return correct(bath, supply, body.band, measuresFor(supply, kit))
    },
  )

  app.post(
    '/api/dose/tank',
    {
      schema: { body: tankBody },
    },
    async ({ body }) => {
      const tank = { volume: mL(body.volume), rinseWater: mL(body.rinseWater) }
      return { plan: handDosePlan(tank, body.band, body.tool) }
    },
  )

  app.post('/api/top-up', { schema: { body: topUpBody } }, async ({ body }) =>
    topUp(
      mL(body.volume),
      interval(body.reading.lo, body.reading.hi),
      mL(body.to),
      ppm(body.stock),
      ppm(body.target),
      body.band,
    ),
  )

  app.post(
    '/api/may-pour',
    {
      schema: { body: pourBody },
    },
    async ({ body }) => mayPour(body.product, body.inVessel),
  )

  app.post(
    '/api/dispenser',
    {
      schema: {
        body: dispenserBody,
      },
    },
    async ({ body }) => {
      const band = interval(body.band.lo, body.band.hi)
      const check = checkDispenser(mL(body.measured), mL(body.expected), ppm(body.target), band)
      return { check, drift: dispenserDrift([...body.before, check.ratio], ppm(body.target), band) }
    },
  )
}
