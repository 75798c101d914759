export { batchBody, draftEnvelope, instantMs, sha256, slug, words, type DraftOutcome } from './envelope.ts'
