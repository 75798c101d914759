import type { Permission } from '@tadka/core/rights'
import { arithmetic } from './arithmetic.ts'

/** Who may use an operation: anybody; somebody who is signed in; a device or a calendar with its own key; or a person with a permission. */
export type Access = 'everybody' | 'anybody signed in' | 'a device' | 'a key' | Permission

export interface Operation {
  readonly summary: string
  readonly needs: Access
  /** A body that it takes. */
  readonly example?: unknown
}

const site = (path = '') => `/api/sites/{site}${path}`
const hash = '9f86d081884c7d659a2feaa0c55ad015a3bf4f1b2b0b822cd15d6c15b0f00a08'
const bucket = { id: 'bucket.fill', version: 1 }
const signature = { person: 'ines', pin: '4711' }
const read = 'read' as const
const house = 'set-up-house' as const

/** Each operation of the API, by method and path. */
export const operations: Readonly<Record<string, Operation>> = {
  ...arithmetic,
  'GET /api/health': { summary: 'Whether the server and its database answer', needs: 'everybody' },
  'GET /api/ready': { summary: 'Whether records can be kept now', needs: 'everybody' },
  'GET /api/metrics': {
    summary: 'Counts in the text format of Prometheus; asked from this computer alone',
    needs: 'everybody',
  },
  'GET /api/trust': {
    summary: 'The authority that tablets are told to trust, and the one that follows it',
    needs: 'everybody',
  },
  'GET /api/trust/{which}/authority.crt': {
    summary: 'The authority itself, as devices take it in',
    needs: 'everybody',
  },

  'GET /api/front-door': {
    summary: 'The site and the names of who works there, for a tablet of the site',
    needs: 'everybody',
  },
  [`GET ${site('/set-up')}`]: {
    summary:
      'The set-up of a site as a file, for another site: stations, products, instruments, spares, procedures, its day',
    needs: house,
  },
  [`POST ${site('/set-up')}`]: {
    summary:
      'Takes a set-up from a file, whole or not at all; what is there already stays. `try` tells what it would do',
    needs: house,
    example: {
      try: true,
      file: { format: 'tadka-site@1', people: [{ name: 'Sorrel', role: 'crew', cleans: 'learning' }] },
    },
  },
  'POST /api/inspect': {
    summary: 'Opens an inspector’s link: a session that reads the log of its period, until the link ends',
    needs: 'everybody',
    example: { token: '3q2-7wAAvJ5cH2r0k9M1xQ8zT4uYbN6e', device: 'inspectors-own' },
  },
  [`GET ${site('/inspection')}`]: {
    summary: 'What the link of who asks shows, and when it ends',
    needs: 'inspect',
  },
  [`GET ${site('/inspections')}`]: {
    summary: 'The links for inspectors that have not ended',
    needs: 'invite-inspector',
  },
  [`POST ${site('/inspections')}`]: {
    summary: 'Makes a link for an inspector; the way to it is told this once',
    needs: 'invite-inspector',
    example: { name: 'Quill', days: 30, hours: 12 },
  },
  [`POST ${site('/inspections/{person}/end')}`]: {
    summary: 'Ends a link and what it opened',
    needs: 'invite-inspector',
  },
  'POST /api/found': {
    summary: 'Founds the only site, with its manager; the browser that asks becomes its first tablet',
    needs: 'everybody',
    example: {
      code: '4821 7730',
      device: 'tab-galley',
      tablet: 'Galley tablet',
      manager: { name: 'Oriel', login: 'oriel', password: 'night ferry 2110', pin: '9080' },
      site: {
        name: 'Gannet Terminal',
        country: 'IE',
        timeZone: 'Europe/Dublin',
        units: 'metric',
        hours: { '1': { open: '06:00', close: '23:30' } },
        closedDays: [],
        sailings: [],
        freshHours: 4,
        emergencyNumber: '112',
      },
    },
  },
  'GET /api/session': {
    summary: 'Who is signed in on this tablet, each with their pass',
    needs: 'everybody',
  },
  'POST /api/session/pin': {
    summary: 'Signs somebody in on a tablet of the site',
    needs: 'everybody',
    example: { site: 'gannet', person: 'bao', pin: '2468', device: 'tab-galley' },
  },
  'POST /api/session/password': {
    summary: 'Signs a manager in by login and password',
    needs: 'everybody',
    example: { login: 'oriel', password: 'night ferry 2110', device: 'browser-desk' },
  },
  'DELETE /api/session/people/{person}': { summary: 'Signs somebody out', needs: 'anybody signed in' },
  [`POST ${site('/people')}`]: {
    summary: 'Enters somebody who works here; the PIN given is changed when it is first used',
    needs: house,
    example: { name: 'Wen', role: 'crew', login: null, pin: '8642', password: null },
  },
  [`POST ${site('/people/{person}')}`]: {
    summary: 'Changes a name or role, or lets somebody leave; what they did stays theirs',
    needs: house,
    example: { name: 'Wen', role: 'lead', login: null, left: false, password: null },
  },
  [`POST ${site('/people/{person}/pin')}`]: {
    summary: 'Gives somebody a new PIN, which they change when they first use it',
    needs: 'unlock-person',
    example: { pin: '5274' },
  },
  [`POST ${site('/people/{person}/unlock')}`]: {
    summary: 'Unlocks a PIN after ten wrong tries',
    needs: 'unlock-person',
  },
  [`POST ${site('/own-secret')}`]: {
    summary: 'Changes the PIN or password of whoever acts, proved by the one they have',
    needs: read,
    example: { what: 'pin', by: 'pin', now: '2468', next: '5274' },
  },
  [`GET ${site('/stock')}`]: {
    summary: 'How all that is kept in stock stands: what is there, how long it lasts, by when it is ordered',
    needs: read,
  },
  [`GET ${site('/stock/shopping.csv')}`]: {
    summary: 'What is to be ordered within a week, as a table',
    needs: read,
  },
  [`GET ${site('/costs')}`]: {
    summary:
      'What a month of cleaning cost, by station: minutes, chemicals, water, parts, repairs, hours down',
    needs: 'plan-shift',
  },
  [`GET ${site('/illness')}`]: {
    summary: 'What staff told of an illness: in no log and no pack',
    needs: 'keep-illness',
  },
  [`POST ${site('/illness/{illness}')}`]: {
    summary: 'Keeps what somebody told of an illness, or what is known of it since',
    needs: 'keep-illness',
    example: {
      ...{
        person: 'bao',
        symptoms: ['vomiting'],
        diagnosis: null,
        began: 1_764_600_000_000,
        freeSince: null,
      },
      ...{ doctor: false, authority: false, covered: false, toldAt: null, note: '' },
    },
  },
  [`DELETE ${site('/illness/{illness}')}`]: { summary: 'Erases it for good', needs: 'keep-illness' },
  [`GET ${site('/training/{person}')}`]: {
    summary: 'Runs that count towards somebody’s next sign-off, by procedure',
    needs: read,
  },
  [`POST ${site('/training/watch')}`]: {
    summary: 'Somebody who is signed off says with their PIN that they stand by whoever acts, at a run',
    needs: 'record',
    example: { ...signature, run: '0193f2c4-8a6e-7c31-9f2a-1b2c3d4e5f60' },
  },
  [`POST ${site('/training/sign-off')}`]: {
    summary: 'A lead signs somebody off for procedures, once everything is shown',
    needs: 'sign-off',
    example: { ...signature, learner: 'pim', procedures: ['slush.close'] },
  },
  [`GET ${site('/training-again')}`]: {
    summary: 'How many questions that whoever acts answered wrong come again by now',
    needs: 'record',
  },
  [`POST ${site('/training-checks')}`]: {
    summary:
      'Begins a check of whoever acts on a procedure, made from the site’s own; null goes over what was wrong',
    needs: 'record',
    example: { procedure: 'slush.close' },
  },
  [`POST ${site('/training-checks/{check}')}`]: {
    summary: 'Answers a check, once: marks it, puts the result in the log, says what was right and why',
    needs: 'record',
    example: { answers: [0, 2, 1, 3, 0, 1, 2, 0, 3, 1] },
  },
  [`GET ${site('/tablets')}`]: { summary: 'The tablets of the site', needs: house },
  [`POST ${site('/tablets')}`]: {
    summary: 'Makes the browser of a manager who is signed in on it a tablet of the site',
    needs: house,
    example: { device: 'tab-galley', name: 'Galley tablet' },
  },
  [`POST ${site('/tablets/codes')}`]: {
    summary: 'A code that makes one other browser a tablet of the site, within a quarter of an hour',
    needs: house,
  },
  'POST /api/tablets/enrol': {
    summary: 'Makes the browser that asks a tablet of the site whose code it gives',
    needs: 'everybody',
    example: { code: '4821 7730', device: 'tab-kiosk', name: 'Kiosk tablet' },
  },
  [`POST ${site('/tablets/{tablet}/name')}`]: {
    summary: 'Renames a tablet',
    needs: house,
    example: { name: 'Galley tablet' },
  },
  [`POST ${site('/tablets/{tablet}/revoke')}`]: {
    summary: 'Removes a tablet: everyone on it is signed out, and no PIN works on it',
    needs: house,
  },
  [`GET ${site('/backup')}`]: { summary: 'When everything was last backed up', needs: house },

  [`POST ${site('/records')}`]: {
    summary: 'Takes drafts into the chain; each is answered for itself: accepted, known, held or refused',
    needs: 'anybody signed in',
    example: {
      sentAt: 1795994323574,
      drafts: [
        {
          id: '01a2299a-8a38-7192-9d54-5f842b3c1385',
          site: 'gannet',
          type: 'count.read@1',
          subject: { kind: 'station', id: 'galley-dish' },
          observedAt: 1795994320000,
          device: 'tab-galley',
          counter: 17,
          by: 'bao',
          payload: { station: 'galley-dish', of: 'racks', total: 1204 },
        },
      ],
    },
  },
  [`GET ${site('/state')}`]: {
    summary: 'How everything stands now, and up to which record: a tablet’s start',
    needs: 'inspect',
  },
  [`GET ${site('/subjects/{kind}/{id}')}`]: { summary: 'How one subject stands now', needs: read },
  [`GET ${site('/events')}`]: {
    summary: 'New records as they come, as server-sent events; resumed by Last-Event-ID or ?after=',
    needs: read,
  },
  [`POST ${site('/head')}`]: {
    summary: 'Whether the chain goes through the head that a tablet remembers',
    needs: read,
    example: { seq: 1204, hash },
  },
  [`POST ${site('/verify')}`]: {
    summary:
      'Checks that nothing was altered: a line of JSON for each step of the way, the report as the last',
    needs: 'verify-chain',
  },
  [`GET ${site('/held')}`]: { summary: 'What waits for a manager to decide about it', needs: read },
  [`POST ${site('/held/{id}')}`]: {
    summary: 'Lets one in, or leaves it out, with a reason',
    needs: 'decide-held',
    example: { take: true, reason: 'I saw it done' },
  },
  [`GET ${site('/log')}`]: {
    summary: 'The log, newest first, page by page; by time, station, person, type, verdict and words',
    needs: 'inspect',
  },
  [`GET ${site('/log/counts')}`]: {
    summary: 'How many records the log has by type, verdict, person and station, of what else is asked for',
    needs: 'inspect',
  },
  [`GET ${site('/log.json')}`]: { summary: 'The whole log as JSON', needs: 'export-log' },
  [`GET ${site('/days')}`]: { summary: 'Trading days, and who signed them', needs: read },
  [`GET ${site('/days/{day}')}`]: { summary: 'What of a day is left: not done, late, open', needs: read },
  [`GET ${site('/sheets/{day}')}`]: {
    summary:
      'A trading day’s sheet: cleanings, readings, racks, baths, corrective actions, what was not done, who signed',
    needs: 'inspect',
  },
  [`POST ${site('/packs')}`]: {
    summary:
      'Makes an inspector’s pack of some days and stations: a line for each day read, then where its files lie',
    needs: 'export-log',
    example: {
      from: '2026-11-01',
      to: '2026-11-26',
      stations: ['kiosk-slush'],
      paper: 'A4',
      people: 'names',
    },
  },
  [`GET ${site('/packs/{pack}/{as}')}`]: {
    summary:
      'A file of a pack, for half an hour: the document (pdf), its tables (zip of CSV), its data (json)',
    needs: 'export-log',
  },
  [`GET ${site('/questions')}`]: {
    summary:
      'What the last fortnight of the log makes a manager ask, each with what it rests on; without what was answered',
    needs: 'ask-questions',
  },
  [`POST ${site('/questions')}`]: {
    summary:
      'Dismisses a question, or says that it was followed up, and what came of it; kept apart from the log',
    needs: 'ask-questions',
    example: {
      id: '5f0c2f8e-3f0c-4a7e-9d5a-0d9b0c1a2b3c',
      ...{ kind: 'two-places', person: 'bao', upTo: 1_795_000_000_000, how: 'dismissed' },
      note: 'Two tablets stand side by side on this counter.',
    },
  },
  [`POST ${site('/trends')}`]: {
    summary:
      'What the last days tell of mixes, checks, corrective actions, late work and times; as it is read, line by line',
    needs: 'read',
    example: { days: 30 },
  },
  [`GET ${site('/reviews')}`]: {
    summary: 'The last days, who signed each and who looked it through, and which have waited too long',
    needs: 'review-day',
  },
  [`POST ${site('/review')}`]: {
    summary:
      'Signs that days were looked through, with the person’s own PIN; not by who signed them, where somebody else may',
    needs: 'review-day',
    example: { ...signature, days: ['2026-11-25'], note: '' },
  },
  [`POST ${site('/incidents/{incident}/reopen')}`]: {
    summary:
      'Stations come back after something went wrong, signed with a lead’s own PIN once their list is through',
    needs: 'record',
    example: { ...signature, stations: ['frosty'] },
  },
  [`POST ${site('/sign')}`]: {
    summary: 'Signs a day with the person’s own PIN',
    needs: 'sign-shift',
    example: { ...signature, day: '2026-11-26', reason: '' },
  },
  [`POST ${site('/override')}`]: {
    summary: 'A shift lead decides with their PIN to go on without a wait’s whole time, or to start anyway',
    needs: 'record',
    example: {
      ...signature,
      reason: 'The ferry is boarding',
      what: { kind: 'wait', run: 'run-1', step: 'contact' },
    },
  },
  [`POST ${site('/enter')}`]: {
    summary: 'Enters a run that was done without the tablet, with a shift lead’s PIN',
    needs: 'anybody signed in',
    example: {
      ...signature,
      station: 'galley-bucket',
      procedure: bucket,
      from: 1795990000000,
      to: 1795990600000,
      who: 'bao',
      read: 'strip 200 ppm',
    },
  },
  [`PUT ${site('/photos/{sha256}')}`]: {
    summary: 'The photo, or the data sheet as a PDF, that a record names by its hash',
    needs: 'record',
  },
  [`GET ${site('/photos/{sha256}')}`]: { summary: 'A photo, or a data sheet', needs: 'inspect' },

  'POST /api/plan': {
    summary: 'Plans the shift that is sent: plan, objective, proved bound',
    needs: read,
  },
  [`GET ${site('/learned')}`]: {
    summary:
      'Minutes that steps take here and in each person’s hands, and what people worked in the last seven days',
    needs: read,
  },
  [`POST ${site('/calendar')}`]: {
    summary: 'An address for the calendar of whoever acts; the one before ends',
    needs: read,
  },
  'GET /api/calendar/{site}/{person}/{key}.ics': {
    summary: 'A person’s shifts and work as iCalendar',
    needs: 'a key',
  },

  'POST /api/devices/events': {
    summary: 'Takes what devices report; authorization: Device SITE/DEVICE/TOKEN',
    needs: 'a device',
    example: {
      boot: 'k3v9-27',
      uptime: 900,
      events: [{ n: 1, at: 890, what: 'temperature', value: 3.6, unit: '°C' }],
    },
  },
  'POST /api/devices/samples': {
    summary: 'Takes what a probe streamed; authorization: Device SITE/DEVICE/TOKEN',
    needs: 'a device',
    example: {
      boot: 'k3v9-27',
      uptime: 901,
      from: 900,
      tank: [67.2, 67.1],
      rinse: [61, 60.8],
      pressure: [0, 0],
      on: [1, 1],
    },
  },
  [`GET ${site('/devices')}`]: {
    summary: 'The devices of the site, and when each was last heard',
    needs: read,
  },
  [`POST ${site('/devices')}`]: {
    summary: 'Lets a device report; its token is told once',
    needs: house,
    example: { id: 'probe-1', name: 'Probe of the dish machine', kind: 'dish-probe', station: 'galley-dish' },
  },
  [`POST ${site('/devices/{device}/end')}`]: {
    summary: 'Ends a device: its token opens nothing more',
    needs: house,
  },
  [`GET ${site('/thermometers')}`]: { summary: 'What thermometers that report last read', needs: read },
  [`GET ${site('/dish/{station}/now')}`]: { summary: 'A dish machine at this moment', needs: read },
  [`GET ${site('/dish/trace/{cycle}')}`]: { summary: 'One cycle, second by second', needs: read },
  [`GET ${site('/dish/{station}/days')}`]: { summary: 'Racks and rinses by day', needs: read },
  [`POST ${site('/loggers')}`]: {
    summary: 'Brings in a file of a temperature logger (text/csv); all of it or nothing, and once',
    needs: 'bring-in',
  },
  [`GET ${site('/loggers')}`]: { summary: 'Files of loggers that were brought in', needs: read },
  [`GET ${site('/loggers/{file}/rows')}`]: { summary: 'A file’s rows, thinned out for drawing', needs: read },
  [`POST ${site('/loggers/{file}/withdraw')}`]: {
    summary: 'Takes a file back; the entry stays in the log',
    needs: 'bring-in',
    example: { reason: 'wrong machine' },
  },
  [`GET ${site('/baths/losses')}`]: {
    summary: 'The fraction lost an hour by earlier baths, by product',
    needs: read,
  },
}
