import { huddleTopics, paperKinds, signOffEnds } from '@tadka/core/training'
import { z } from 'zod'
import { sha256, slug, words } from '../stream/envelope.ts'

const onRun = z.strictObject({ run: slug, station: slug, procedure: slug, learner: slug })
const count = z.number().int().min(0).max(1000)

/** A certificate, as it is entered. */
export const trainingPaper = z.strictObject({
  paper: slug,
  kind: z.enum(paperKinds),
  name: words(80),
  number: words(60),
  issued: z.iso.date().nullable(),
  until: z.iso.date().nullable(),
  photo: sha256.nullable(),
  removed: z.boolean(),
})

export const trainingPayloads = {
  'run.watched@1': onRun,
  'run.shown@1': onRun,
  'training.checked@1': z.strictObject({
    procedure: slug,
    asked: count.min(1),
    right: count,
    passPercent: z.number().min(1).max(100),
  }),
  'training.signed@1': z.strictObject({
    procedures: z
      .array(z.strictObject({ id: slug, version: z.number().int().min(1) }))
      .min(1)
      .max(200),
    until: z.iso.date().nullable(),
  }),
  'training.ended@1': z.strictObject({
    procedure: slug,
    why: z.enum(signOffEnds),
    note: words(500).min(3),
  }),
  'training.paper@1': trainingPaper,
  'huddle.held@1': z.strictObject({
    day: z.iso.date(),
    topic: z.enum(huddleTopics),
    procedure: slug.nullable(),
    station: slug.nullable(),
    there: z.array(slug).min(1).max(100),
  }),
}
