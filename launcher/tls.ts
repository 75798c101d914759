import { X509Certificate } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { makeCertificate } from './authority.ts'
import type { ServeOptions } from './options.ts'
import { Trouble } from './trouble.ts'

/** Files of what is served with. */
export interface Tls {
  readonly key: string
  readonly cert: string
  /** What tablets are told to trust; null where the certificate was given. */
  readonly authority: string | null
}

const dayMs = 86_400_000
/** So long before its end the next one is made, so that tablets learn to trust it in time; and so long before, it takes over. */
const nextMs = 30 * dayMs
const overMs = dayMs

/** A certificate for a host and its authority, made once and kept, and the one that follows it. */
export class SiteCertificate {
  readonly #dir: string
  readonly #host: string

  constructor(dataDir: string, host: string) {
    this.#dir = join(dataDir, 'tls')
    this.#host = host
  }

  #files(which: '' | 'next.'): Tls & { readonly authority: string } {
    const file = (end: string) => join(this.#dir, `${this.#host}.${which}${end}`)
    return { key: file('key'), cert: file('crt'), authority: file('authority.crt') }
  }

  get files(): Tls & { readonly authority: string } {
    return this.#files('')
  }

  /** How long one of them lasts yet, ms; null where there is none, or it is none that tablets can trust by its authority. */
  #left(which: '' | 'next.', at: number): number | null {
    const { key, cert, authority } = this.#files(which)
    if (![key, cert, authority].every(existsSync)) return null
    try {
      return Date.parse(new X509Certificate(readFileSync(cert)).validTo) - at
    } catch {
      return null
    }
  }

  async #make(which: '' | 'next.', at: number): Promise<void> {
    const made = await makeCertificate(this.#host, at)
    const { key, cert, authority } = this.#files(which)
    mkdirSync(this.#dir, { recursive: true, mode: 0o700 })
    const put = (file: string, text: string, mode: number) => {
      writeFileSync(`${file}.part`, text, { mode })
      renameSync(`${file}.part`, file)
    }
    put(authority, made.authority, 0o644)
    put(key, made.key, 0o600)
    put(cert, made.chain, 0o644)
  }

  /**
   * Sees that there is one to serve with, that the next is made in time, and that it takes over before the end. Returns whether what is
   * served with is another now. @param at milliseconds UTC.
   */
  async lookAfter(at: number): Promise<boolean> {
    const left = this.#left('', at)
    if (left !== null && left > nextMs) return false
    const next = this.#left('next.', at)
    if (left !== null && left > overMs) {
      if (next === null) await this.#make('next.', at)
      return false
    }
    if (next === null || next <= overMs) await this.#make('', at)
    else {
      const [from, to] = [this.#files('next.'), this.#files('')]
      for (const file of ['authority', 'key', 'cert'] as const) renameSync(from[file], to[file])
    }
    return true
  }

  /** The authority's fingerprint, to compare on a tablet with what the console says. */
  fingerprint(): string {
    return new X509Certificate(readFileSync(this.files.authority)).fingerprint256
  }
}

/** The certificate given. Throws Trouble where a file is missing. */
export function givenCertificate({ cert, key }: ServeOptions): Tls | null {
  if (!cert || !key) return null
  for (const file of [cert, key])
    if (!existsSync(file)) throw new Trouble(`There is no file ${file}. Check --cert and --key.`)
  return { key, cert, authority: null }
}
