import { z } from 'zod'
import { instantMs } from '../stream/envelope.ts'
import { pin, plan } from './schemas.ts'

export const planPayloads = {
  'plan.set@1': z.strictObject({
    day: z.iso.date(),
    start: instantMs,
    plan,
    bound: z.number().int(),
    pins: z.array(pin).max(300),
    putIn: z.array(z.string().max(200)).max(300),
    putOff: z.array(z.string().max(200)).max(300),
  }),
}
