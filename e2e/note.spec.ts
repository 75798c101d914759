import { go, isAccessible, later, press, signIn, tap } from './crew.ts'
import { beginsAnew, expect, test } from './test.ts'

test.use({ hasTouch: true })
beginsAnew()

test('who closes leaves a note; it opens with the morning for who comes, is read by each, and settled', async ({
  page,
  browser,
}) => {
  await signIn(page, 'Ines', '4711')
  await press(page, 'I am in charge')
  await tap(page, page.getByRole('link', { name: 'Leave a note' }), 'tap')
  const leave = page.getByRole('button', { name: 'Leave it' })
  await expect(leave).toBeDisabled()
  await tap(page, page.getByRole('radio', { name: 'Promised' }), 'tap')
  await page.getByLabel('What they must know').fill('40 coffees for the 06:45, paid')
  await tap(page, leave, 'tap')
  await expect(page.getByText('Promised 40 coffees for the 06:45, paid')).toBeVisible()
  await isAccessible(page)
  await expect(page.getByText('all sent')).toBeVisible()
  // Who wrote it is not asked to read it.
  await go(page, '/shift')
  await expect(page.getByRole('heading', { name: 'Left for you' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'I have read it' })).toHaveCount(0)
  await later(page, 8 * 60)

  const morning = await (await browser.newContext({ hasTouch: true })).newPage()
  await signIn(morning, 'Noor', '3690')
  await expect(morning.getByText('Promised 40 coffees for the 06:45, paid')).toBeVisible()
  await isAccessible(morning)
  await press(morning, 'I have read it')
  await expect(morning.getByRole('button', { name: 'I have read it' })).toHaveCount(0)
  await expect(morning.getByText('Promised 40 coffees for the 06:45, paid')).toBeVisible()
  await press(morning, 'Settled')
  await expect(morning.getByText('Promised 40 coffees for the 06:45, paid')).toHaveCount(0)
  await expect(morning.getByText('all sent')).toBeVisible()
  await expect(page.getByText('Promised 40 coffees for the 06:45, paid')).toHaveCount(0)
})
