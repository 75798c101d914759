import type { FaultKind } from '@tadka/core/practice'
import type { Page } from '@playwright/test'
import { address, go, isAccessible, press, signIn } from './crew.ts'
import { GenericCrew } from './generic-crew.ts'
import { seedWith, stateOf } from './practice-seeds.ts'
import { beginsAnew, expect, isLong, longTest, test } from './test.ts'

test.use({ hasTouch: true })
beginsAnew()

const scene = (page: Page) => page.locator('.scene')

/** Whoever works a practice run by touch. What is drawn is looked at, or it is gone on as if all were well. */
class Practising extends GenericCrew {
  readonly looks: boolean

  constructor(page: Page, looks: boolean) {
    super(page)
    this.looks = looks
    this.keeps = 'I read this'
    this.reads = { water: '24' }
    this.waits = (over) => this.#watch(over)
    if (looks) this.instead = (kind, key) => this.#looked(kind, key)
  }

  async #looked(kind: string, key: string): Promise<boolean> {
    if (kind === 'mix') {
      const right = await this.step().innerText()
      const bottle = await scene(this.page)
        .getByRole('img', { name: /^Bottle/ })
        .getAttribute('aria-label')
      if (!right.includes((bottle ?? '').replace('Bottle: ', '')))
        await this.touch(scene(this.page).getByRole('button', { name: /Take another bottle/ }))
      return false
    }
    const between = scene(this.page).locator('.card rect[style*="color-mix"]')
    if (kind === 'check' && (await between.count()) > 0) {
      await this.step().locator('#water').fill('24')
      await this.touch(this.step().getByRole('radio', { name: 'between 100 and 200 ppm' }), true)
      await this.touch(this.step().getByRole('button', { name: /^(Added|Poured|Drained)/ }))
      await expect(between).toHaveCount(0)
      return false
    }
    expect(key).not.toBe('')
    return false
  }

  /** Stands by a wait: what stops is switched on again, what runs out is begun anew. */
  async #watch(over: import('@playwright/test').Locator): Promise<void> {
    const stands = scene(this.page).getByRole('img', { name: /it stands still/ })
    const drips = scene(this.page).getByRole('img', { name: /the spout drips/ })
    const done = this.page.locator('.score')
    for (;;) {
      await expect(over.or(stands).or(drips).or(done).first()).toBeVisible({ timeout: 60_000 })
      if (!this.looks || (await over.count()) > 0) return expect(over).toBeVisible({ timeout: 60_000 })
      if ((await stands.count()) > 0) {
        await this.touch(scene(this.page).getByRole('button', { name: /Motor$/ }))
        await expect(stands).toHaveCount(0)
      } else {
        await this.touch(this.step().getByRole('button', { name: 'It ended too early' }), true)
        await this.touch(this.step().getByRole('button', { name: 'Yes, it ended now' }), true)
        await this.touch(this.step().getByRole('button', { name: 'Start the timer again' }), true)
        await expect(drips).toHaveCount(0)
      }
    }
  }
}

async function practise(
  page: Page,
  procedure: string,
  fault: FaultKind | null,
  looks: boolean,
): Promise<void> {
  const seed = await seedWith(page, procedure, fault)
  await go(page, `/shift/training/practice/${procedure}?seed=${seed}`)
  await page.getByRole('button', { name: 'Begin' }).tap()
  await new Practising(page, looks).toTheEnd()
}

test('a practice run: who looks passes, who does not is told why it matters, and nothing reaches the log', async ({
  page,
}) => {
  test.setTimeout(240_000)
  await signIn(page, 'Noor', '3690')
  const before = (await stateOf(page)).seq
  await go(page, '/shift/training')
  await page
    .locator('.card li', { hasText: 'Sanitizer bucket: Change the bucket' })
    .getByRole('link', { name: 'Practise' })
    .tap()
  await expect(page.getByText('Nothing of it goes in the log')).toBeVisible()
  await isAccessible(page)

  await practise(page, 'bucket.change', 'wrong-bottle', false)
  await expect(page.getByRole('heading', { name: '0 points. Not passed yet.' })).toBeVisible()
  await expect(page.getByText(/The wrong bottle stood at hand/)).toBeVisible()
  await expect(page.getByText(/must not meet some others/)).toBeVisible()
  await isAccessible(page)
  // The same once more, with open eyes.
  await page.getByRole('button', { name: 'The same once more' }).tap()
  await new Practising(page, true).toTheEnd()
  await expect(page.getByRole('heading', { name: '100 points. Passed.' })).toBeVisible()

  // Another fault, where all is worked.
  if (isLong) {
    await practise(page, 'bucket.change', 'strip-between', true)
    await expect(page.getByRole('heading', { name: '100 points. Passed.' })).toBeVisible()
  }

  // What is right says so when it is touched. Leaving in the middle is asked about.
  const clean = await seedWith(page, 'bucket.change', null)
  await go(page, `/shift/training/practice/bucket.change?seed=${clean}`)
  await press(page, 'Begin')
  for (const name of ['Done', 'Done']) await press(page, name)
  await press(page, /Take another bottle/)
  await expect(page.getByText('That was as it should be.')).toBeVisible()
  await page.getByRole('button', { name: '‹ Training' }).tap()
  await expect(page.getByText('Leave the practice? Nothing of it is kept.')).toBeVisible()
  await page.getByRole('button', { name: 'Leave it' }).tap()
  await expect(page).toHaveURL(/\/shift\/training$/)

  expect((await stateOf(page)).seq).toBe(before)
  await expect(page.getByText('all sent')).toBeVisible()
  const log = await page.request.get(address('/api/sites/gannet/records?type=run.started@2&limit=5'))
  expect(log.ok() ? JSON.stringify(await log.json()) : '').not.toContain('practice')
})

longTest(
  'a machine in a practice run: what runs out before its time is seen while time goes faster',
  async ({ page }) => {
    test.setTimeout(300_000)
    await signIn(page, 'Noor', '3690')
    await practise(page, 'slush.open', 'contact-cut', true)
    await expect(page.getByRole('heading', { name: /\d+ points. Passed./ })).toBeVisible()
    await expect(page.getByText('Somebody opened the spout before the time was over')).toBeVisible()
  },
)
