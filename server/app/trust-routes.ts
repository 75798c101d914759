import { X509Certificate } from 'node:crypto'
import { readFile } from 'node:fs/promises'
import { trustView } from '@tadka/contract/people'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'

/** What tablets are told to trust: the site's authority, and the one that follows it. Null where there is none. */
async function certificateIn(file: string | null): Promise<X509Certificate | null> {
  if (file === null) return null
  try {
    return new X509Certificate(await readFile(file))
  } catch {
    return null
  }
}
const viewOf = (c: X509Certificate | null) =>
  c && { fingerprint: c.fingerprint256, from: Date.parse(c.validFrom), to: Date.parse(c.validTo) }

/** How a tablet comes to trust this computer. @param file the authority's; null where the certificate was given from outside. */
export const trustRoutes =
  (file: string | null): FastifyPluginAsyncZod =>
  async (app) => {
    const files = { now: file, next: file && file.replace(/authority\.crt$/, 'next.authority.crt') }

    app.get(
      '/api/trust',
      {
        schema: {
          response: { 200: trustView },
        },
      },
      async () => ({
        now: viewOf(await certificateIn(files.now)),
        next: viewOf(await certificateIn(files.next)),
      }),
    )

    app.get(
      '/api/trust/:which/authority.crt',
      {
        schema: {
          params: z.object({ which: z.enum(['now', 'next']) }),
        },
      },
      async (request, reply) => {
        const certificate = await certificateIn(files[request.params.which])
        if (!certificate) throw new Refusal('not_found')
        return reply
          .type('application/x-x509-ca-cert')
          .header('content-disposition', 'attachment; filename="tadka-authority.crt"')
          .send(certificate.raw)
      },
    )
  }
