import type { VerifyFault } from '../server/record/verify/faults.ts'

const rebuild = 'Fold it anew: ./tadka rebuild SITE'
const copy = 'Compare with a copy kept elsewhere'

/** What is wrong, and what to do. */
export function faultLine(f: VerifyFault): string {
  switch (f.what) {
    case 'chain':
      return `record ${f.seq}: the chain is broken (${f.why}). ${copy}.`
    case 'head':
      return `record ${f.seq} should be the last; what is before it and after the last whole one is missing. ${copy}.`
    case 'after-head':
      return `record ${f.seq} lies past the end of the chain. ${copy}.`
    case 'head-elsewhere':
      return `record ${f.seq} is not the one that a backup or a file of heads remembers: the log was cut off before it, or written anew. ${copy}.`
    case 'column':
      return `record ${f.seq}: its column ${f.column} says otherwise than its text. ${copy}.`
    case 'index':
      return f.why === 'missing'
        ? `record ${f.seq} is not filed under ${f.kind} ${f.id}. ${copy}.`
        : `record ${f.seq} is filed under ${f.kind} ${f.id}, which it does not concern. ${copy}.`
    case 'state':
      return `the state of ${f.kind} ${f.id} is not what its records say. ${rebuild}.`
    case 'photo':
      return `photo ${f.sha256}: its bytes were altered. ${copy}.`
    case 'person':
      return `${f.id} has another name, role, login, PIN or password than the records gave them. ${copy}.`
    case 'signature':
      return `the signature at record ${f.seq} was made over other records. ${copy}.`
  }
}
