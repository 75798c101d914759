import { jsonSchemaTransform } from 'fastify-type-provider-zod'
import { operations } from './operations.ts'

type Transform = typeof jsonSchemaTransform

/** The name of an operation in the catalogue, as the document writes it. */
const operationOf = (method: string, url: string): string => `${method} ${url.replaceAll(/:(\w+)/g, '{$1}')}`

const needs = (access: string) => (access === 'everybody' ? 'Needs no sign-in.' : `Needs: ${access}.`)

/** The part of the API: what its address names first. */
const partOf = (url: string) => url.split('/').find((part) => part !== '' && !/^(api|sites|:\w+)$/.test(part))

/** A route as the document shows it: its shape, and what the catalogue says: its summary, what it needs, a body that it takes. */
export const described: Transform = (given) => {
  const shown = jsonSchemaTransform(given)
  const methods = [given.route.method].flat()
  const found = operations[operationOf(methods.find((m) => m !== 'HEAD') ?? '', given.url)]
  if (!found) return shown
  const schema: { readonly body?: unknown } = shown.schema ?? {}
  const { body } = schema
  const { summary, needs: access, example } = found
  return {
    ...shown,
    schema: {
      ...schema,
      summary,
      description: needs(access),
      tags: [partOf(given.url) ?? 'api'],
      ...(typeof body === 'object' && example !== undefined
        ? { body: { ...body, examples: [example] } }
        : {}),
    },
  }
}
