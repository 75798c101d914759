import type { AnyDraft } from '@tadka/core/stream'
import { shallowRef } from 'vue'

/** The corrective action that was opened last on this tablet: for some minutes it can be taken back where it is shown. */
export const justOpened = shallowRef<AnyDraft | null>(null)
