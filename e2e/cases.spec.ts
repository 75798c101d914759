import { go, isAccessible, press, signIn } from './crew.ts'
import { expect, longTest, test } from './test.ts'

test.use({ hasTouch: true })

longTest(
  'a corrective action about something nobody measured: opened by crew, told, closed by a lead, and whole on one page',
  async ({ page }) => {
    await signIn(page, 'Bao', '2468', '/log')
    await page.getByRole('link', { name: 'Open a corrective action' }).tap()
    await expect(page.getByRole('heading', { name: 'Open a corrective action', level: 1 })).toBeVisible()
    await press(page, 'Open a corrective action')
    await expect(page.getByRole('alert')).toHaveText('Write what happened, three letters or more.')
    await page.getByRole('textbox', { name: 'What happened' }).fill('hand sink blocked from nine to ten')
    await isAccessible(page)
    await press(page, 'Open a corrective action')

    // It is told in the words of who tells it; what it often is needs no typing.
    await expect(page.getByText('hand sink blocked from nine to ten')).toBeVisible()
    const part = (name: string) => page.locator('section', { has: page.getByRole('heading', { name }) })
    const cause = part('Why did it happen?')
    await expect(cause.getByText('Not said yet')).toBeVisible()
    await cause.getByRole('button', { name: 'Equipment missing or broken' }).tap()
    await cause.getByRole('button', { name: 'Add', exact: true }).tap()
    await expect(cause.getByText(/Equipment missing or broken \d/)).toBeVisible()
    const fix = part('What keeps it from happening again?')
    await fix.getByRole('textbox').fill('strainer put into the drain')
    await fix.getByRole('button', { name: 'Add', exact: true }).tap()
    await isAccessible(page)
    await expect(page.getByRole('button', { name: 'Close it' })).toHaveCount(0)

    // It stands first on the shift's page, until a lead closes it with what shows that all is well.
    await go(page, '/shift')
    await page.getByRole('link', { name: /hand sink blocked from nine to ten/ }).tap()
    await expect(page.getByText('strainer put into the drain')).toBeVisible()
    await signIn(page, 'Ines', '4711', '/shift')
    await page.getByRole('link', { name: /hand sink blocked from nine to ten/ }).tap()
    await press(page, 'Close it')
    await page
      .getByRole('textbox', { name: 'What shows that all is well again?' })
      .fill('water runs off at once')
    await press(page, 'Close it')
    await expect(page.getByText(/Closed .+: water runs off at once Ines/)).toBeVisible()
    await go(page, '/shift')
    await expect(page.getByRole('link', { name: /hand sink blocked/ })).toHaveCount(0)
    await go(page, '/log')
    await expect(page.getByRole('link', { name: /hand sink blocked from nine to ten/ })).toBeVisible()
  },
)

longTest('a month is read on one page, one station of it, and a day of it opens', async ({ page }) => {
  await signIn(page, 'Ines', '4711', '/log?station=kiosk-slush')
  await page.getByRole('link', { name: 'The month', exact: true }).tap()
  await expect(page.getByRole('heading', { name: /^[A-Z][a-z]+ \d{4}, Kiosk slush$/ })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Print this month' })).toBeEnabled({ timeout: 60_000 })
  await expect(page.locator('.run').first()).toContainText(/Clean in place/)
  await isAccessible(page)
  await page.locator('h3 a').first().tap()
  await expect(page).toHaveURL(/\/log\?day=.*station=kiosk-slush/)
})

test('trends answer their questions, and a manager alone sees what the log makes one ask', async ({
  page,
}) => {
  await signIn(page, 'Bao', '2468', '/log/trends')
  await expect(page.getByRole('heading', { name: /^Is .+ drifting\?$/ }).first()).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Which checks fail, and where?' })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'How long does each machine take?' })).toBeVisible()
  await isAccessible(page)
  await expect(page.getByRole('link', { name: /^Questions/ })).toHaveCount(0)

  await signIn(page, 'Oriel', '9080', '/log')
  await page.getByRole('link', { name: /^Questions/ }).tap()
  await expect(page.getByText(/Looked for in the last 14 days/)).toBeVisible()
  await expect(page.getByText(/Nothing in the last 14 days|It may be quite right/).first()).toBeVisible()
  await isAccessible(page)
})
