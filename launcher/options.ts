import { parseArgs } from 'node:util'
import type { BackupPlaces } from './backup.ts'
import { Trouble } from './trouble.ts'

export interface ServeOptions {
  readonly host: string | null
  readonly port: number
  readonly cert: string | null
  readonly key: string | null
  /** Where a backup is put every day, and a copy of it; null where that is left to the site. */
  readonly backup: BackupPlaces | null
  /** How many days of history the demo is made with. */
  readonly days: number
}

/** Reads the options of start, demo and dev. Throws Trouble for one that is not known or makes no sense. */
export function parseOptions(args: readonly string[]): ServeOptions {
  try {
    const { values } = parseArgs({
      args: [...args],
      options: {
        host: { type: 'string' },
        port: { type: 'string', default: '4180' },
        cert: { type: 'string' },
        key: { type: 'string' },
        days: { type: 'string', default: '14' },
        backup: { type: 'string' },
        copy: { type: 'string' },
      },
    })
    const number = (text: string, name: string, most: number) => {
      const value = Number(text)
      if (!Number.isInteger(value) || value < 1 || value > most)
        throw new Error(`--${name} takes a whole number from 1 to ${most}.`)
      return value
    }
    if ((values.cert === undefined) !== (values.key === undefined))
      throw new Error('--cert and --key go together.')
    if (values.copy !== undefined && values.backup === undefined)
      throw new Error('--copy goes with --backup: it is a copy of what is put there.')
    return {
      host: values.host ?? null,
      port: number(values.port, 'port', 65_535),
      cert: values.cert ?? null,
      key: values.key ?? null,
      backup: values.backup === undefined ? null : { folder: values.backup, copy: values.copy ?? null },
      days: number(values.days, 'days', 730),
    }
  } catch (error) {
    throw new Trouble((error as Error).message)
  }
}
