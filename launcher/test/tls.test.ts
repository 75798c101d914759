import { execFileSync } from 'node:child_process'
import { createPrivateKey, X509Certificate } from 'node:crypto'
import { mkdtempSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { makeCertificate } from '../authority.ts'
import { SiteCertificate } from '../tls.ts'

const now = Date.parse('2026-11-26T12:00:00Z')
const day = 86_400_000
const folder = (name: string) => mkdtempSync(join(tmpdir(), `tadka-${name}-`))
/** What another program makes of it. */
const openssl = (...args: string[]) => execFileSync('openssl', args, { encoding: 'utf8' })

describe('a certificate of the site', () => {
  it.each([
    ['192.0.2.10', 'IP:192.0.2.10/255.255.255.255'],
    ['tadka.example', 'DNS:tadka.example'],
    ['2001:db8::5', 'IP:2001:DB8:0:0:0:0:0:5/FFFF:FFFF:FFFF:FFFF:FFFF:FFFF:FFFF:FFFF'],
    [`${'a'.repeat(63)}.${'b'.repeat(63)}.example`, `DNS:${'a'.repeat(63)}.${'b'.repeat(63)}.example`],
  ])('of %s is signed by an authority that can vouch for it alone', async (host, permitted) => {
    const made = await makeCertificate(host, Date.now())
    const dir = folder('ca')
    const [authority, chain] = [join(dir, 'a.pem'), join(dir, 'c.pem')]
    writeFileSync(authority, made.authority)
    writeFileSync(chain, made.chain)
    expect(openssl('verify', '-x509_strict', '-CAfile', authority, chain)).toContain('OK')
    const told = openssl('x509', '-in', authority, '-noout', '-text')
    expect(told).toMatch(/Name Constraints: critical\s+Permitted:\s+\S+\n/)
    expect(told).toContain(permitted)
    expect(told).toContain('CA:TRUE, pathlen:0')
    const leaf = new X509Certificate(made.chain)
    expect(leaf.checkPrivateKey(createPrivateKey(made.key))).toBe(true)
    expect(leaf.ca).toBe(false)
    // The key that could sign another is in none of it.
    expect(new X509Certificate(made.authority).checkPrivateKey(createPrivateKey(made.key))).toBe(false)
  })

  it('is made once, followed by the next a month before its end, and gives way to it a day before', async () => {
    const own = new SiteCertificate(folder('tls'), '192.0.2.10')
    expect(await own.lookAfter(now)).toBe(true)
    const first = own.fingerprint()
    expect(statSync(own.files.key).mode & 0o077).toBe(0)
    expect(await own.lookAfter(now + 700 * day)).toBe(false)
    const end = Date.parse(new X509Certificate(readFileSync(own.files.cert)).validTo)
    const next = own.files.authority.replace('authority', 'next.authority')
    expect(() => statSync(next)).toThrow()

    expect(await own.lookAfter(end - 29 * day)).toBe(false)
    const following = new X509Certificate(readFileSync(next)).fingerprint256
    expect(await own.lookAfter(end - 10 * day)).toBe(false)
    expect(new X509Certificate(readFileSync(next)).fingerprint256).toBe(following)
    expect(own.fingerprint()).toBe(first)

    expect(await own.lookAfter(end - day / 2)).toBe(true)
    expect(own.fingerprint()).toBe(following)
    expect(() => statSync(next)).toThrow()
    expect(await own.lookAfter(end)).toBe(false)
  })
  it('is made anew where it has ended, or cannot be read', async () => {
    const own = new SiteCertificate(folder('tls'), '192.0.2.10')
    await own.lookAfter(now)
    const first = own.fingerprint()
    expect(await own.lookAfter(now + 3000 * day)).toBe(true)
    expect(own.fingerprint()).not.toBe(first)
    writeFileSync(own.files.cert, 'cut off')
    expect(await own.lookAfter(now + 3000 * day)).toBe(true)
  })
})
