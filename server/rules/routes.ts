import { sanitizerReading } from '@tadka/contract/rules'
import { contactSeconds, judgeSanitizer, modelCode, type SanitizerReading } from '@tadka/core/rules'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'

/** Judging for anyone who asks; nothing is stored, nobody need be signed in. */
export const rulesRoutes: FastifyPluginAsyncZod = async (app) => {
  app.post(
    '/api/judge/sanitizer',
    {
      schema: {
        tags: ['rules'],
        summary: 'A sanitizer in solution held against the code, the label and the local authority',
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
}
