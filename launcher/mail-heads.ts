import { lineOfHead } from '@tadka/contract/record'
import { createTransport } from 'nodemailer'
import { headsNow } from '../server/backup/queries.ts'
import { asOwner } from '../server/db/owner.ts'
import type { Cluster } from './cluster.ts'

export interface HeadsMail {
  /** smtp://HOST:PORT, or smtps with a name and a password in it. */
  readonly server: string
  readonly to: string
}

const dayMs = 86_400_000
const lookMs = 15 * 60_000

/**
 * Mails where each site's chain ends, where the last time was a day ago or more: whoever holds such mails can tell a log that was written
 * anew or cut off from the one that was. Returns whether it did. @param now milliseconds UTC.
 */
export const mailHeads = (ownerUrl: string, { server, to }: HeadsMail, now: number): Promise<boolean> =>
  asOwner(ownerUrl, async (owner) => {
    const last = await owner.query<{ at: string }>(
      'select max(at) as at from mailed_heads where address = $1',
      [to],
    )
    if (now - Number(last.rows[0]?.at ?? 0) < dayMs) return false
    const heads = await headsNow(owner)
    if (heads.length === 0) return false
    const day = new Date(now).toISOString().slice(0, 10)
    const file = `tadka-heads-${day}.txt`
    await createTransport(server).sendMail({
      from: 'tadka@localhost',
      to,
      subject: `Tadka: where the log of ${heads.map((h) => h.site).join(', ')} ended on ${day}`,
      text: `Keep this mail. With the file in it one can show later that the log was not written anew:\n./tadka verify SITE ${file}\n`,
      attachments: [{ filename: file, content: `${heads.map(lineOfHead).join('\n')}\n` }],
    })
    await owner.query('insert into mailed_heads (at, address) values ($1, $2)', [now, to])
    return true
  })

/** The same now and from then on once a day, until it is told to stop. What goes wrong is told, and tried again a quarter of an hour later. */
export function mailHeadsDaily(
  { ownerUrl }: Cluster,
  mail: HeadsMail,
  say: (line: string) => void,
): () => void {
  const look = () =>
    mailHeads(ownerUrl, mail, Date.now()).then(
      (sent) => sent && say(`Where the log ends was mailed to ${mail.to}`),
      (error: Error) =>
        say(`No mail was sent to ${mail.to}: ${error.message}. It is tried again in a quarter of an hour.`),
    )
  void look()
  const looking = setInterval(() => void look(), lookMs)
  return () => clearInterval(looking)
}
