import { randomUUID } from 'node:crypto'
import type { Page } from '@playwright/test'
import { address, go, isAccessible, later, press, settled, signIn, tap } from './crew.ts'
import { photographed, photoStands } from './photo.ts'
import { GenericCrew } from './generic-crew.ts'
import { stateOf } from './practice-seeds.ts'
import { beginsAnew, expect, test } from './test.ts'

test.use({ hasTouch: true, actionTimeout: 30_000 })
beginsAnew()

/** Stores all machines but these for the season: what is left is a small site. */
async function leaves(page: Page, ...ids: string[]): Promise<void> {
  const { states } = await stateOf(page)
  const others = states.filter((s) => s.kind === 'station' && !ids.includes(s.id))
  const drafts = others.map(({ id }, n) => ({
    ...{ id: randomUUID(), site: 'gannet', type: 'station.laid-up@1', subject: { kind: 'station', id } },
    ...{ observedAt: Date.now(), device: 'browser-test', counter: 900_000 + n, by: 'ines' },
    payload: { station: id, reason: 'winter' },
  }))
  const answer = await page.request.post(address('/api/sites/gannet/records'), {
    data: { sentAt: Date.now(), drafts },
  })
  expect(answer.ok(), await answer.text()).toBe(true)
  const { outcomes } = (await answer.json()) as { outcomes: { outcome: string }[] }
  expect(outcomes.filter((o) => o.outcome !== 'accepted')).toEqual([])
}

/** Calls it from the screen at hand: picked, then held. */
async function calls(page: Page, kind: string): Promise<void> {
  await tap(page, page.getByRole('link', { name: 'Something is wrong' }), 'tap')
  await tap(page, page.getByRole('radio', { name: kind }), 'tap')
  const hold = page.getByRole('button', { name: `Hold: ${kind}` })
  // A tap is not enough.
  await settled(page)
  await hold.tap()
  await expect(page).toHaveURL(/\/shift\/wrong$/)
  await new GenericCrew(page).hold(hold, () => expect(page).toHaveURL(/\/shift\/wrong\/[0-9a-f-]{36}$/))
  await expect(page.getByRole('heading', { name: kind, level: 1 })).toBeVisible()
}

/** Says of each thing that can be said now that it is done. */
async function ticks(page: Page): Promise<void> {
  const open = page.getByRole('button', { name: /^(Done|Thrown out|All thrown out)$/ })
  for (let left = await open.count(); left > 0; left = await open.count()) {
    await tap(page, open.first(), 'tap')
    await expect.poll(() => open.count()).toBeLessThan(left)
  }
}
const notice = (page: Page) => page.getByRole('alert').filter({ hasText: 'since' })
const lists = (page: Page) => page.locator('main')
const toList = async (page: Page, kind: string) => {
  await tap(
    page,
    notice(page)
      .filter({ hasText: kind })
      .getByRole('link', { name: /What to do/ }),
    'tap',
  )
  await expect(page.getByRole('heading', { name: kind, level: 1 })).toBeVisible()
}
async function approved(page: Page): Promise<void> {
  await page.getByLabel('Who approved?').fill('J. Aalto, district health office')
  const form = page.locator('form', { has: page.getByLabel('Who approved?') })
  await photographed(page, form, 'Photo taken')
  await press(page, 'Record it')
  await expect(page.getByText(/^Approved by J. Aalto/)).toBeVisible()
  await photoStands(page, 'incident.approved@1')
}
async function signed(page: Page): Promise<void> {
  await press(page, 'Bring back and sign')
  const dialog = page.getByRole('dialog')
  await dialog.locator('#lead-pin').fill('4711')
  await dialog.getByRole('button', { name: 'Bring back and sign' }).tap()
  await expect(page.getByText(/^Ended .* signed by Ines\.$/)).toBeVisible()
}

test('water fails with a soft-serve run under way; the boil notice is lifted next noon; all is worked, reopened and signed', async ({
  page,
}) => {
  test.setTimeout(300_000)
  await signIn(page, 'Ines', '4711')
  await leaves(page, 'kiosk-soft-serve', 'kiosk-nozzles')
  await page.reload()

  await test.step('a run is begun, and stands still once the water is gone', async () => {
    await go(page, '/run')
    await page
      .locator('.chooser li', { hasText: 'Kiosk soft-serve' })
      .getByRole('button', { name: /^Close/ })
      .tap()
    await expect(page).toHaveURL(/\/run\/[0-9a-f-]{36}$/)
    const run = page.url()
    await press(page, 'Done')
    await calls(page, 'No water')
    await expect(page.getByText('2 machines and areas out of service.').first()).toBeVisible()
    await isAccessible(page)
    await page.goto(run)
    await expect(page.getByText(/Nothing that is done here now counts/)).toBeVisible()
    await expect(page.locator('section.step').getByRole('button', { name: 'Done' })).toHaveCount(0)
  })

  await test.step('a notice is heard an hour later: it names a time before it', async () => {
    await later(page, 60)
    await calls(page, 'Water unsafe: boil notice')
    await expect(lists(page).getByText('Kiosk soft-serve: All that is in it')).toBeVisible()
    await press(page, 'Nobody knows')
    await expect(page.getByText('Nobody knows: all of it is in doubt.')).toBeVisible()
    await expect(page.getByRole('button', { name: 'Bring back and sign' })).toHaveCount(0)
  })

  await test.step('the water is back, and the notice holds: nothing begins', async () => {
    await later(page, 30)
    await toList(page, 'No water')
    await press(page, 'The water is back')
    await expect(page.getByText(/^Over since/)).toBeVisible()
    await go(page, '/run/begin/kiosk-soft-serve/soft-serve-gravity.close')
    await expect(page.getByText(/It waits until that is over/)).toBeVisible()
    await expect(page.getByRole('button', { name: 'Start now' })).toHaveCount(0)
  })

  await test.step('next noon it is lifted: what was begun before is given up, all is flushed and cleaned', async () => {
    await later(page, 12 * 60)
    await toList(page, 'Water unsafe: boil notice')
    await press(page, 'The notice is lifted')
    await ticks(page)
    await approved(page)
    const begin = page.getByRole('button', { name: 'Begin', exact: true })
    for (let left = await begin.count(); left > 0; left--) {
      await tap(page, begin.first(), 'tap')
      await expect(page).toHaveURL(/\/run\//)
      await new GenericCrew(page).toTheEnd()
      await expect(page.getByRole('heading', { name: 'Finished' })).toBeVisible()
      await go(page, '/shift')
      await toList(page, 'Water unsafe: boil notice')
      await expect(begin).toHaveCount(left - 1)
    }
    await signed(page)
  })

  await test.step('the other one is through with the same runs; product comes only after both', async () => {
    await go(page, '/run/begin/kiosk-soft-serve/soft-serve-gravity.open')
    await expect(page.getByText(/It waits until that is over/)).toBeVisible()
    await toList(page, 'No water')
    await ticks(page)
    await approved(page)
    await signed(page)
    await expect(notice(page)).toHaveCount(0)
    await go(page, '/log/entries')
    await expect(
      page.getByText(/Ended. Back in service: Kiosk (nozzles|soft-serve), Kiosk/).first(),
    ).toBeVisible()
  })
})

test('a fire shows one screen until everybody is counted, works without network, and ends as a false alarm', async ({
  page,
  context,
}) => {
  await signIn(page, 'Ines', '4711')
  // As on every tablet that has been on for some seconds.
  await go(page, '/shift/wrong')
  await expect(page.getByRole('radio', { name: 'Gas' })).toBeVisible()
  await go(page, '/shift')
  await context.setOffline(true)
  await calls(page, 'Fire')
  await expect(page.getByRole('heading', { name: 'Everybody out. Now.' })).toBeVisible()
  await expect(page.getByRole('link', { name: '112' })).toBeVisible()
  await expect(page.getByText('Call', { exact: true })).toHaveCount(0)
  await isAccessible(page)
  const counted = page.getByRole('button', { name: 'Everybody is counted' })
  await expect(counted).toBeDisabled()
  const outs = await page.getByRole('button', { name: 'is out' }).all()
  for (const [n, out] of outs.entries()) {
    await settled(page)
    if (n > 1) await page.getByRole('button', { name: 'was not at work' }).nth(n).tap()
    else await out.tap()
  }
  await settled(page)
  await counted.tap()
  await expect(page.getByText(/Counted at .* 2 out\./)).toBeVisible()
  await context.setOffline(false)
  await page.getByRole('textbox', { name: 'It was a false alarm' }).fill('toast, no fire')
  await press(page, 'False alarm')
  await expect(page.getByText(/^False alarm, .* toast, no fire$/)).toBeVisible()
  await expect(notice(page)).toHaveCount(0)
  await expect(page.getByText('all sent')).toBeVisible()
})

test('from any place what goes wrong is one tap away, and rounds, deliveries, stock, pests and repairs three at most', async ({
  page,
}) => {
  await signIn(page, 'Oriel', '9080')
  for (const place of ['Shift', 'Run', 'Bench', 'Dishroom', 'Log', 'House']) {
    await tap(page, page.getByRole('link', { name: new RegExp(`^${place}`) }).last(), 'tap')
    await expect(page.getByRole('link', { name: 'Something is wrong' })).toBeVisible()
  }
  const main = page.getByRole('navigation', { name: 'Keys' })
  for (const [where, first, ...rest] of [
    ['/shift/rounds', 'Shift', 'Rounds'],
    ['/shift/tasks', 'Shift', 'To do'],
    ['/shift/cold/delivery', 'Shift', 'Cold food', 'Delivery'],
    ['/house/stock', 'House', 'Stock'],
    ['/house/pests', 'House', 'Pests'],
    ['/house/store', 'House', 'Chemical store'],
    ['/house/repairs?view=costs', 'House', 'Repairs', 'Costs of a month'],
    ['/house/lab', 'House', 'Laboratory'],
  ] as const) {
    // From the place that is farthest: three taps at most.
    await go(page, '/dish')
    await tap(page, main.getByRole('link', { name: first }), 'tap')
    for (const name of rest) {
      const link = page.getByRole('link', { name, exact: true })
      await tap(page, link.or(page.getByRole('radio', { name, exact: true })).first(), 'tap')
    }
    await expect(page).toHaveURL(address(where))
  }
})
