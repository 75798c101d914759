import { z } from 'zod'

/** How many days back trends are read. */
export const trendDays = [14, 30, 90, 365] as const

export const trendBody = z.strictObject({
  days: z.number().refine((n) => trendDays.some((d) => d === n), 'is not offered'),
})
