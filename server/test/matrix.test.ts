import { payloadSchemas } from '@tadka/contract/record'
import { may, roles, type Permission, type Role } from '@tadka/core/rights'
import type { MadeBy } from '@tadka/core/stream'
import { madeBy, permissionFor, recordTypes } from '@tadka/core/record'
import { csvOf, mappingOf } from '@tadka/devices'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { inspect, signIn, testServer, type TestServer } from './server.ts'

type Access = 'everybody' | 'anybody signed in' | 'a device' | 'a key' | Permission
interface Route {
  readonly access: Access
  readonly body?: object
  readonly query?: Readonly<Record<string, string>>
}
const at = { tank: 66, rinse: 82, pressure: 100, conductivity: 1, pump: false, valve: false, door: false }
const csv = csvOf(
  [0, 1, 2].map((n) => ({ ...at, at: n }) as never),
  Date.parse('2026-11-25T10:00:00Z'),
)
const who = { person: 'ines', pin: '0000' }
const bucket = { id: 'bucket.fill', version: 1 }
const house = { access: 'set-up-house' } as const
const read = { access: 'read' } as const
const inspected = { access: 'inspect' } as const
const invites = { access: 'invite-inspector' } as const
const span = { from: '1', to: '2' }
const everybody = { access: 'everybody' } as const

/** What each route asks for before it does anything, and a body that it would read. Arithmetic tells nothing of any site. */
const routes: Readonly<Record<string, Route>> = {
  'GET /api/front-door': everybody,
  'GET /api/health': everybody,
  'GET /api/session': everybody,
  'POST /api/session/pin': everybody,
  'POST /api/session/password': everybody,
  'DELETE /api/session/people/{person}': { access: 'anybody signed in' },
  'POST /api/found': everybody,
  'GET /api/sites/{site}/set-up': house,
  'POST /api/sites/{site}/set-up': { ...house, body: { try: true, file: { format: 'tadka-site@1' } } },
  'POST /api/sites/{site}/people': {
    ...house,
    body: { name: 'M', role: 'crew', login: null, pin: '5274', password: null },
  },
  'POST /api/sites/{site}/people/{person}': {
    ...house,
    body: { name: 'M', role: 'crew', login: null, left: false, password: null },
  },
  'POST /api/sites/{site}/people/{person}/pin': { access: 'unlock-person', body: { pin: '5274' } },
  'POST /api/sites/{site}/own-secret': {
    ...read,
    body: { what: 'pin', by: 'pin', now: '0000', next: '5274' },
  },
  'POST /api/tablets/enrol': everybody,
  'POST /api/sites/{site}/people/{person}/unlock': { access: 'unlock-person' },
  'GET /api/sites/{site}/backup': house,
  'GET /api/sites/{site}/tablets': house,
  'POST /api/sites/{site}/tablets': { ...house, body: { device: 'tab-m', name: 'M' } },
  'POST /api/sites/{site}/tablets/codes': house,
  'POST /api/sites/{site}/tablets/{tablet}/name': { ...house, body: { name: 'M' } },
  'POST /api/sites/{site}/tablets/{tablet}/revoke': house,
  'POST /api/sites/{site}/records': { access: 'anybody signed in', body: { sentAt: 1, drafts: [{}] } },
  'GET /api/sites/{site}/state': inspected,
  'GET /api/sites/{site}/inspections': invites,
  'POST /api/sites/{site}/inspections': { ...invites, body: { name: 'M', days: 7, hours: 2 } },
  'POST /api/sites/{site}/inspections/{person}/end': invites,
  'GET /api/sites/{site}/inspection': inspected,
  'POST /api/inspect': everybody,
  'GET /api/sites/{site}/subjects/{kind}/{id}': read,
  'GET /api/sites/{site}/events': read,
  'GET /api/trust': everybody,
  'GET /api/trust/{which}/authority.crt': everybody,
  'GET /api/ready': { access: 'everybody' },
  'GET /api/metrics': { access: 'everybody' },
  'POST /api/sites/{site}/head': { ...read, body: { seq: 1, hash: '0'.repeat(64) } },
  'POST /api/sites/{site}/verify': { access: 'verify-chain' },
  'GET /api/sites/{site}/held': read,
  'POST /api/sites/{site}/held/{id}': { access: 'decide-held', body: { take: false, reason: 'tried' } },
  'GET /api/sites/{site}/log': inspected,
  'GET /api/sites/{site}/log/counts': inspected,
  'GET /api/sites/{site}/log.json': { access: 'export-log' },
  'GET /api/sites/{site}/days': read,
  'GET /api/sites/{site}/days/{day}': read,
  'GET /api/sites/{site}/sheets/{day}': inspected,
  'POST /api/sites/{site}/packs': {
    access: 'export-log',
    body: { from: '2026-11-26', to: '2026-11-26', stations: ['kiosk-slush'], paper: 'A4', people: 'names' },
  },
  'GET /api/sites/{site}/packs/{pack}/{as}': { access: 'export-log' },
  'POST /api/sites/{site}/incidents/{incident}/reopen': {
    access: 'record',
    body: { ...who, stations: [] },
  },
  'POST /api/sites/{site}/review': {
    access: 'review-day',
    body: { ...who, days: ['2026-11-25'], note: '' },
  },
  'GET /api/sites/{site}/questions': { access: 'ask-questions' },
  'POST /api/sites/{site}/questions': {
    access: 'ask-questions',
    body: {
      id: '5f0c2f8e-3f0c-4a7e-9d5a-0d9b0c1a2b3c',
      ...{ kind: 'two-places', person: 'bao', upTo: 12, how: 'dismissed', note: 'one counter' },
    },
  },
  'GET /api/sites/{site}/stock': read,
  'GET /api/sites/{site}/stock/shopping.csv': read,
  'GET /api/sites/{site}/costs': { access: 'plan-shift', query: { month: '2026-11' } },
  'GET /api/sites/{site}/illness': { access: 'keep-illness' },
  'POST /api/sites/{site}/illness/{illness}': {
    access: 'keep-illness',
    body: {
      ...{ person: 'bao', symptoms: ['wound'], diagnosis: null, began: 1, freeSince: null },
      ...{ doctor: false, authority: false, covered: false, toldAt: null, note: '' },
    },
  },
  'DELETE /api/sites/{site}/illness/{illness}': { access: 'keep-illness' },
  'GET /api/sites/{site}/training/{person}': read,
  'POST /api/sites/{site}/training/watch': { access: 'record', body: { ...who, run: 'r' } },
  'POST /api/sites/{site}/training/sign-off': {
    access: 'sign-off',
    body: { ...who, learner: 'pim', procedures: ['slush.close'] },
  },
  'GET /api/sites/{site}/training-again': { access: 'record' },
  'POST /api/sites/{site}/training-checks': { access: 'record', body: { procedure: null } },
  'POST /api/sites/{site}/training-checks/{check}': { access: 'record', body: { answers: [0] } },
  'POST /api/sites/{site}/trends': { access: 'read', body: { days: 14 } },
  'GET /api/sites/{site}/reviews': { access: 'review-day' },
  'POST /api/sites/{site}/sign': { access: 'sign-shift', body: { ...who, day: '2026-11-26', reason: '' } },
  'POST /api/sites/{site}/override': {
    access: 'record',
    body: { ...who, reason: 'tried', what: { kind: 'wait', run: 'r', step: 's' } },
  },
  'POST /api/sites/{site}/enter': {
    access: 'anybody signed in',
    body: { ...who, station: 's', procedure: bucket, from: 1, to: 2, who: 'bao', read: '' },
  },
  'PUT /api/sites/{site}/photos/{sha256}': { access: 'record' },
  'GET /api/sites/{site}/photos/{sha256}': inspected,
  'POST /api/plan': read,
  'GET /api/sites/{site}/learned': read,
  'POST /api/sites/{site}/calendar': read,
  'GET /api/calendar/{site}/{person}/{key}.ics': { access: 'a key' },
  'POST /api/devices/events': { access: 'a device' },
  'POST /api/devices/samples': { access: 'a device' },
  'GET /api/sites/{site}/devices': read,
  'POST /api/sites/{site}/devices': { ...house, body: { id: 'm', name: 'M', station: 'galley-dish' } },
  'POST /api/sites/{site}/devices/{device}/end': house,
  'GET /api/sites/{site}/thermometers': read,
  'GET /api/sites/{site}/dish/{station}/now': read,
  'GET /api/sites/{site}/dish/trace/{cycle}': read,
  'GET /api/sites/{site}/dish/{station}/days': { ...read, query: span },
  'POST /api/sites/{site}/loggers': {
    access: 'bring-in',
    query: { station: 'galley-dish', name: 'm.csv', mapping: JSON.stringify(mappingOf(csv)) },
  },
  'GET /api/sites/{site}/loggers': read,
  'GET /api/sites/{site}/loggers/{file}/rows': { ...read, query: span },
  'POST /api/sites/{site}/loggers/{file}/withdraw': { access: 'bring-in', body: { reason: 'tried' } },
  'GET /api/sites/{site}/baths/losses': read,
}
/** They work on what is sent alone. */
const arithmetic = /^POST \/api\/(dose|correction|top-up|may-pour|dispenser|judge|cleaning-interval|read)\b/
/** They answer as long as they are heard: only who may not is tried. */
const endless = 'GET /api/sites/{site}/events'

const params: Readonly<Record<string, string>> = {
  pack: '01980000-0000-7000-8000-000000000000',
  as: 'pdf',
  site: siteId,
  person: 'nobody-here',
  tablet: 'no-such-tablet',
  kind: 'station',
  id: '0193749a-0000-7000-8000-000000000000',
  day: '2026-11-26',
  sha256: '0'.repeat(64),
  device: 'no-such-device',
  station: 'galley-dish',
  cycle: 'no-such-cycle',
  file: 'no-such-file',
}

let server: TestServer
const cookies: Partial<Record<Role, string>> = {}
beforeAll(async () => {
  server = await testServer(1)
  for (const [role, person] of [
    ['crew', 'bao'],
    ['lead', 'ines'],
    ['manager', 'oriel'],
  ] as const)
    cookies[role] = await signIn(server.app, person)
  cookies.inspector = await inspect(server, cookies.lead ?? '')
})
afterAll(() => server.close())

const all = (): string[] => {
  const { paths } = server.app.swagger() as { paths: Record<string, object> }
  return Object.entries(paths).flatMap(([path, methods]) =>
    Object.keys(methods).map((method) => `${method.toUpperCase()} ${path}`),
  )
}
/** What a route answers: `not_signed_in`, `not_allowed`, or anything else. */
async function tried(route: string, cookie: string): Promise<string> {
  const [method = '', path = ''] = route.split(' ')
  const url = path.replaceAll(/\{(\w+)\}/g, (_, name: string) => params[name] ?? name)
  const { body, query = {} } = routes[route] ?? {}
  const answer = await server.app.inject({
    method: method as 'GET',
    url,
    query,
    headers: { cookie, ...(method === 'PUT' ? { 'content-type': 'image/jpeg' } : {}) },
    ...(method === 'PUT' ? { payload: Buffer.from([1]) } : body ? { payload: body } : {}),
  })
  const { code, details } = (
    answer.headers['content-type']?.toString().includes('application/json') ? answer.json() : {}
  ) as {
    code?: string
    details?: { needs?: string }
  }
  // Whose PIN it takes is another question than whose session.
  if (code === 'not_allowed' && details?.needs === 'their own PIN') return 'let in'
  return code === 'not_signed_in' || code === 'not_allowed' ? code : 'let in'
}

describe('every route', () => {
  it('has a line here: who may use it', () => {
    const unnamed = all().filter((r) => !arithmetic.test(r) && !Object.hasOwn(routes, r))
    expect(unnamed).toEqual([])
    expect(Object.keys(routes).filter((r) => !all().includes(r))).toEqual([])
  })
  it('lets in whom it may and nobody else', async () => {
    const odd: string[] = []
    for (const [route, { access }] of Object.entries(routes)) {
      if (access === 'everybody' || access === 'a device' || access === 'a key') continue
      const none = await tried(route, '')
      if (none !== 'not_signed_in') odd.push(`${route} nobody: ${none}`)
      for (const role of roles) {
        const mayUse = access === 'anybody signed in' || may(role, access)
        if (mayUse && route === endless) continue
        const answer = await tried(route, cookies[role] ?? '')
        if (answer !== (mayUse ? 'let in' : 'not_allowed')) odd.push(`${route} ${role}: ${answer}`)
      }
    }
    expect(odd).toEqual([])
  })
  it('of a device or a calendar asks for its own key', async () => {
    for (const path of ['events', 'samples']) {
      const answer = await server.app.inject({ method: 'POST', url: `/api/devices/${path}`, payload: {} })
      expect([400, 401]).toContain(answer.statusCode)
    }
    const url = `/api/calendar/${siteId}/bao/${'x'.repeat(43)}.ics`
    expect((await server.app.inject({ method: 'GET', url })).statusCode).toBe(404)
  })
})

describe('every type of record', () => {
  const by: Readonly<Record<string, Permission>> = {
    ...Object.fromEntries(
      [
        'site',
        'station',
        'product',
        'instrument',
        'rule',
        'spare',
        'crew',
        'mix',
        'person',
        'tablet',
        'round',
        'stock',
        'trap',
        'shelf',
      ].map((kind) => [`${kind}.set@1`, 'set-up-house' as const]),
    ),
    ...Object.fromEntries(
      [
        'station.laid-up@1',
        'station.back@1',
        'station.returned@1',
        'duty.closed@1',
        'case.closed@1',
        'dish.returned@1',
        'incident.over@1',
        'incident.extent@1',
        'incident.approved@1',
        'incident.reopened@1',
        'incident.false-alarm@1',
      ].map((type) => [type, 'close-case' as const]),
    ),
    'person.secret@1': 'set-up-house',
    'training.paper@1': 'set-up-house',
    'product.sheet@1': 'set-up-house',
    'task.dropped@1': 'close-case',
    'stock.ordered@1': 'plan-shift',
    'pest.settled@1': 'close-case',
    'fault.dropped@1': 'close-case',
    'training.signed@1': 'sign-off',
    'training.ended@1': 'sign-off',
    'procedure.set@1': 'set-procedures',
    'procedure.put@1': 'set-procedures',
    'roster.set@1': 'plan-shift',
    'plan.set@1': 'plan-shift',
    'run.overridden@1': 'override',
    'run.entered@1': 'override',
    'logger.imported@1': 'bring-in',
    'logger.withdrawn@1': 'bring-in',
    'record.amended@1': 'amend',
    'shift.signed@1': 'sign-shift',
    'charge.taken@1': 'sign-shift',
    'huddle.held@1': 'sign-shift',
    'shift.reviewed@1': 'review-day',
    ...Object.fromEntries(
      `incident.opened@1 incident.counted@1 incident.known-good@1 incident.product@1 incident.done@1
      food.received@1 food.read@1 food.opened@1 food.gone@1 walk.begun@1 walk.looked@1 walk.ended@1 task.set@1 task.done@1
      stock.counted@1 stock.came@1 stock.lost@1 pest.seen@1 pest.caused@1 trap.looked@1 visit.set@1 visit.done@1
      shelf.stands@1 slot.filled@1 container.emptied@1 container.gone@1
      fault.seen@1 fault.called@1 fault.mended@1 sample.taken@1 sample.result@1
      note.left@1 note.settled@1 note.read@1
      case.opened@1 case.told@1 concentrate.opened@1 water.measured@1 concentrate.drawn@1 instrument.checked@1 spare.drawn@1 run.started@1
      run.started@2 run.step.done@1 run.step.done@2 run.step.undone@1 run.step.undone@2 run.wait.started@1
      run.wait.started@2 run.visit.made@1 run.part.missing@1 run.part.found@1 run.part.lost@1 run.parked@1 run.resumed@1
      run.help.called@1 run.help.answered@1 run.watched@1 run.shown@1 training.checked@1 run.abandoned@1 run.finished@1 follow-up.closed@1 count.read@1 sign.seen@1 mix.changed@1 station.stopped@1 station.observed@1
      station.made-safe@1 bath.mixed@1 ware.in@1 ware.out@1 reading.taken@1 photo.attached@1 case.action@1
      rerun.kept@1 rerun.read@1 rerun.ended@1 rerun.taken-back@1 cycle.judged@1 rack.tallied@1 ware.rejected@1 dish.water-changed@1 dish.set-aside@1`
        .split(/\s+/)
        .map((type) => [type, 'record' as const]),
    ),
  }
  it('has a line here: what making it asks for', () => {
    expect(Object.keys(by).toSorted()).toEqual(Object.keys(payloadSchemas).toSorted())
    for (const type of recordTypes) expect([type, permissionFor(type)]).toEqual([type, by[type]])
  })
  it('that somebody signs with their PIN, or that a device makes, or that gives rights, is made by no tablet', () => {
    const of = (maker: MadeBy) => recordTypes.filter((type) => madeBy(type) === maker).toSorted()
    expect(of('signature')).toEqual([
      'incident.reopened@1',
      'run.entered@1',
      'run.overridden@1',
      'run.watched@1',
      'shift.reviewed@1',
      'shift.signed@1',
      'training.signed@1',
    ])
    expect(of('device')).toEqual([
      'concentrate.drawn@1',
      'cycle.judged@1',
      'logger.imported@1',
      'logger.withdrawn@1',
    ])
    expect(of('rights')).toEqual(['person.secret@1', 'person.set@1', 'tablet.set@1', 'training.checked@1'])
  })
})
