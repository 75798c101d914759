import type { AnyDraft, Payloads, RecordType, SubjectRef } from '@tadka/core/stream'
import { newId } from '../wire/device.ts'

/** Who makes a draft, where, on which device, and when by its clock. */
export type DraftMaker = Pick<AnyDraft, 'site' | 'by' | 'observedAt' | 'device' | 'counter'>

/** A draft, with an id of its own. */
export const newDraft = <T extends RecordType>(
  { site, by, observedAt, device, counter }: DraftMaker,
  type: T,
  subject: SubjectRef,
  payload: Payloads[T],
): AnyDraft =>
  ({ id: newId(), site, type, subject, observedAt, device, counter, by, payload }) as unknown as AnyDraft
