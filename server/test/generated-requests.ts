import { randomFrom } from '@tadka/core/quantity'
import type { FastifyInstance } from 'fastify'
import { siteId } from '../demo/house.ts'

/** What the OpenAPI document says of a value. */
interface Schema {
  readonly type?: string | readonly string[]
  readonly enum?: readonly unknown[]
  readonly const?: unknown
  readonly anyOf?: readonly Schema[]
  readonly oneOf?: readonly Schema[]
  readonly allOf?: readonly Schema[]
  readonly properties?: Readonly<Record<string, Schema>>
  readonly required?: readonly string[]
  readonly items?: Schema
  readonly prefixItems?: readonly Schema[]
  readonly additionalProperties?: Schema | boolean
  readonly minimum?: number
  readonly maximum?: number
  readonly format?: string
  readonly pattern?: string
  readonly minLength?: number
}
interface Operation {
  readonly parameters?: readonly { readonly name: string; readonly in: string; readonly schema: Schema }[]
  readonly requestBody?: { readonly content: Readonly<Record<string, { readonly schema: Schema }>> }
}

/** It answers as long as it is heard. */
const endless = '/api/sites/{site}/events'

/** Words that break what is careless. */
const odd: readonly unknown[] = [
  null,
  true,
  -1,
  0.1,
  1e300,
  2 ** 53,
  '',
  '\0',
  '\ud800',
  'constructor',
  '__proto__',
  "'; drop table record; --",
  '../../etc/passwd',
  'x'.repeat(20_000),
  [],
  [[[[[[[[[[]]]]]]]]]],
  {},
  { constructor: { prototype: 1 } },
  Array.from({ length: 2000 }, () => ({})),
]
const names: Readonly<Record<string, readonly string[]>> = {
  site: [siteId, siteId, siteId, 'nowhere'],
  station: ['galley-dish', 'kiosk-soft-serve', 'none'],
  person: ['bao', 'ines', 'nobody'],
  kind: ['station', 'run', 'bath', 'shift'],
  day: ['2026-11-26', '2026-13-40'],
}

function maker(random: () => number) {
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)] as T
  function number({ minimum = -1000, maximum = 100_000, type }: Schema): number {
    const n = minimum + random() * (Math.min(maximum, 1e15) - Math.max(minimum, -1e15))
    return type === 'integer' ? Math.round(n) : n
  }
  function text({ format, minLength = 0 }: Schema): string {
    if (format === 'uuid') return '0193749a-0000-7000-8000-000000000000'
    if (format === 'date') return pick(['2026-11-26', '1970-01-01', '9999-12-31'])
    return pick(['a', siteId, 'galley-dish', '2468', '2026-11-26', 'é'.repeat(9), 'a'.repeat(minLength)])
  }
  function value(schema: Schema, depth = 0): unknown {
    if (random() < 0.06) return pick(odd)
    if (depth > 7) return null
    if (schema.const !== undefined) return schema.const
    if (schema.enum) return pick(schema.enum)
    const ways = schema.anyOf ?? schema.oneOf
    if (ways) return value(pick(ways), depth + 1)
    if (schema.allOf) return Object.assign({}, ...schema.allOf.map((s) => value(s, depth + 1)))
    const type = typeof schema.type === 'string' ? schema.type : schema.type ? pick(schema.type) : undefined
    if (type === 'object' || schema.properties) {
      const keys = Object.entries(schema.properties ?? {})
      const kept = keys.filter(([key]) => random() < (schema.required?.includes(key) ? 0.97 : 0.5))
      const made = Object.fromEntries(kept.map(([key, s]) => [key, value(s, depth + 1)]))
      const more = schema.additionalProperties
      return typeof more === 'object' ? { ...made, key: value(more, depth + 1) } : made
    }
    if (schema.prefixItems) return schema.prefixItems.map((s) => value(s, depth + 1))
    if (type === 'array')
      return Array.from({ length: Math.floor(random() * 4) }, () => value(schema.items ?? {}, depth + 1))
    if (type === 'boolean') return random() < 0.5
    if (type === 'null') return null
    return type === 'number' || type === 'integer' ? number(schema) : text(schema)
  }
  return { pick, value }
}

/** An operation that the document describes. */
export interface Described {
  readonly path: string
  readonly method: string
  readonly operation: Operation
}

/** All operations of the API that end by themselves. */
export function operationsOf(app: FastifyInstance): Described[] {
  const { paths } = app.swagger() as { paths: Record<string, Record<string, Operation>> }
  const all = Object.entries(paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, operation]) => ({ path, method, operation })),
  )
  return all.filter((a) => a.path !== endless)
}

/** The n-th request that the document allows, or nearly allows: the same for the same n. @param cookies of who may ask. */
export function requestOf(n: number, asked: readonly Described[], cookies: readonly string[]) {
  const { pick, value } = maker(randomFrom(n + 1))
  const { path, method, operation } = asked[n % asked.length] as Described
  const url = path.replaceAll(/\{(\w+)\}/g, (_, name: string) =>
    encodeURIComponent(String(pick(names[name] ?? ['none', 'a', siteId, '0'.repeat(64)]))),
  )
  const query = (operation.parameters ?? [])
    .filter((p) => p.in === 'query')
    .map((p) => [p.name, value(p.schema)] as const)
    .filter(([, v]) => v !== undefined)
    .map(([name, v]) => [name, typeof v === 'object' ? JSON.stringify(v) : String(v)] as const)
  const [type, content] = Object.entries(operation.requestBody?.content ?? {})[0] ?? []
  return {
    method: method.toUpperCase() as 'GET',
    url,
    query: Object.fromEntries(query),
    headers: { cookie: pick(cookies), ...(type ? { 'content-type': type } : {}) },
    ...(content ? { payload: JSON.stringify(value(content.schema)) } : {}),
  }
}
