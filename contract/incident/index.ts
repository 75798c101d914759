import { z } from 'zod'
import { pin } from '../people/index.ts'
import { slug } from '../stream/envelope.ts'

export { incidentPayloads } from './records.ts'

/** Stations that come back, signed with a lead's PIN; none where all that is left is to end it. */
export const reopenBody = z.strictObject({ person: slug, pin, stations: z.array(slug).max(400) })
