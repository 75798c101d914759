export { headBody, headsFile, type HeadsFile } from './heads.ts'
export { decideBody, heldList, type HeldList } from './held.ts'
export { isKnownType, payloadSchemas } from './payloads.ts'
export { checkContents, checkDraft, issuesOf } from './check.ts'
