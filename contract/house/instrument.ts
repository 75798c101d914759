import { z } from 'zod'
import { agent, temperatureUnit } from '../rules/schemas.ts'
import { measuringTool } from '../solution/schemas.ts'
import { instantMs, slug, words } from '../stream/envelope.ts'

export const instrumentSet = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('strip'),
    name: words(80),
    unit: z.enum(['ppm', 'pH']),
    agent: agent.nullable(),
    blocks: z.array(z.number().min(0)).min(2).max(12),
    colours: z.array(z.string().regex(/^#[0-9a-f]{6}$/)).max(12),
    bestBefore: instantMs,
    madeFor: z.array(slug).max(50).optional(),
  }),
  z.strictObject({
    kind: z.literal('thermometer'),
    name: words(80),
    unit: temperatureUnit,
    accuracy: z.number().positive(),
    checkDue: instantMs,
    station: slug.optional(),
  }),
  z.strictObject({
    kind: z.literal('pressure-gauge'),
    name: words(80),
    unit: z.enum(['kPa', 'psi']),
    accuracy: z.number().positive(),
    checkDue: instantMs,
    station: slug,
  }),
  z.strictObject({
    kind: z.literal('indicator'),
    name: words(80),
    unit: temperatureUnit,
    turnsAt: z.number(),
    bestBefore: instantMs,
  }),
  z.strictObject({
    kind: z.literal('titration'),
    name: words(80),
    agent,
    perDrop: z.number().positive(),
    bestBefore: instantMs,
    madeFor: z.array(slug).max(50).optional(),
  }),
  measuringTool.extend({ kind: z.literal('tool') }),
  z.strictObject({
    kind: z.literal('scale'),
    name: words(80),
    graduation: z.number().positive(),
    error: z.number().min(0),
  }),
  z.strictObject({
    kind: z.literal('dispenser'),
    name: words(80),
    product: slug,
    by: z.enum(['stroke', 'second']),
    millilitres: z.number().positive().max(10_000),
  }),
])

export const instrumentChecked = z.discriminatedUnion('method', [
  z.strictObject({
    instrument: slug,
    method: z.literal('ice-point'),
    unit: temperatureUnit,
    read: z.number(),
    verdict: z.enum(['in', 'out']),
    due: instantMs,
  }),
  z.strictObject({
    instrument: slug,
    method: z.literal('delivery'),
    count: z.number().positive(),
    measured: z.number().min(0),
    ratio: z.number().min(0),
  }),
])
