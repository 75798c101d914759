import { parseArgs } from 'node:util'
import type { BackupPlaces } from './backup.ts'
import type { HeadsMail } from './mail-heads.ts'
import { Trouble } from './trouble.ts'

export interface ServeOptions {
  readonly host: string | null
  readonly port: number
  readonly cert: string | null
  readonly key: string | null
  /** Where a backup is put every day, and a copy of it; null where that is left to the site. */
  readonly backup: BackupPlaces | null
  /** Whom the end of each chain is mailed to every day, and by which server; null where that is left to the site. */
  readonly mail: HeadsMail | null
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
        mail: { type: 'string' },
        'heads-to': { type: 'string' },
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
    if ((values.mail === undefined) !== (values['heads-to'] === undefined))
      throw new Error('--mail and --heads-to go together: the server that sends, and whom to.')
    if (values.mail !== undefined && !/^smtps?:\/\/\S+$/.test(values.mail))
      throw new Error('--mail takes an address as smtp://HOST:PORT.')
    if (values['heads-to'] !== undefined && !/^\S+@\S+$/.test(values['heads-to']))
      throw new Error('--heads-to takes the address of somebody’s mail.')
    return {
      host: values.host ?? null,
      port: number(values.port, 'port', 65_535),
      cert: values.cert ?? null,
      key: values.key ?? null,
      backup: values.backup === undefined ? null : { folder: values.backup, copy: values.copy ?? null },
      mail:
        values.mail === undefined || values['heads-to'] === undefined
          ? null
          : { server: values.mail, to: values['heads-to'] },
      days: number(values.days, 'days', 730),
    }
  } catch (error) {
    throw new Trouble((error as Error).message)
  }
}
