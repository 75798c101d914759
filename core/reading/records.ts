import { subject, type RulesOf } from '../stream/rules.ts'
import type { ReadingTaken } from './reading.ts'

interface ReadingPayloads {
  'reading.taken@1': ReadingTaken
}

declare module '../stream/record.ts' {
  interface Payloads extends ReadingPayloads {}
}

/** Read at a dish machine, or at its rack. */
const isOfDish = (r: ReadingTaken) => r.what === 'dish-machine' || (r.what === 'sanitizer' && r.atRack)

export const readingRecords: RulesOf<keyof ReadingPayloads> = {
  'reading.taken@1': {
    needs: 'record',
    typed: true,
    concerns: (reading, id) => [
      ...subject('station', reading.station),
      ...subject('run', reading.run),
      ...subject('bath', reading.bath),
      ...subject('case', reading.case),
      ...subject('dish', isOfDish(reading) ? reading.station : null),
      // One that fails opens a case of its own; one that rechecks a case belongs to that.
      ...subject('case', reading.case === null && reading.judgement.overall !== 'in' ? id : null),
    ],
  },
}
