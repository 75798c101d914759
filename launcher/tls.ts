import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { isIP } from 'node:net'
import { join } from 'node:path'
import { generate } from 'selfsigned'
import type { ServeOptions } from './options.ts'
import { dataDir } from './paths.ts'
import { Trouble } from './trouble.ts'

/** The certificate given, or one made for this address once and kept. */
export async function certificateFor(host: string, options: ServeOptions) {
  if (options.cert && options.key) {
    for (const file of [options.cert, options.key])
      if (!existsSync(file)) throw new Trouble(`There is no file ${file}. Check --cert and --key.`)
    return { key: options.key, cert: options.cert, made: false }
  }
  const dir = join(dataDir, 'tls')
  const [key, cert] = [join(dir, `${host}.key`), join(dir, `${host}.crt`)]
  if (!existsSync(key) || !existsSync(cert) || readFileSync(cert, 'utf8') === '')
    await make(host, dir, key, cert)
  return { key, cert, made: true }
}

async function make(host: string, dir: string, key: string, cert: string): Promise<void> {
  const names = isIP(host) ? [{ type: 7 as const, ip: host }] : [{ type: 2 as const, value: host }]
  const made = await generate([{ name: 'commonName', value: host }], {
    keySize: 2048,
    algorithm: 'sha256',
    notAfterDate: new Date(Date.now() + 820 * 86_400_000),
    extensions: [
      { name: 'basicConstraints', cA: true },
      { name: 'subjectAltName', altNames: names },
    ],
  })
  mkdirSync(dir, { recursive: true, mode: 0o700 })
  writeFileSync(key, made.private, { mode: 0o600 })
  writeFileSync(cert, made.cert)
}
