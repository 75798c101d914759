import { go, isAccessible, later, press, settled, signIn, tap, touch } from './crew.ts'
import { photographed, photoStands } from './photo.ts'
import { beginsAnew, expect, test } from './test.ts'

beginsAnew()
test.use({ hasTouch: true })

test('crew walk the evening round; what is not fine has an owner and a day, and stands with them until it is done', async ({
  page,
  browser,
}) => {
  await signIn(page, 'Bao', '2468')
  await expect(page.getByText('Evening round')).toBeVisible()
  await touch(page, page.getByRole('button', { name: 'Begin' }))
  await expect(
    page.getByRole('heading', { name: /^Outer doors and windows close tight/, level: 2 }),
  ).toBeVisible()
  await isAccessible(page)
  const fine = page.getByRole('button', { name: 'Fine', exact: true })
  await touch(page, fine)
  await expect(page.getByText('1 of 10 looked at')).toBeVisible()
  // A second tap of a wet glove at the same place tells nothing of the next point.
  await page.getByRole('heading', { name: /^Bins are covered/, level: 2 }).waitFor()
  await press(page, 'Not fine')
  await expect(fine).toBeDisabled()
  await page.getByLabel('What is wrong').fill('no lid on the kiosk bin')
  await page.locator('.look .n-select').click()
  await page.locator('.n-base-select-option', { hasText: 'Wen' }).click()
  await page.getByRole('radio', { name: 'Tomorrow' }).tap()
  await photographed(page, page.locator('.look'), 'Photo taken. Take another')
  await press(page, 'Keep')
  await photoStands(page, 'walk.looked@1')
  await expect(page.getByText('2 of 10 looked at')).toBeVisible()
  // Gone to something else and come back: it goes on where it was.
  await go(page, '/shift')
  await touch(page, page.getByRole('button', { name: 'Go on' }))
  for (let n = 3; n <= 10; n++) {
    await touch(page, fine)
    await expect(page.getByText(`${n} of 10 looked at`)).toBeVisible()
  }
  await expect(page.getByText('All of it was looked at.')).toBeVisible()
  await press(page, 'End the round')
  await expect(page).toHaveURL(/\/shift$/)
  await expect(page.getByRole('button', { name: 'Begin' })).toHaveCount(0)
  await go(page, '/shift/rounds')
  await expect(page.locator('li', { hasText: 'Evening round' })).toContainText('1 wrong')
  await expect(page.locator('li', { hasText: 'Walk for pests' }).getByRole('button')).toBeDisabled()
  await isAccessible(page)

  const context = await browser.newContext({ hasTouch: true })
  const hers = await context.newPage()
  await signIn(hers, 'Wen', '8642')
  await expect(hers.getByText('no lid on the kiosk bin')).toHaveCount(0)
  await later(hers, 24 * 60)
  await settled(hers)
  const mine = hers.locator('li', { hasText: 'no lid on the kiosk bin' })
  await expect(mine).toContainText('today, yours')
  await tap(hers, mine.getByRole('link', { name: 'Done' }), 'tap')
  await hers.getByLabel('What was done, if it is worth a word').fill('new lid from the store')
  await isAccessible(hers)
  await press(hers, 'Done')
  await expect(hers.locator('li', { hasText: 'no lid on the kiosk bin' })).toHaveCount(0)
  await go(hers, '/log/entries')
  await expect(hers.getByText('Done: no lid on the kiosk bin. new lid from the store')).toBeVisible()
  await context.close()
})

test('a round that is left half-way says what was left out, and is no walked round', async ({ page }) => {
  await signIn(page, 'Ines', '4711', '/shift/rounds')
  const evening = page.locator('li', { hasText: 'Evening round' })
  await touch(page, evening.getByRole('button'))
  await touch(page, page.getByRole('button', { name: 'Fine', exact: true }))
  await page.getByText('Leave it here').first().tap()
  await expect(page.getByRole('button', { name: 'Leave it here' })).toBeDisabled()
  await page.getByRole('textbox', { name: 'Why the rest is left out' }).fill('a coach came early')
  await press(page, 'Leave it here')
  await go(page, '/shift/rounds')
  await expect(evening).toContainText('9 not looked at')
  await expect(evening.getByRole('button', { name: 'Begin' })).toBeEnabled()
})
