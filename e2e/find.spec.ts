import { encode } from 'uqr'
import { beginsAnew, expect, longTest, test, type Page } from './test.ts'
import { go, isAccessible, press, signIn, touch } from './crew.ts'

beginsAnew()

/** A camera that sees a code: what the page gets instead of the machine's own, which has none. */
async function seeing(page: Page, text: string): Promise<void> {
  const { data } = encode(text, { border: 4 })
  await page.evaluate((dark) => {
    const canvas = document.createElement('canvas')
    const scale = 8
    canvas.width = canvas.height = dark.length * scale
    const context = canvas.getContext('2d')
    const draw = () => {
      if (!context) return
      context.fillStyle = '#fff'
      context.fillRect(0, 0, canvas.width, canvas.height)
      context.fillStyle = '#000'
      dark.forEach((row, y) =>
        row.forEach((on, x) => on && context.fillRect(x * scale, y * scale, scale, scale)),
      )
      requestAnimationFrame(draw)
    }
    draw()
    navigator.mediaDevices.getUserMedia = () => Promise.resolve(canvas.captureStream())
  }, data)
}

test('a machine is found by its number, its name, and its code before the camera', async ({ page }) => {
  await signIn(page, 'Bao', '2468', '/run')
  const find = page.getByRole('textbox', { name: 'Name, or number on the tag' })
  await find.fill('soft-serve')
  await expect(page.locator('ul > li')).toHaveCount(3)
  await find.fill('999')
  await find.press('Enter')
  await expect(page.getByRole('alert')).toContainText('No machine here has this number')
  await find.fill('32')
  await find.press('Enter')
  await expect(page.getByRole('heading', { name: 'Galley dish machine' })).toBeVisible()
  await expect(page.getByRole('button', { name: /Finished .+ on Galley dish machine/ }).first()).toBeVisible()
  await isAccessible(page)
  await page.getByRole('link', { name: 'All machines' }).click()
  await seeing(page, 'https://elsewhere.example/run/at/kiosk-slush')
  await press(page, 'Scan a tag')
  await expect(page.getByRole('heading', { name: 'Kiosk slush' })).toBeVisible()
  await expect(page.getByText('Quayside kiosk · no. 12')).toBeVisible()
})

test.describe('without network', () => {
  test.use({ serviceWorkers: 'allow' })
  test('a code is read', async ({ page }) => {
    await signIn(page, 'Bao', '2468', '/run')
    await expect(page.getByRole('button', { name: 'Scan a tag' })).toBeVisible()
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
    await page.reload()
    await expect(page.getByRole('button', { name: 'Scan a tag' })).toBeVisible()
    await page.context().setOffline(true)
    await seeing(page, 'https://elsewhere.example/run/at/kiosk-slush')
    await press(page, 'Scan a tag')
    await expect(page.getByRole('heading', { name: 'Kiosk slush' })).toBeVisible()
    await page.context().setOffline(false)
  })
})

longTest('without a camera the number is typed, and the page says so', async ({ page }) => {
  await signIn(page, 'Bao', '2468', '/run')
  await press(page, 'Scan a tag')
  await expect(page.getByRole('alert')).toContainText('Type what is printed instead')
  await page.getByRole('dialog').getByRole('button', { name: 'Back' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
})

longTest('tags are printed for every machine', async ({ page }) => {
  await signIn(page, 'Oriel', '9080', '/house/stations')
  await page.getByRole('link', { name: 'Print tags' }).click()
  await expect(page.getByRole('img', { name: 'Code that opens Kiosk slush' })).toBeVisible()
  await isAccessible(page)
})

test('crew see their own next first, begin it with one tap, and are told five hints once', async ({
  page,
  browser,
}) => {
  await signIn(page, 'Ines', '4711')
  await press(page, 'Plan the shift')
  await expect(page.getByText('Last person leaves').first()).toBeVisible({ timeout: 60_000 })
  await expect(page.getByText('all sent')).toBeVisible()
  const context = await browser.newContext({ hasTouch: true })
  const tablet = await context.newPage()
  await signIn(tablet, 'Bao', '2468')
  const yours = tablet.getByRole('region', { name: 'Your shift' })
  await expect(yours).toBeVisible()
  const hint = tablet.getByRole('complementary', { name: 'First evening' })
  await expect(hint).toContainText('1 of 5')
  await isAccessible(tablet)
  await touch(tablet, hint.getByRole('button', { name: 'Got it' }))
  await expect(hint).toContainText('2 of 5')
  await touch(tablet, hint.getByRole('button', { name: 'Got it' }))
  await expect(hint).toHaveCount(0)
  await go(tablet, '/log/entries')
  await expect(hint).toContainText('3 of 5')
  await touch(tablet, hint.getByRole('button', { name: 'Skip all hints' }))
  await go(tablet, '/run')
  await expect(tablet.getByText('Scan a tag')).toBeVisible()
  await expect(hint).toHaveCount(0)
  await go(tablet, '/shift')
  await touch(tablet, yours.getByRole('button', { name: 'Start' }))
  await expect(tablet).toHaveURL(/\/run\//)
})

longTest(
  'a bottle before the camera brings up its entry, or the beginning of one with its code',
  async ({ page }) => {
    await signIn(page, 'Oriel', '9080', '/house/products')
    await seeing(page, '4006381333931')
    await press(page, 'Scan a bar code')
    await expect(page.getByText('No product has this bar code yet.')).toBeVisible()
    const codes = page.getByRole('textbox', { name: 'Bar codes on its bottles' })
    await expect(codes).toHaveValue('4006381333931')
    await press(page, 'Cancel')
    const first = page.locator('section > ul > li').first()
    await first.getByRole('button', { name: 'Change' }).click()
    await codes.fill('123')
    await press(page, 'Save to the log')
    await expect(page.getByText('A bar code has 4 to 48 characters')).toBeVisible()
    await codes.fill('4006381333931')
    await press(page, 'Save to the log')
    await expect(codes).toHaveCount(0)
    await press(page, 'Scan a bar code')
    await expect(first).toHaveClass(/found/)
  },
)
