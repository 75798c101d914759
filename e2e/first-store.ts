import { go, isAccessible, press, tap } from './crew.ts'
import { expect, type Page } from './test.ts'

/** Where chemicals stand on a site that began empty; a machine that is not well, mended; a sample; what it all cost. */
export async function storedAndMended(page: Page, each?: (where: string) => Promise<void>): Promise<void> {
  await go(page, '/house/store')
  await press(page, 'New place')
  await page.getByRole('textbox', { name: 'What it is called' }).fill('Cupboard')
  await page.getByRole('textbox', { name: 'In which area' }).fill('Back')
  await tap(page, page.getByRole('radio', { name: 'A shelf or cupboard' }), 'tap')
  await tap(page, page.getByRole('button', { name: 'Food or drink' }), 'tap')
  await tap(page, page.getByRole('radio', { name: 'No', exact: true }), 'tap')
  await press(page, 'Save the place')
  await expect(page.getByText('Nothing stands too near.')).toBeVisible()
  await tap(page, page.locator('.board'), 'tap')
  await page.locator('.open .n-select').click()
  await page.locator('.n-base-select-option').first().click()
  // Food stands on it: said before it is put there.
  await expect(page.getByText('Not here:')).toBeVisible()
  await press(page, 'It stands here all the same')
  await expect(page.getByRole('heading', { name: 'Too near each other' })).toBeVisible()
  await isAccessible(page)
  await each?.('/house/store')

  await go(page, '/house/repairs')
  await press(page, 'Report a fault')
  await page.locator('.faults form .n-select').click()
  await page.locator('.n-base-select-option', { hasText: 'Soft-serve' }).first().click()
  await tap(page, page.getByRole('radio', { name: 'Noise, shaking' }), 'tap')
  await page.getByRole('textbox', { name: 'What exactly' }).fill('rattles while it turns')
  await tap(page, page.getByRole('radio', { name: 'Yes, with care' }), 'tap')
  await tap(page, page.locator('.faults form').getByRole('button', { name: 'Save', exact: true }))
  const row = page.locator('li', { hasText: 'rattles while it turns' }).first()
  await tap(page, row.getByRole('button', { name: 'It was mended' }))
  await row.getByRole('textbox', { name: 'Who did it' }).fill('Cold Works')
  await row.getByRole('textbox', { name: 'What was done' }).fill('tightened')
  await tap(page, row.getByRole('radio', { name: 'No', exact: true }), 'tap')
  await row.getByRole('textbox', { name: 'Price of work and way' }).fill('35')
  await tap(page, row.getByRole('button', { name: 'Save the repair' }))
  await expect(page.getByText('No fault is open.')).toBeVisible()
  await expect(page.getByText('all sent')).toBeVisible()

  await go(page, '/house/repairs?view=costs')
  await expect(page.locator('tr', { hasText: 'Soft-serve' }).first()).toContainText('35.00')
  // The sink was worked; nobody has said what an hour costs.
  const sink = page.locator('tr', { hasText: 'Sink' })
  await expect(sink).toContainText('no price')
  await page.getByRole('textbox', { name: 'An hour of work' }).fill('20')
  await press(page, 'Save the prices')
  await expect(sink).toContainText(/at least \d+\.\d\d/)
  await each?.('/house/repairs?view=costs')

  await go(page, '/house/lab')
  await press(page, 'A sample was taken')
  await tap(page, page.getByRole('radio', { name: 'Ice', exact: true }), 'tap')
  await page.getByRole('textbox', { name: 'Where exactly' }).fill('scoop')
  await page.getByRole('textbox', { name: 'Which laboratory' }).fill('City Lab')
  await tap(page, page.locator('.lab form').getByRole('button', { name: 'Save', exact: true }))
  await expect(page.getByText('the report is not here yet')).toBeVisible()
  await each?.('/house/lab')

  // The day's sheet tells both where an inspector looks for them.
  await go(page, '/log')
  await expect(page.getByRole('heading', { name: 'What else happened' })).toBeVisible()
  await expect(page.getByText('rattles while it turns').first()).toBeVisible()
  await expect(page.getByText('Sample taken, Ice: scoop')).toBeVisible()
  // What was thrown out says so, by its name.
  await expect(page.getByText('Thrown out. milk, counter fridge')).toBeVisible()
}
