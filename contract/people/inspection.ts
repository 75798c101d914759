import { z } from 'zod'
import { slug, words } from '../stream/envelope.ts'

/** How far back an inspector's link shows, and how long it lasts. */
export const inspectionDays = [7, 30, 90, 365] as const
export const inspectionHours = [2, 12, 72, 336] as const

const oneOf = (values: readonly number[]) => z.number().refine((n) => values.includes(n), 'is not offered')

export const newInspectionBody = z.strictObject({
  /** Who it is for, as the log names them. */
  name: words(40).trim().min(1),
  days: oneOf(inspectionDays),
  hours: oneOf(inspectionHours),
  /** The one machine that it shows, for who comes to mend it; absent: the whole log. */
  station: slug.exactOptional(),
})
/** The way to it, told once. */
export const newInspectionView = z.object({ id: slug, path: z.string(), endsAt: z.number() })

/** Times are milliseconds UTC. */
export const inspectionView = z.object({
  id: slug,
  name: z.string(),
  by: slug,
  /** The first instant that it shows. */
  from: z.number(),
  endsAt: z.number(),
  /** The one machine that it shows; null: all. */
  station: slug.nullable(),
  /** When it was last opened; null where never. */
  usedAt: z.number().nullable(),
  /** Days whose sheets were looked at, ISO dates, the first one first; `entries`: all that was written. */
  looked: z.array(z.string()),
})
export type InspectionView = z.infer<typeof inspectionView>
export const inspectionList = z.object({ links: z.array(inspectionView) })

export const inspectBody = z.strictObject({ token: z.string().regex(/^[\w-]{20,100}$/), device: slug })
/** What an inspector's own session may see. */
export const ownInspection = z.object({
  from: z.number(),
  endsAt: z.number(),
  /** The one machine that it shows; null: all. */
  station: slug.nullable(),
})
export type OwnInspection = z.infer<typeof ownInspection>
