import { beginsAs, type SiteFile } from '@tadka/core/house'
import { z } from 'zod'
import { slug, words } from '../stream/envelope.ts'
import { instrumentSet } from './instrument.ts'
import { productSet } from './product.ts'
import { housePayloads } from './records.ts'
import { siteSet } from './site.ts'
import { stationSet } from './station.ts'

const named = z.strictObject({ id: slug })
const [strip, ...otherInstruments] = instrumentSet.options

/** A site's set-up as a file: docs/formats.md. */
export const siteFile: z.ZodType<SiteFile> = z.strictObject({
  format: z.literal('tadka-site@1'),
  site: siteSet.omit({ name: true, timeZone: true, country: true }).partial().optional(),
  stations: z.array(stationSet.extend(named.shape)).max(300).optional(),
  products: z.array(productSet.extend(named.shape)).max(200).optional(),
  instruments: z
    .array(
      z.discriminatedUnion('kind', [
        strip.extend(named.shape),
        ...otherInstruments.map((o) => o.extend(named.shape)),
      ]),
    )
    .max(300)
    .optional(),
  spares: z.array(housePayloads['spare.set@1'].extend(named.shape)).max(500).optional(),
  mixes: z.array(housePayloads['mix.set@1'].extend(named.shape)).max(200).optional(),
  people: z
    .array(
      z.strictObject({
        name: words(40).trim().min(1),
        role: z.enum(['crew', 'lead']),
        cleans: z.enum(beginsAs).optional(),
      }),
    )
    .max(200)
    .optional(),
  procedures: z
    .array(z.looseObject({ id: slug }))
    .max(100)
    .optional(),
}) as z.ZodType<SiteFile>

/** `try`: what it would do, and nothing done. */
export const siteFileBody = z.strictObject({ file: siteFile, try: z.boolean() })

const counted = z.object({ added: z.number(), changed: z.number(), same: z.number() })
export const siteFileDone = z.object({
  site: z.boolean(),
  stations: counted,
  products: counted,
  instruments: counted,
  spares: counted,
  mixes: counted,
  people: counted,
  procedures: counted,
  /** The PINs that those who are new begin with, told this once. */
  pins: z.array(z.object({ id: slug, name: z.string(), pin: z.string() })),
})
export type SiteFileDone = z.infer<typeof siteFileDone>
