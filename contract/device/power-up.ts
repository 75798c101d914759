import { z } from 'zod'

/** Ten years: no device runs longer without being started anew, and what lies before it was built did not happen. */
const mostSeconds = 315_360_000

/** A second of a device's own clock, counted from its power-up. */
export const secondSincePowerUp = z.number().int().min(0).max(mostSeconds)
