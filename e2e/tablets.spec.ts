import { address, go, hasRunPlace, isAccessible, press } from './crew.ts'
import { beginsAnew, expect, test } from './test.ts'

beginsAnew()

test.use({ hasTouch: true })

test('a manager makes the office’s browser a tablet, gives another a code, and ends the one that was lost', async ({
  page,
  browser,
}) => {
  // No names, and no PIN, before it is one.
  await page.goto(address())
  await expect(page.getByRole('heading', { name: 'Add this tablet to the site' })).toBeVisible()
  await expect(page.getByText('Oriel')).toHaveCount(0)
  await press(page, 'Manager with password')
  await page.getByLabel('Login').fill('oriel')
  await page.getByLabel('Password').fill('night ferry 2110')
  await press(page, 'Sign in')
  await expect(page.getByRole('button', { name: /^Acting: Oriel/ })).toBeVisible()
  await go(page, '/house/tablet')
  await page.getByLabel('Name for this tablet').fill('Office')
  await press(page, 'Add this tablet')
  await expect(page.getByRole('listitem').filter({ hasText: 'Office' })).toContainText('this one')
  await press(page, 'Add another tablet')
  const code = await page.locator('.code strong').innerText()
  await isAccessible(page)

  const bar = await (await browser.newContext({ hasTouch: true })).newPage()
  await bar.goto(address())
  await bar.getByLabel('Name for this tablet').fill('Bar tablet')
  // Pasted as it was told, with the space in it.
  await bar.getByLabel('Code, 8 digits').fill(code)
  await expect(bar.getByLabel('Code, 8 digits')).toHaveValue(code.replace(' ', ''))
  await press(bar, 'Add this tablet')
  await press(bar, /Bao/)
  for (const digit of '2468') await press(bar, digit)
  await press(bar, 'Sign in')
  await expect(bar.getByRole('button', { name: /^Acting: Bao/ })).toBeVisible()

  // It is left on the ferry, out of reach, and somebody goes on with it there.
  await go(bar, '/run')
  const cloths = bar.locator('li', { hasText: 'Espresso cloths' })
  await expect(cloths).toBeVisible()
  await hasRunPlace(bar)
  await bar.context().setOffline(true)
  await cloths.getByRole('button', { name: 'Fill the sanitizer bucket' }).click()
  await expect(bar.getByText('1 not sent yet')).toBeVisible()
  await page.reload()
  const row = page.getByRole('listitem').filter({ hasText: 'Bar tablet' })
  await expect(row).toContainText('last sign-in')
  await row.getByRole('button', { name: 'Remove', exact: true }).click()
  await press(page, 'Remove it')
  await expect(row).toContainText('removed')

  // What it still sends is kept, and decided.
  await bar.context().setOffline(false)
  await bar.reload()
  await expect(bar.getByRole('heading', { name: 'Add this tablet to the site' })).toBeVisible()
  await go(page, '/log')
  const held = page.getByRole('listitem').filter({ hasText: 'The tablet had been removed.' })
  await expect(async () => {
    await page.reload()
    await expect(held).toBeVisible({ timeout: 2000 })
  }).toPass({ timeout: 60_000 })
  await isAccessible(page)
  await held.getByRole('button', { name: 'Add to the log' }).click()
  await page.getByLabel('Reason').fill('I know that she was there')
  await press(page, 'Add to the log')
  await expect(held).toBeHidden()
  await go(page, '/log/entries')
  await expect(page.getByText('added by a manager')).toBeVisible()
})
