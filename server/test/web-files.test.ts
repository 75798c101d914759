import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { brotliCompressSync, brotliDecompressSync } from 'node:zlib'
import type { FastifyInstance } from 'fastify'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { buildApp } from '../app/app.ts'
import { testServer, type TestServer } from './server.ts'

const page = `<!doctype html><title>t</title>${' '.repeat(2000)}`
let server: TestServer
let app: FastifyInstance
let webRoot: string
beforeAll(async () => {
  server = await testServer(1)
  webRoot = mkdtempSync(join(tmpdir(), 'tadka-web-'))
  mkdirSync(join(webRoot, 'assets'))
  writeFileSync(join(webRoot, 'index.html'), page)
  writeFileSync(join(webRoot, 'index.html.br'), brotliCompressSync(`${page}<!-- as built -->`))
  writeFileSync(join(webRoot, 'assets/a-1.js'), 'export {}')
  app = await buildApp({ databaseUrl: server.appUrl, webRoot, tls: null, logLevel: 'silent' })
})
afterAll(async () => {
  await app.close()
  await server.close()
  rmSync(webRoot, { recursive: true, force: true })
})
const get = (url: string, encoding: string) =>
  app.inject({ method: 'GET', url, headers: { 'accept-encoding': encoding } })

describe('a file of the application', () => {
  it('goes as the build compressed it, not anew for each tablet', async () => {
    const answer = await get('/', 'br, gzip')
    expect(answer.headers).toMatchObject({
      'content-encoding': 'br',
      'content-type': expect.stringContaining('text/html') as string,
    })
    expect(brotliDecompressSync(answer.rawPayload).toString()).toContain('as built')
  })
  it('is kept by the tablet where its name changes with it; the page itself is asked for every time', async () => {
    const kept = async (url: string) => (await get(url, 'br')).headers['cache-control']
    expect(await kept('/assets/a-1.js')).toBe('public, max-age=31536000, immutable')
    expect(await kept('/')).toBe('no-cache')
    expect(await kept('/shift')).toBe('no-cache')
  })
  it('goes plain to who cannot read that, and where there is nothing compressed', async () => {
    expect((await get('/', 'identity')).body).toBe(page)
    expect((await get('/assets/a-1.js', 'identity')).body).toBe('export {}')
  })
  it('that a place of the application has no file for is its page; a file that is missing is not found', async () => {
    expect((await get('/run/at/lounge-pumped.close', 'identity')).body).toBe(page)
    expect((await get('/assets/gone.js', 'identity')).statusCode).toBe(404)
  })
})
