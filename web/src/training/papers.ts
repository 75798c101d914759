import { dateAfter } from '@tadka/core/calendar'
import type { PaperSet } from '@tadka/core/training'
import { useSite } from '../site/site.ts'
import { newId } from '../wire/device.ts'

/** Days before its end that somebody is told of a certificate: a course must be booked. Common practice, no source. */
const warnDays = 56

export type PaperEnds = 'open' | 'later' | 'soon' | 'over'

/** How near the end of a certificate is. @param today ISO date. */
export function endsOf(until: string | null, today: string): PaperEnds {
  if (until === null) return 'open'
  if (until < today) return 'over'
  return until <= dateAfter(today, warnDays) ? 'soon' : 'later'
}

export const newPaper = (): PaperSet => ({
  paper: newId(),
  kind: 'food-handler',
  ...{ name: '', number: '' },
  ...{ issued: null, until: null, photo: null },
  removed: false,
})

/** The certificates that somebody holds, those that end first before the rest; and the change of one. */
export function usePapers() {
  const site = useSite()
  const end = (p: PaperSet) => p.until ?? '9999'
  return {
    of: (person: string) =>
      (site.one('training', person)?.papers ?? []).toSorted((a, b) => (end(a) < end(b) ? -1 : 1)),
    keep: (person: string, { paper, kind, name, number, issued, until, photo, removed }: PaperSet) =>
      site.record(
        'training.paper@1',
        { kind: 'training', id: person },
        { paper, kind, name, number, issued, until, photo, removed },
      ),
  }
}
