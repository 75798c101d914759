import { issuesOf } from '@tadka/contract/record'
import { Refusal, type RefusalKind } from '@tadka/core/refusal'
import type { FastifyError, FastifyInstance } from 'fastify'
import { hasZodFastifySchemaValidationErrors } from 'fastify-type-provider-zod'
import { ZodError } from 'zod'

const statusOf: Record<RefusalKind, number> = {
  malformed: 400,
  'not-signed-in': 401,
  'not-allowed': 403,
  missing: 404,
  conflict: 409,
  'too-large': 413,
  'too-often': 429,
  down: 503,
  broken: 500,
}

/** SQLSTATE: disk_full; read_only_sql_transaction. Codes of the system: the same, seen by this process. */
const isDiskFull = /^(53100|ENOSPC)$/
const isReadOnly = /^(25006|EROFS|EACCES)$/

/** SQLSTATE classes and socket errors that mean: the database is away, not the request wrong. */
const databaseAway = /^(08|57P0|53300|ECONN|EPIPE|ETIMEDOUT)/

function isDatabaseAway(error: unknown): boolean {
  const { code, message } = error as { code?: unknown; message?: unknown }
  if (typeof code === 'string' && databaseAway.test(code)) return true
  return (
    typeof message === 'string' &&
    /Connection terminated|timeout exceeded when trying to connect|Query read timeout|not queryable/.test(
      message,
    )
  )
}

/** Every failure as a named refusal. */
function refusalOf(error: unknown): Refusal {
  if (error instanceof Refusal) return error
  if (error instanceof ZodError) return new Refusal('body_malformed', { issues: issuesOf(error) })
  if (hasZodFastifySchemaValidationErrors(error))
    return new Refusal('body_malformed', {
      issues: error.validation.slice(0, 8).map((i) => ({
        path: i.instancePath.replaceAll('/', '.').replace(/^\./, ''),
        why: i.message ?? '',
      })),
    })
  const { code, statusCode } = error as Partial<FastifyError>
  if (code === 'FST_ERR_CTP_BODY_TOO_LARGE') return new Refusal('body_too_large')
  if (statusCode === 429) return new Refusal('too_often')
  if (statusCode === 404) return new Refusal('not_found')
  const told = String((error as { code?: unknown }).code)
  if (isDiskFull.test(told) || /No space left on device/.test((error as Error).message))
    return new Refusal('disk_full')
  if (isReadOnly.test(told) || /Read-only file system/.test((error as Error).message))
    return new Refusal('disk_read_only')
  if (isDatabaseAway(error)) return new Refusal('database_down')
  if (statusCode !== undefined && statusCode >= 400 && statusCode < 500)
    return new Refusal('body_malformed', { why: (error as Error).message })
  return new Refusal('broken')
}

/** Answers every failure in the one shape: `code`, `message`, `details`. */
export function installErrors(app: FastifyInstance): void {
  app.setErrorHandler((error, request, reply) => {
    const refusal = refusalOf(error)
    if (refusal.kind === 'broken' || refusal.kind === 'down') request.log.error(error)
    return reply.status(statusOf[refusal.kind]).send(refusal.toWire())
  })
}
