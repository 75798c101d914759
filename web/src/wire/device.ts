import { v4, v7 } from 'uuid'

const read = (key: string) => localStorage.getItem(key)

/** This tablet's name for itself, made once. */
export function deviceId(): string {
  const known = read('tadka.device')
  if (known) return known
  const made = `tab-${v4().slice(0, 13)}`
  localStorage.setItem('tadka.device', made)
  return made
}

/** The next number of this tablet's counter; kept, so that it never falls back. */
export function nextCount(): number {
  const next = Number(read('tadka.counter') ?? '0') + 1
  localStorage.setItem('tadka.counter', String(next))
  return next
}

export const newId = (): string => v7()

/** Names this page's time since it was opened: within it the tablet's clock cannot be set. */
export const boot = v4().slice(0, 13)
