import { beginsAnew, expect, longTest, test } from './test.ts'
import { address, atDoor, hasRunPlace, isAccessible, press, signIn } from './crew.ts'
import { colourful, places, visit } from './places.ts'

beginsAnew()

for (const colorScheme of ['light', 'dark'] as const) {
  test.describe(`in the ${colorScheme} theme`, () => {
    test.use({ colorScheme })

    longTest('the gallery of pieces is clean under axe, and a held button is held', async ({ page }) => {
      await page.goto(`${process.env['TADKA_GALLERY']}/gallery`)
      await expect(page.getByRole('heading', { name: 'Pieces' })).toBeVisible()
      await isAccessible(page)
      const button = page.getByRole('button', { name: 'Hold to confirm' })
      await button.click()
      await expect(page.getByTestId('held')).toHaveText('0')
      await button.focus()
      await page.keyboard.down('Enter')
      await expect(page.getByTestId('held')).toHaveText('1')
      await page.keyboard.up('Enter')
    })

    test('the sign-in and every place are clean under axe', async ({ page }) => {
      await page.goto(address())
      await page.getByLabel('Name for this tablet').waitFor()
      await isAccessible(page)
      await atDoor(page)
      await press(page, /Bao/)
      await isAccessible(page)
      await signIn(page, 'Bao', '2468')
      for (const place of colorScheme === 'light' ? places : colourful) {
        await visit(page, place)
        await isAccessible(page, colorScheme === 'light' ? 'all' : 'contrast')
      }
    })
  })
}

test('nothing is asked of any other machine', async ({ page }) => {
  const others: string[] = []
  page.on('request', (r) => {
    if (!r.url().startsWith(address('')) && !r.url().startsWith('data:') && !r.url().startsWith('blob:'))
      others.push(r.url())
  })
  await signIn(page, 'Dara', '1357', '/bench/mix')
  await expect(page.getByRole('heading', { name: 'Bench: Mix', level: 1 })).toBeVisible()
  expect(others).toEqual([])
})

test('places, mix and check answer to single keys, which sleep while one types', async ({ page }) => {
  await signIn(page, 'Dara', '1357')
  await page.keyboard.press('4')
  await expect(page).toHaveURL(/\/dish$/)
  await page.keyboard.press('5')
  await expect(page).toHaveURL(/\/log$/)
  await page.keyboard.press('m')
  await expect(page).toHaveURL(/\/bench\/mix$/)
  await page.locator('#mix-volume').press('1')
  await expect(page).toHaveURL(/\/bench\/mix$/)
  await page.locator('#mix-volume').blur()
  await page.keyboard.press('/')
  await page.getByLabel('Find a station').fill('11')
  await expect(page.getByRole('button', { name: /Kiosk soft-serve/ })).toBeVisible()
  await expect(page.getByRole('button', { name: /Galley cloths/ })).toBeHidden()
})

test('a place that did not come through the Wi-Fi is told, and comes by itself', async ({ page }) => {
  await signIn(page, 'Bao', '2468')
  // Lost until it was told, however long that takes.
  let losing = true
  await page.route(/assets\/BenchPlace.*\.js/, (route) => (losing ? route.abort() : route.continue()))
  await page.getByRole('link', { name: 'Bench' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'could not be loaded' })).toBeVisible()
  losing = false
  await expect(page.getByRole('heading', { name: 'Bench: Mix', level: 1 })).toBeVisible()
})

test('without network what is done is kept, shown as unsent, and sent by itself', async ({
  page,
  context,
}) => {
  await signIn(page, 'Wen', '8642', '/run')
  const row = page.locator('li', { hasText: 'Espresso cloths' })
  await expect(row).toBeVisible()
  await hasRunPlace(page)
  await context.setOffline(true)
  await row.getByRole('button', { name: 'Fill the sanitizer bucket' }).click()
  await expect(page.getByRole('heading', { name: 'Mix the bucket' })).toBeVisible()
  await expect(page.getByText('1 not sent yet')).toBeVisible()
  await context.setOffline(false)
  await expect(page.getByText('all sent')).toBeVisible({ timeout: 20_000 })
})
