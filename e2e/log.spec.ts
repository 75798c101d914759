import { dateAfter } from '@tadka/core/calendar'
import { beginsAnew, expect, longTest, test } from './test.ts'
import { counts, go, isAccessible, press, settled, signIn } from './crew.ts'

beginsAnew()
test.use({ hasTouch: true })

test('the inspector is here: the soft-serve’s month as a PDF in four taps', async ({ page }) => {
  await signIn(page, 'Ines', '4711', '/log')
  await expect(page.getByText(/\d+ cleanings/)).toBeVisible()
  let taps = 0
  const tap = async (name: string, role: 'button' | 'link' = 'button') => {
    await settled(page)
    await page.getByRole(role, { name, exact: true }).tap()
    taps++
  }
  await tap('Inspector’s pack', 'link')
  await tap('Kiosk soft-serve')
  await isAccessible(page)
  await tap('Make the pack')
  const link = page.getByRole('link', { name: /Open the PDF/ })
  await expect(link).toBeVisible({ timeout: 60_000 })
  await isAccessible(page)
  const answer = await page.request.get(new URL((await link.getAttribute('href')) ?? '', page.url()).href)
  taps++
  expect(taps).toBeLessThan(5)
  expect(answer.headers()['content-type']).toBe('application/pdf')
  expect((await answer.body()).subarray(0, 5).toString()).toBe('%PDF-')
  // What is asked for anew is not what was made.
  await tap('Galley custard')
  await expect(link).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Make the pack' })).toBeVisible()
})

longTest(
  'a day on a page: the day before, one station, a run opened to its steps, a reading to its limits; back leads back',
  async ({ page }) => {
    await signIn(page, 'Bao', '2468', '/log')
    const today = await page.getByLabel('Day', { exact: true }).inputValue()
    await expect(page.getByText(/\d+ cleanings/)).toBeVisible()
    await page.getByRole('button', { name: 'The day before' }).tap()
    await expect(page.getByText(/Signed .+ by Ines/)).toBeVisible()
    expect(new URL(page.url()).searchParams.get('day')).toBe(dateAfter(today, -1))
    await isAccessible(page)
    await go(page, `/log?day=${dateAfter(today, -1)}&station=kiosk-slush`)
    const run = page.getByRole('button', { name: /Clean in place/ }).first()
    await run.tap()
    await expect(page.getByRole('button', { name: /Finished Clean in place on Kiosk slush/ })).toBeVisible()
    await page
      .getByRole('button', { name: /Skerrychlor, strip/ })
      .first()
      .tap()
    await expect(page.getByText('40 CFR 180.940').first()).toBeVisible()
    await expect(page.getByText('Galley custard')).toHaveCount(0)
    await page.goBack()
    await page.goBack()
    await expect(page.getByLabel('Day', { exact: true })).toHaveValue(today)
  },
)

test('what failed on one machine is found, its address finds it again, and words find by what things are called', async ({
  page,
}) => {
  await signIn(page, 'Bao', '2468', '/log/entries?station=kiosk-soft-serve&verdict=not-in')
  const rows = page.locator('.row')
  await expect(rows.first()).toBeVisible()
  for (const row of await rows.all())
    await expect(row).toContainText(/Too close to call|Out of range|Can’t tell/)
  const n = await rows.count()
  await expect(page.getByRole('button', { name: `Everything (${n})` })).toBeVisible()
  await isAccessible(page)
  await page.reload()
  await expect(rows).toHaveCount(n)
  await press(page, 'Show everything')
  await page.getByRole('searchbox', { name: 'Words' }).fill('slush bao')
  await expect(page).toHaveURL(/words=slush\+bao/)
  await expect(rows.first()).toContainText('Bao')
  await expect(rows.first()).toContainText('Kiosk slush')
  await page.getByRole('searchbox', { name: 'Words' }).fill('zzzz')
  await expect(page.getByRole('heading', { name: /Nothing in the log fits/ })).toBeVisible()
})

test('the tablet in the inspector’s hands shows its days and nothing else, until somebody gives a PIN', async ({
  page,
}) => {
  await signIn(page, 'Ines', '4711')
  await expect(page.getByText('all sent')).toBeVisible()
  await go(page, '/log/pack')
  await press(page, 'Hand over this tablet')
  await page.getByRole('textbox', { name: 'Inspector’s name' }).fill('A. Quill')
  await press(page, 'Hand over this tablet')
  await expect(page.getByRole('heading', { name: 'Gannet Terminal: cleaning log' })).toBeVisible()
  await expect(page.getByText(/\d+ cleanings/)).toBeVisible()
  await isAccessible(page)
  for (const path of ['/shift', '/house/people', '/run']) {
    await page.goto(new URL(path, page.url()).href)
    await expect(page.getByRole('heading', { name: 'Gannet Terminal: cleaning log' })).toBeVisible()
  }
  const read = await page.request.get(new URL('/api/sites/gannet/days', page.url()).href)
  expect(read.status()).toBe(403)
  await press(page, 'Back to work: sign in')
  await expect(page).toHaveURL(/\/sign-in$/)
  await signIn(page, 'Ines', '4711', '/log/entries')
  await expect(page.getByText('Link for an inspector: A. Quill')).toBeVisible()
})

test('a day is reviewed by who did not sign it, the exceptions first, with their own PIN', async ({
  page,
}) => {
  await signIn(page, 'Oriel', '9080', '/log')
  await page.getByRole('button', { name: 'The day before' }).tap()
  await expect(page.getByRole('heading', { name: 'Look at these first' })).toBeVisible()
  await press(page, 'Review this day')
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByText(/on this day (was|were) not as/)).toBeVisible()
  await isAccessible(page)
  await expect(dialog.getByRole('button', { name: 'Sign the review', exact: true })).toBeDisabled()
  for (const digit of '9080') {
    await counts(page)
    await dialog.getByRole('button', { name: digit, exact: true }).tap()
  }
  await dialog.getByRole('button', { name: 'Sign the review', exact: true }).tap()
  await expect(page.getByText(/Reviewed .+ by Oriel/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Review this day' })).toHaveCount(0)
})
