import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openMailbox, type Mailbox } from '../../devices/mailbox.ts'
import { siteId } from '../../server/demo/house.ts'
import { headOf } from '../../server/stream/heads.ts'
import { testServer, type TestServer } from '../../server/test/server.ts'
import { rememberedHeads } from '../heads-file.ts'
import { mailHeads } from '../mail-heads.ts'
import { parseOptions } from '../options.ts'

let server: TestServer
let mailbox: Mailbox
const folder = mkdtempSync(join(tmpdir(), 'mail-'))
beforeAll(async () => {
  server = await testServer(1)
  mailbox = await openMailbox(folder)
})
afterAll(async () => {
  await mailbox.close()
  await server.close()
  rmSync(folder, { recursive: true })
})

const mails = () => readdirSync(folder).filter((f) => f.endsWith('.eml'))
/** The file that a mail brings. */
function fileIn(mail: string): string {
  const text = readFileSync(join(folder, mail), 'utf8')
  const [, head = '', body = ''] =
    /(content-disposition: attachment[\s\S]*?)\r\n\r\n([\s\S]*?)\r\n--/i.exec(text) ?? []
  const encoded = /base64/i.test(
    text
      .slice(0, text.indexOf(head) + head.length)
      .split('\r\n--')
      .at(-1) ?? '',
  )
  return encoded ? Buffer.from(body, 'base64').toString() : body
}

describe('the end of the log by mail', () => {
  const day = 86_400_000
  const at = Date.parse('2026-11-26T22:00:00Z')
  it('comes once a day, with heads that ./tadka verify takes', async () => {
    const to = { server: mailbox.url, to: 'owner@example.org' }
    expect(await mailHeads(server.ownerUrl, to, at)).toBe(true)
    expect(await mailHeads(server.ownerUrl, to, at + day / 2)).toBe(false)
    expect(mails()).toHaveLength(1)
    const file = join(folder, 'heads.txt')
    writeFileSync(file, fileIn(mails()[0] ?? ''))
    expect(rememberedHeads(file, siteId)).toEqual([{ site: siteId, ...(await headOf(server.pool, siteId)) }])
    expect(await mailHeads(server.ownerUrl, to, at + day)).toBe(true)
    expect(mails()).toHaveLength(2)
  })
  it('that could not be sent is sent the next time', async () => {
    const nowhere = { server: 'smtp://127.0.0.1:1', to: 'else@example.org' }
    await expect(mailHeads(server.ownerUrl, nowhere, at)).rejects.toThrow()
    expect(await mailHeads(server.ownerUrl, { ...nowhere, server: mailbox.url }, at + 1)).toBe(true)
  })
  it.each([
    [['--mail', 'smtp://mail:25'], /go together/],
    [['--heads-to', 'a@b'], /go together/],
    [['--mail', 'mail.example', '--heads-to', 'a@b'], /smtp:/],
    [['--mail', 'smtp://mail:25', '--heads-to', 'nobody'], /address/],
  ])('is not begun with %j', (args, why) => expect(() => parseOptions(args)).toThrow(why))
})
