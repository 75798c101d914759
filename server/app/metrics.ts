import type { DraftOutcome } from '@tadka/contract/stream'
import type { FastifyInstance } from 'fastify'
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client'

/** What the server counts of itself. No name, site or secret is in it. */
export interface Metrics {
  readonly contentType: string
  readonly text: () => Promise<string>
  /** Drafts that came, by what became of them. */
  readonly count: (outcomes: readonly DraftOutcome[]) => void
}

/** Counts what an application answers. @param streams how many tablets listen now. */
export function countIn(app: FastifyInstance, streams: () => number): Metrics {
  const registry = new Registry()
  collectDefaultMetrics({ register: registry, prefix: 'tadka_' })
  const answers = new Histogram({
    name: 'tadka_http_answer_seconds',
    help: 'How long answers took, by route and status',
    labelNames: ['method', 'route', 'status'] as const,
    buckets: [0.01, 0.03, 0.1, 0.3, 1, 3, 10],
    registers: [registry],
  })
  const drafts = new Counter({
    name: 'tadka_drafts_total',
    help: 'Drafts that were sent, by what became of them',
    labelNames: ['outcome'] as const,
    registers: [registry],
  })
  void new Gauge({
    name: 'tadka_event_streams',
    help: 'Tablets that listen now',
    registers: [registry],
    collect() {
      this.set(streams())
    },
  })
  app.addHook('onResponse', async (request, reply) => {
    // By the route's pattern: an address may hold a key.
    const route = request.routeOptions.url ?? 'none'
    answers.labels(request.method, route, String(reply.statusCode)).observe(reply.elapsedTime / 1000)
  })
  return {
    contentType: registry.contentType,
    text: () => registry.metrics(),
    count: (outcomes) => {
      for (const { outcome } of outcomes) drafts.inc({ outcome })
    },
  }
}
