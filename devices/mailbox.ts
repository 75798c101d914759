import { mkdirSync, writeFileSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { buffer } from 'node:stream/consumers'
import { SMTPServer } from 'smtp-server'

export interface Mailbox {
  /** smtp://127.0.0.1:PORT */
  readonly url: string
  readonly close: () => Promise<void>
}

/** A stand-in for somebody's mail elsewhere: takes what is sent to it over SMTP, on loopback, and keeps each message as a file (RFC 5322, .eml). */
export async function openMailbox(folder: string): Promise<Mailbox> {
  mkdirSync(folder, { recursive: true })
  let n = 0
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    onData: (stream, _session, done) => {
      buffer(stream).then(
        (message) => {
          writeFileSync(join(folder, `${String(++n).padStart(5, '0')}-${Date.now()}.eml`), message)
          done()
        },
        (error: Error) => done(error),
      )
    },
  })
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject)
    server.listen(0, '127.0.0.1', resolve)
  })
  const { port } = server.server.address() as AddressInfo
  return {
    url: `smtp://127.0.0.1:${port}`,
    close: () => new Promise((resolve) => server.close(() => resolve())),
  }
}
