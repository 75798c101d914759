/** A clock this near is taken as right: the way over the network alone makes some difference. Milliseconds. */
const nearMs = 2000
/** So long may a batch be under way on patchy Wi-Fi before the tablet gives up and asks again. Milliseconds. */
const longestWayMs = 20_000

/**
 * Server clock minus a tablet's, milliseconds, for all that a batch holds. `receivedAt` (server) and `sentAt` (tablet) differ by
 * it and by the time under way; what the tablet has learned of it from earlier answers, `told`, tells the two apart. Without it a
 * batch that was long under way would seem to have happened later than the one after it, and be folded after it.
 * @example clockOffsetOf(5_000, 1_000, null) // 4000
 */
export function clockOffsetOf(receivedAt: number, sentAt: number, told: number | null): number {
  const raw = receivedAt - sentAt
  const way = raw - (told ?? raw)
  const offset = told !== null && way >= -nearMs && way <= longestWayMs ? told : raw
  return Math.abs(offset) <= nearMs ? 0 : Math.round(offset)
}

/** What a tablet knows of its clock: server's minus its own, and how far off that can be; milliseconds. */
export interface ClockSample {
  readonly offset: number
  readonly within: number
}

/**
 * The better of what was known and what an answer says: one that took less long says it more exactly; one that cannot be true
 * together with what was known says that a clock was set.
 */
export function learnClock(known: ClockSample | null, heard: ClockSample): ClockSample {
  if (!known) return heard
  const wasSet = Math.abs(heard.offset - known.offset) > heard.within + known.within + nearMs
  return wasSet || heard.within < known.within ? heard : known
}

/**
 * Of an answer with the server's time that was asked for at `askedAt` and came at `cameAt`, both by the tablet's clock.
 * @example clockHeard(5_000, 1_000, 1_200) // { offset: 3900, within: 100 }
 */
export const clockHeard = (serverTime: number, askedAt: number, cameAt: number): ClockSample => ({
  offset: serverTime - (askedAt + cameAt) / 2,
  within: Math.max(0, cameAt - askedAt) / 2,
})

/** As screens and records take it: a clock that is near is right. */
export const offsetTaken = ({ offset }: ClockSample): number =>
  Math.abs(offset) <= nearMs ? 0 : Math.round(offset)
