import {
  allProcedures,
  latestProcedure,
  proceduresOf,
  type Procedure,
  type RunState,
  type StationState,
} from '@tadka/core/procedure'
import type { AnyRecord } from '@tadka/core/stream'
import { stations } from '../server/demo/products.ts'
import { boxFaults, screens } from './boxes.ts'
import { address, alsoSignsIn, go, settled, signIn, touch } from './crew.ts'
import { GenericCrew, type Finger } from './generic-crew.ts'
import { beginsAnew, expect, isLong, test, type Page } from './test.ts'

beginsAnew()

/**
 * Every procedure of the library, worked to its end through the interface, by touch, by somebody who knows nothing but what the
 * screen says. Some are worked each time; all of them with `--long`.
 */
const always = ['soft-serve-gravity.close', 'dish-machine.open', 'urn.daily', 'surface.in-place']
/** Worked by fingers that tap twice, or rest on the glass: every one of those that are always worked, with `--long`. */
const fingered = isLong ? always : ['urn.daily']
/** The slower of the two fingers works the shorter procedure. */
const rested = isLong ? always : ['urn.daily']
const worked = isLong ? allProcedures().map((p) => p.id) : always.filter((id) => !fingered.includes(id))

test.use({ hasTouch: true })
test.describe.configure({ mode: 'parallel' })

const api = (page: Page) => ({
  async post(path: string, data: object) {
    const answer = await page.request.post(address(`/api/sites/gannet${path}`), { data })
    expect(answer.ok(), await answer.text()).toBe(true)
    return (await answer.json()) as { outcomes: { outcome: string }[] }
  },
  async get<T>(path: string): Promise<T> {
    return (await (await page.request.get(address(`/api/sites/gannet${path}`))).json()) as T
  },
})
const serverNow = async (page: Page) =>
  ((await (await page.request.get(address('/api/health'))).json()) as { serverTime: number }).serverTime

let made = 0
/** A station of its own for a procedure, in the state that it begins from, told as a site tells it. */
async function stationFor(page: Page, p: Procedure): Promise<{ id: string; name: string }> {
  const found = Object.values(stations).find(
    (s) => s.family === p.family || s.family.startsWith(`${p.family}.`),
  )
  if (!found) throw new Error(`no plate for ${p.id}`)
  const id = `try-${p.id.replaceAll('.', '-')}-${(made += 1)}-${test.info().parallelIndex}`
  const name = `Tried: ${p.id} ${made}`
  const subject = { kind: 'station', id }
  const at = await serverNow(page)
  const draft = (type: string, payload: object, by: string, n: number) => ({
    id: crypto.randomUUID(),
    site: 'gannet',
    type,
    subject,
    observedAt: at + n,
    device: 'setup',
    counter: made * 10 + n,
    by,
    payload,
  })
  const { contents, assembly = 'whole', power } = p.begins ?? {}
  const drafts = [draft('station.set@1', { ...found, name }, 'oriel', 0)]
  if (contents !== undefined && contents !== 'unknown')
    drafts.push(
      draft(
        'station.observed@1',
        {
          station: id,
          contents: contents === 'product' ? 'product' : 'empty',
          assembly,
          power: power === 'isolated' ? 'isolated' : 'on',
        },
        'oriel',
        1,
      ),
    )
  const { outcomes } = await api(page).post('/records', { sentAt: at, drafts })
  expect(outcomes.map((o) => o.outcome)).not.toContain('refused')
  const close = proceduresOf(p.family).find((o) => o.id.endsWith('.close'))
  if (p.begins?.hygiene === 'clean' && close)
    await api(page).post('/enter', {
      ...{ person: 'ines', pin: '4711', who: 'bao', read: '', station: id },
      procedure: { id: close.id, version: close.version },
      ...{ from: at - 3_600_000, to: at - 60_000 },
    })
  return { id, name }
}

async function managerSignsIn(page: Page): Promise<void> {
  await signIn(page, 'Bao', '2468')
  await alsoSignsIn(page, 'Oriel', '9080')
}

async function begin(page: Page, name: string, p: Procedure): Promise<string> {
  await go(page, '/run')
  const row = page.locator('.chooser li', { hasText: name })
  await touch(page, row.getByRole('button', { name: p.name, exact: true }))
  await expect(page).toHaveURL(/\/run\/[0-9a-f-]{36}$/)
  return page.url().split('/').at(-1) ?? ''
}

/** Records of a run as the server keeps them, oldest first. */
async function recordsOf(page: Page, run: string): Promise<AnyRecord[]> {
  const { records } = await api(page).get<{ records: AnyRecord[] }>(`/log?kind=run&subject=${run}&limit=200`)
  return records.toReversed()
}
const stateOf = async <T>(page: Page, kind: string, id: string): Promise<T> =>
  (await api(page).get<{ state: T }>(`/subjects/${kind}/${id}`)).state

/** Works one procedure with one kind of finger, and counts the records: nothing was done that was not meant. */
async function work(page: Page, id: string, finger: Finger, each?: GenericCrew['onStep']): Promise<void> {
  const p = latestProcedure(id)
  if (!p) throw new Error(`no procedure ${id}`)
  const station = await stationFor(page, p)
  const run = await begin(page, station.name, p)
  const crew = new GenericCrew(page, finger)
  if (each) crew.onStep = each
  // Every contact time is ended early once: on the screen it has not happened, nor by the server.
  crew.hasty = finger === 'tap'
  let cuts = 0
  crew.onCut = async () => {
    cuts += 1
    await expect(page.getByText('all sent')).toBeVisible()
    const { sanitizedAt, facets } = await stateOf<StationState>(page, 'station', station.id)
    expect([sanitizedAt, facets.contact === 'whole']).toEqual([null, false])
  }
  await crew.toTheEnd()
  await expect(page.getByRole('heading', { name: 'Finished' })).toBeVisible()
  await expect(page.getByText('all sent')).toBeVisible()
  const records = await recordsOf(page, run)
  // What was marked done is what was worked, each once: checks are done by their readings.
  const done = records.flatMap((r) =>
    r.type === 'run.step.done@2' || (r.type === 'reading.taken@1' && r.payload.step !== null)
      ? [r.payload.step ?? '']
      : [],
  )
  expect([...new Set(done)].toSorted()).toEqual([...new Set(crew.worked)].toSorted())
  expect(done.length).toBe(new Set(crew.worked).size + cuts)
  expect(records.filter((r) => r.type === 'bath.mixed@1').length).toBeLessThanOrEqual(
    crew.worked.filter((k) => k.includes('mix')).length,
  )
  // Who sets the site up is signed off for nothing, and told so: it is not about how they work.
  const odd = records.flatMap((r) => r.flags).filter((f) => f !== 'not-signed-off')
  expect(odd).toEqual(Array.from({ length: cuts }, () => 'wait-cut-short'))
  expect((await stateOf<RunState>(page, 'run', run)).status).toBe('finished')
  const { facets, currentRun } = await stateOf<StationState>(page, 'station', station.id)
  expect(currentRun).toBeNull()
  expect(facets).toMatchObject(p.ends ?? {})
}

test('a second tap while the tablet is busy does nothing, however late the tablet comes to it', async ({
  page,
}) => {
  await managerSignsIn(page)
  const p = latestProcedure('house.restrooms')
  if (!p) throw new Error('no such procedure')
  const { name } = await stationFor(page, p)
  await begin(page, name, p)
  const crew = new GenericCrew(page)
  const first = await crew.key()
  const touched = Date.now() / 1000
  await crew.touch(crew.step().getByRole('button', { name: 'Done', exact: true }))
  await expect(crew.step()).not.toHaveAttribute('data-step', first ?? '')
  await settled(page)
  const second = await crew.key()
  const done = crew.step().getByRole('button', { name: 'Done', exact: true })
  // Touched a tenth of a second after the first, and handled only now that the next step stands there.
  await crew.tap(await crew.middle(done), 1, touched + 0.13)
  await settled(page)
  expect(await crew.key()).toBe(second)
  await crew.touch(done)
  await expect(crew.step()).not.toHaveAttribute('data-step', second ?? '')
})

/** Between them they show every kind of step: worked to their end too, by the test that looks at the boxes. */
const looked = ['soft-serve-gravity.close', 'soft-serve-twin.open']

for (const id of worked.filter((each) => !looked.includes(each)))
  test(`${id} is worked to its end by touch`, async ({ page }) => {
    await managerSignsIn(page)
    await work(page, id, 'tap')
  })

for (const finger of isLong ? (['twice', 'hold'] as const) : (['twice'] as const))
  test(`a finger that ${finger === 'twice' ? 'taps twice' : 'rests on the glass'} everywhere does no step that was not meant`, async ({
    page,
  }) => {
    await managerSignsIn(page)
    for (const id of finger === 'twice' ? fingered : rested) await work(page, id, finger)
  })

test('two soft-serve freezers are worked to their end by touch, and at each kind of step nothing lies over anything else, is cut off, or scrolls sideways, on any screen', async ({
  page,
}) => {
  await managerSignsIn(page)
  const seen = new Set<string>()
  const look: GenericCrew['onStep'] = async (kind, key) => {
    if (seen.has(kind)) return
    seen.add(kind)
    for (const screen of screens) {
      await page.setViewportSize(screen)
      expect(await boxFaults(page), `${kind} ${key} at ${screen.width}`).toEqual([])
    }
    await page.setViewportSize(screens[0])
  }
  for (const id of looked) await work(page, id, 'tap', look)
  expect([...seen].toSorted()).toEqual(
    [
      'check',
      'do',
      'fasten',
      'gate',
      'inspect',
      'lubricate',
      'mix',
      'parts',
      'product',
      'sign',
      'wait',
    ].toSorted(),
  )
})

test('the check of boxes sees it: one control moved over another is told', async ({ page }) => {
  await signIn(page, 'Bao', '2468', '/run')
  await expect(page.locator('.chooser li').first()).toBeVisible()
  expect(await boxFaults(page)).toEqual([])
  await page
    .locator('.chooser .acts button')
    .nth(1)
    .evaluate((button) => {
      const first = document.querySelector('.chooser .acts button')
      const [from, to] = [button.getBoundingClientRect(), first?.getBoundingClientRect()]
      if (!to) throw new Error('nothing to move it over')
      button.setAttribute(
        'style',
        `position: relative; left: ${to.left - from.left}px; top: ${to.top - from.top}px`,
      )
    })
  expect((await boxFaults(page)).map((f) => f.what)).toContain('over')
})
