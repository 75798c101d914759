export { batchBody, draftEnvelope, instantMs, slug, words, type DraftOutcome } from './envelope.ts'
