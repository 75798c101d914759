import { taskOrigins } from '@tadka/core/task'
import { z } from 'zod'
import { sha256, slug, words } from '../stream/envelope.ts'

export const taskPayloads = {
  'task.set@1': z.strictObject({
    say: words(200).min(3),
    area: words(60).nullable(),
    owner: slug.nullable(),
    due: z.iso.date(),
    from: z.strictObject({ kind: z.enum(taskOrigins), id: slug }).nullable(),
  }),
  'task.done@1': z.strictObject({ say: words(200), note: words(300), photo: sha256.nullable() }),
  'task.dropped@1': z.strictObject({ say: words(200), reason: words(300).min(3) }),
}
