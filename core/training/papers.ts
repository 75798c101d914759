import type { PaperKind, PaperSet } from './records.ts'

/** What a person in charge shows an inspector first. */
const order: readonly PaperKind[] = ['food-manager', 'food-handler']

/** The certificate that somebody in charge holds on a day, a manager's before a handler's; null where none is in date. @param day ISO date. */
export const paperOn = (papers: readonly PaperSet[], day: string): PaperSet | null =>
  order
    .flatMap((kind) => papers.filter((p) => p.kind === kind))
    .find((p) => (p.issued ?? '') <= day && (p.until ?? day) >= day) ?? null
