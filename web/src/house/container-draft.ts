import type { Payloads } from '@tadka/core/stream'
import { millilitres, type Instant } from '@tadka/core/quantity'
import { parseField } from '../pieces/field.ts'

/** A container as it is typed; empty: not known. */
export interface ContainerDraft {
  readonly bestBefore: string
  readonly lot: string
  readonly days: string
  readonly holds: string
}
export const emptyContainer: ContainerDraft = { bestBefore: '', lot: '', days: '', holds: '' }

export type ContainerFault = 'bestBefore' | 'days' | 'holds'

const number = (typed: string) => parseField(typed, { positive: true })
const isWrong = (typed: string) => typed.trim() !== '' && number(typed).fault !== null

export function containerFaults(d: ContainerDraft): ContainerFault[] {
  const faults: ContainerFault[] = []
  if (d.bestBefore !== '' && Number.isNaN(Date.parse(d.bestBefore))) faults.push('bestBefore')
  if (isWrong(d.days)) faults.push('days')
  if (isWrong(d.holds)) faults.push('holds')
  return faults
}

/** @param litres of what was typed in the site's own unit. */
export function containerOf(
  d: ContainerDraft,
  product: string,
  openedAt: Instant,
  litres: (typed: number) => number,
): Payloads['concentrate.opened@1'] {
  const at = Date.parse(d.bestBefore)
  const holds = number(d.holds).value
  return {
    product,
    openedAt,
    bestBefore: Number.isNaN(at) ? null : at,
    daysOnceOpen: number(d.days).value,
    ...(d.lot.trim() === '' ? {} : { lot: d.lot.trim() }),
    ...(holds === null ? {} : { holds: millilitres(litres(holds) * 1000) }),
  }
}
