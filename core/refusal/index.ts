export { catalogue, type RefusalCode, type RefusalKind } from './catalogue.ts'
export { Refusal, type RefusalWire } from './refusal.ts'
