import { z } from 'zod'
import { facets, procedureSchema } from './schemas.ts'
import { freeKey, freeName, instantMs, slug, words } from '../stream/envelope.ts'

export const runPlain = { run: slug, station: slug }
export const stepKey = freeName(/^[a-z0-9-]+(\.[a-z0-9-]+)*$/, 100)

const facts = z.record(freeKey(40), z.union([words(500), z.number(), z.boolean(), z.null()]))
const runStep = { ...runPlain, step: stepKey }
const named = z.strictObject({ id: slug, version: z.number().int().min(1) })
const boot = slug.optional()
const why = words(500).min(3)
const part = freeName(/^[a-z0-9-]+$/, 40)

/** What happens in a run. Version 1 of a step brought what it did to the station; version 2 brings only what was done. */
export const runPayloads = {
  'run.started@1': z.strictObject({
    ...runPlain,
    procedure: named,
    parameters: z.record(freeKey(40), z.number()),
    options: z.record(freeKey(40), z.string().max(40)).optional(),
    document: procedureSchema.optional(),
  }),
  'run.started@2': z.strictObject({ ...runPlain, procedure: named }),
  'run.step.done@1': z.strictObject({
    ...runStep,
    kind: z.string().max(20),
    facts,
    effects: facets,
    before: facets,
  }),
  'run.step.done@2': z.strictObject({ ...runStep, facts, boot }),
  'run.step.undone@1': z.strictObject({ ...runStep, restores: facets }),
  'run.step.undone@2': z.strictObject(runStep),
  'run.wait.started@1': z.strictObject({
    ...runStep,
    minutes: z.number().min(0).max(10_080),
    effects: facets,
    before: facets,
  }),
  'run.wait.started@2': z.strictObject({ ...runStep, boot }),
  'run.visit.made@1': z.strictObject({
    ...runStep,
    millilitres: z.number().min(0).max(100_000).exactOptional(),
  }),
  'run.overridden@1': z.strictObject({
    ...runPlain,
    step: z.union([stepKey, z.literal('')]),
    what: z.enum(['wait', 'start']),
    reason: why,
  }),
  'run.part.missing@1': z.strictObject({ ...runStep, part }),
  'run.part.found@1': z.strictObject({ ...runStep, part, where: words(300).min(2) }),
  'run.part.lost@1': z.strictObject({ ...runStep, part, discarded: words(500).min(2) }),
  'run.parked@1': z.strictObject(runPlain),
  'run.resumed@1': z.strictObject(runPlain),
  'run.help.called@1': z.strictObject({ ...runPlain, step: z.union([stepKey, z.literal('')]) }),
  'run.help.answered@1': z.strictObject({ ...runPlain, call: slug }),
  'run.abandoned@1': z.strictObject({ ...runPlain, reason: words(500) }),
  'run.finished@1': z.strictObject({ ...runPlain, procedure: slug.optional() }),
  'run.entered@1': z.strictObject({
    ...runPlain,
    procedure: named,
    from: instantMs,
    to: instantMs,
    who: slug,
    read: words(1000),
  }),
}
