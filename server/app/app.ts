import { existsSync } from 'node:fs'
import compress from '@fastify/compress'
import cookie from '@fastify/cookie'
import helmet from '@fastify/helmet'
import rateLimit from '@fastify/rate-limit'
import fastifyStatic from '@fastify/static'
import swagger from '@fastify/swagger'
import swaggerUi from '@fastify/swagger-ui'
import { Refusal } from '@tadka/core/refusal'
import Fastify, { type FastifyInstance } from 'fastify'
import { serializerCompiler, validatorCompiler, type ZodTypeProvider } from 'fastify-type-provider-zod'
import { backupRoutes } from '../backup/routes.ts'
import { openPool } from '../db/pool.ts'
import { Guard } from '../people/guard.ts'
import { deviceRoutes } from '../device/routes.ts'
import { Passes } from '../people/passes.ts'
import { Pins } from '../people/pins.ts'
import { houseRoutes } from '../house/routes.ts'
import { personRoutes } from '../people/person-routes.ts'
import { inspectionRoutes } from '../people/inspection-routes.ts'
import { peopleRoutes } from '../people/routes.ts'
import { tabletRoutes } from '../people/tablet-routes.ts'
import { EventHub } from '../record/events.ts'
import { described } from '../openapi/describe.ts'
import { keepUp, peopleOnRecord } from '../record/keep-up.ts'
import { SiteQueue } from '../stream/queue.ts'
import { dayRoutes } from '../record/day-routes.ts'
import { logRoutes } from '../record/log-routes.ts'
import { packRoutes } from '../pack/routes.ts'
import { questionRoutes } from '../honesty/routes.ts'
import { trendRoutes } from '../trend/routes.ts'
import { checkRoutes } from '../training/check-routes.ts'
import { stockRoutes } from '../stock/routes.ts'
import { costRoutes } from '../cost/routes.ts'
import { illnessRoutes } from '../illness/routes.ts'
import { trainingRoutes } from '../training/routes.ts'
import { incidentRoutes } from '../incident/routes.ts'
import { reviewRoutes } from '../sheet/review-routes.ts'
import { sheetRoutes } from '../sheet/routes.ts'
import { planRoutes } from '../plan/routes.ts'
import { photoRoutes } from '../record/photo-routes.ts'
import { procedureRoutes } from '../procedure/routes.ts'
import { heldRoutes } from '../record/held-routes.ts'
import { recordRoutes } from '../record/routes.ts'
import { rulesRoutes } from '../rules/routes.ts'
import { loggerRoutes } from '../logger/routes.ts'
import { bathRoutes } from '../solution/bath-routes.ts'
import { solutionRoutes } from '../solution/routes.ts'
import { warewashRoutes } from '../warewash/routes.ts'
import { installErrors } from './errors.ts'
import { countIn } from './metrics.ts'
import { healthRoutes } from './health-routes.ts'
import { trustRoutes } from './trust-routes.ts'
import type { Services } from '../services/services.ts'
import { Work } from '../work/work.ts'

export interface AppOptions {
  readonly databaseUrl: string
  /** The built web application, or null where there is none (tests of the API). */
  readonly webRoot: string | null
  /** `authority`: the file of what tablets are told to trust, where the site has one of its own. */
  readonly tls: { readonly key: string; readonly cert: string; readonly authority?: string } | null
  readonly now?: () => number
  /** Where the database keeps its files, where that is this computer. */
  readonly dataFolder?: string
  readonly logLevel?: string
  /** Where its log goes instead of the console. */
  readonly logTo?: { readonly write: (line: string) => void }
}

const bodyLimit = 2 * 1024 * 1024

/** The server over one database, ready to listen. */
export async function buildApp(options: AppOptions): Promise<FastifyInstance> {
  const app = Fastify({
    bodyLimit,
    forceCloseConnections: true,
    logger: {
      level: options.logLevel ?? 'warn',
      // By the route's pattern: an address may hold a key, as a calendar's does.
      serializers: { req: ({ method, routeOptions }) => ({ method, route: routeOptions.url }) },
      ...(options.logTo ? { stream: options.logTo } : {}),
    },
    ...(options.tls ? { https: options.tls } : {}),
  }) as unknown as FastifyInstance
  const now = options.now ?? Date.now
  const pool = openPool(options.databaseUrl, (error) =>
    app.log.warn({ why: error.message }, 'a database connection was lost'),
  )
  const hub = new EventHub(pool, options.databaseUrl, now)
  const metrics = countIn(app, () => hub.streams)
  const services: Services = {
    pool,
    hub,
    work: new Work(options.databaseUrl, options.webRoot !== null),
    queue: new SiteQueue(),
    guard: new Guard(pool),
    pins: new Pins(pool, now),
    passes: new Passes(pool),
    secure: options.tls !== null,
    now,
    count: (outcomes) => metrics.count(outcomes),
  }

  app.setValidatorCompiler(validatorCompiler)
  app.setSerializerCompiler(serializerCompiler)
  installErrors(app)
  await installGuards(app, options.tls !== null)
  await app.register(swagger, {
    openapi: {
      info: { title: 'Tadka', version: '1', description: 'Cleaning, sanitizing and their records.' },
    },
    transform: described,
  })
  await app.register(swaggerUi, { routePrefix: '/api/docs' })

  const typed = app.withTypeProvider<ZodTypeProvider>()
  await typed.register(peopleRoutes(services))
  await typed.register(personRoutes(services))
  await typed.register(tabletRoutes(services))
  await typed.register(inspectionRoutes(services))
  await typed.register(houseRoutes(services))
  await typed.register(backupRoutes(services))
  await typed.register(recordRoutes(services))
  await typed.register(heldRoutes(services))
  await typed.register(logRoutes(services))
  await typed.register(dayRoutes(services))
  await typed.register(sheetRoutes(services))
  await typed.register(reviewRoutes(services))
  await typed.register(incidentRoutes(services))
  await typed.register(illnessRoutes(services))
  await typed.register(stockRoutes(services))
  await typed.register(costRoutes(services))
  await typed.register(questionRoutes(services))
  await typed.register(trendRoutes(services))
  await typed.register(trainingRoutes(services))
  await typed.register(checkRoutes(services))
  await typed.register(packRoutes(services))
  await typed.register(procedureRoutes(services))
  await typed.register(photoRoutes(services))
  await typed.register(planRoutes(services))
  await typed.register(deviceRoutes(services))
  await typed.register(warewashRoutes(services))
  await typed.register(loggerRoutes(services))
  await typed.register(bathRoutes(services))
  await typed.register(solutionRoutes)
  await typed.register(rulesRoutes)
  await typed.register(trustRoutes(options.tls?.authority ?? null))
  await typed.register(healthRoutes(services, metrics, options.dataFolder ?? null))
  await serveWeb(app, options.webRoot)

  app.addHook('onReady', async () => {
    await keepUp(pool)
    await peopleOnRecord(pool, now())
    await hub.open()
  })
  app.addHook('onClose', async () => {
    await hub.close()
    await services.work.close()
    await pool.end()
  })
  return app
}

async function installGuards(app: FastifyInstance, secure: boolean): Promise<void> {
  await app.register(helmet, {
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        // Codes before the camera are read by WebAssembly that ships with the application.
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        // The component kit writes its styles into the page.
        styleSrc: ["'self'", "'unsafe-inline'"],
        fontSrc: ["'self'", 'data:'],
        imgSrc: ["'self'", 'data:', 'blob:'],
        objectSrc: ["'none'"],
        frameAncestors: ["'none'"],
        upgradeInsecureRequests: secure ? [] : null,
      },
    },
    strictTransportSecurity: secure,
  })
  await app.register(cookie)
  await app.register(compress, { global: true })
  await app.register(rateLimit, { global: false })
  app.addHook('onRequest', async (request) => {
    const { origin, host } = request.headers
    if (request.method === 'GET' || request.method === 'HEAD' || origin === undefined) return
    if (!URL.canParse(origin) || new URL(origin).host !== host) throw new Refusal('foreign_origin')
  })
}

/** The built application; any address that is not a file or an API answers with it, so that a reload works. */
async function serveWeb(app: FastifyInstance, webRoot: string | null): Promise<void> {
  const built = webRoot !== null && existsSync(webRoot)
  if (built)
    await app.register(fastifyStatic, {
      root: webRoot,
      preCompressed: true,
      // It would stand over what is set here.
      cacheControl: false,
      setHeaders: (reply, path) => {
        reply.setHeader(
          'cache-control',
          path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
        )
      },
    })
  app.setNotFoundHandler((request, reply) => {
    // A procedure's name ends like a file's: only what the build makes is a file.
    const file = /\.(js|css|html|map|json|svg|png|ico|woff2?)$/.test(request.url)
    const page = request.method === 'GET' && !request.url.startsWith('/api/') && !file
    if (built && page) return reply.sendFile('index.html')
    return reply.status(404).send(new Refusal('not_found').toWire())
  })
}
