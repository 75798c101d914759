import { catalogue, type RefusalCode, type RefusalKind } from './catalogue.ts'

/** The one shape in which a refusal crosses the wire. */
export interface RefusalWire {
  readonly code: RefusalCode
  readonly message: string
  readonly details: Readonly<Record<string, unknown>>
}

/** A named "no": what is wrong, in one sentence that says how to mend it, with details for the field at fault. */
export class Refusal extends Error {
  readonly code: RefusalCode
  readonly kind: RefusalKind
  readonly details: Readonly<Record<string, unknown>>

  constructor(code: RefusalCode, details: Readonly<Record<string, unknown>> = {}) {
    super(catalogue[code].message.replace(/\{(\w+)\}/g, (_, name: string) => String(details[name] ?? '')))
    this.name = 'Refusal'
    this.code = code
    this.kind = catalogue[code].kind
    this.details = details
  }

  toWire(): RefusalWire {
    return { code: this.code, message: this.message, details: this.details }
  }
}
