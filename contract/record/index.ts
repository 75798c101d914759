export { batchBody, draftEnvelope, instantMs, slug, words, type DraftOutcome } from './envelope.ts'
export { isKnownType, payloadSchemas } from './payloads.ts'
export { checkDraft, issuesOf } from './check.ts'
