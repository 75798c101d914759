import { readFile, writeFile } from 'node:fs/promises'
import { counts, go, heading, isAccessible, later, press, settled, signIn } from './crew.ts'
import { beginsAnew, expect, longTest, test, type Page } from './test.ts'

beginsAnew()
test.use({ hasTouch: true })

const close = '/house/procedure/soft-serve-gravity.close'
const row = (page: Page, key: string) => page.locator(`li[data-key="${key}"] > .row`)
async function choose(page: Page, key: string): Promise<void> {
  await settled(page)
  await counts(page)
  await row(page, key).locator('.name').tap()
  await expect(row(page, key).locator('.name')).toHaveAttribute('aria-pressed', 'true')
}
const putInForce = (page: Page) => page.getByRole('button', { name: 'Put in force…' })

test('a lead moves a step so that it is not safe, sees why, mends it, adds a photo and puts it in force; the next run shows it', async ({
  page,
}, info) => {
  test.setTimeout(150_000)
  await signIn(page, 'Ines', '4711', close)
  await expect(page.getByText('As it is in force.')).toBeVisible()
  await isAccessible(page)

  await test.step('hands would go in before the plug is out: said at the step, with the rule and how it is mended', async () => {
    await choose(page, 'isolate')
    await press(page, 'Down')
    await expect(row(page, 'parts-out')).toContainText('Hands go in before the power is cut off')
    await expect(putInForce(page)).toBeDisabled()
    await choose(page, 'parts-out')
    await expect(
      page.getByRole('alert').filter({ hasText: 'Put a step that cuts the power off' }),
    ).toBeVisible()
    await isAccessible(page)
  })
  await test.step('a reload loses nothing of it', async () => {
    await page.reload()
    await expect(row(page, 'parts-out')).toContainText('Hands go in before the power is cut off')
  })
  await test.step('back where it was it holds', async () => {
    await choose(page, 'isolate')
    await press(page, 'Up')
    await expect(page.getByText('As it is in force.')).toBeVisible()
  })
  await test.step('a photo, marked, beside its first step', async () => {
    await choose(page, 'cooling-off')
    await page.getByLabel('More about it').fill('The kiosk light goes out.')
    const picture = info.outputPath('photo.png')
    await writeFile(picture, await page.screenshot())
    await page.locator('[data-field="pictures"] input[type="file"]').setInputFiles(picture)
    await expect(page.locator('.marking canvas').first()).toBeVisible()
    await press(page, 'Put it in the middle')
    await press(page, 'Keep this picture')
    await page.getByLabel('What is to be seen on it').fill('The switch, up')
    await page.getByRole('radio', { name: 'right', exact: true }).tap()
  })
  await test.step('compared, the two differ in that step alone', async () => {
    await press(page, 'Compare')
    await expect(page.locator('tbody tr')).toHaveCount(1)
    await expect(page.locator('tbody tr')).toContainText('changed: More about it, Pictures')
    await isAccessible(page)
  })
  await test.step('tried, it comes to the step, and nothing is in the log', async () => {
    await press(page, 'Try it')
    await heading(page, 'Turn cooling off')
    await expect(page.locator('figure img')).toHaveAttribute('alt', 'The switch, up')
    await press(page, 'Done')
    await heading(page, 'Drain the mix: keep it or throw it away')
  })
  await test.step('put in force from today', async () => {
    await press(page, 'Put in force…')
    await press(page, 'Put in force')
    await expect(page.getByText('As it is in force.')).toBeVisible()
    await expect(page.getByText('all sent')).toBeVisible()
  })
  await test.step('the next run shows it', async () => {
    await go(page, '/run')
    const station = page.locator('.chooser li', { hasText: 'Kiosk soft-serve' })
    await expect(station.getByRole('button', { name: 'Close', exact: true })).toHaveCount(1)
    await station.getByRole('button', { name: 'Close', exact: true }).tap()
    await heading(page, 'Turn cooling off')
    await expect(page.getByText('The kiosk light goes out.')).toBeVisible()
    const shown = page.getByRole('img', { name: 'The switch, up' })
    await expect(shown).toBeVisible()
    expect(await shown.evaluate((i: HTMLImageElement) => i.naturalWidth)).toBeGreaterThan(100)
    await expect(page.getByText('Right.')).toBeVisible()
  })
  await test.step('and the log says who put it in force, and from when on', async () => {
    await go(page, '/log/entries')
    await expect(page.getByText(/In force from .* on: Close, our version 1/)).toBeVisible()
  })
  await test.step('gone back to as it came, the photo is gone', async () => {
    await go(page, '/house/procedure/soft-serve-gravity.close')
    await press(page, 'All of it')
    await page
      .getByRole('listitem')
      .filter({ hasText: 'As it came with Tadka' })
      .getByRole('button', { name: 'Work to this one' })
      .tap()
    await press(page, 'Put in force')
    await press(page, 'Steps')
    await choose(page, 'cooling-off')
    await expect(page.getByLabel('More about it')).toHaveValue('')
  })
})

test('a file that is not safe opens with its step and its rule, and cannot be put in force', async ({
  page,
}, info) => {
  await signIn(page, 'Ines', '4711', '/house/procedures')
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page
      .locator('li', { hasText: 'Wall chart: Kiosk soft-serve' })
      .filter({ hasText: 'Close' })
      .getByRole('button', { name: 'File' })
      .tap(),
  ])
  const document = JSON.parse(await readFile(await file.path(), 'utf8')) as { nodes: { id: string }[] }
  const unsafe = { ...document, nodes: document.nodes.filter((n) => n.id !== 'isolate') }
  const path = info.outputPath('unsafe.json')
  await writeFile(path, JSON.stringify(unsafe))
  await page.locator('input[accept="application/json,.json"]').setInputFiles(path)
  await expect(row(page, 'parts-out')).toContainText('Hands go in before the power is cut off')
  await expect(putInForce(page)).toBeDisabled()
  await press(page, 'Throw this draft away')
  await expect(page.getByText('As it is in force.')).toBeVisible()
})

longTest(
  'a new procedure is written from nothing, waits as a draft on the tablet, and comes into force on its day',
  async ({ page }) => {
    await signIn(page, 'Ines', '4711', '/house/procedures')
    await press(page, 'New procedure')
    // The library has one of that name: this is another.
    await page.getByLabel('Name', { exact: true }).fill('Close')
    await page.locator('.make .n-base-selection').tap()
    await page.locator('.n-base-select-option', { hasText: 'Slush machines' }).tap()
    await press(page, 'Write its steps')
    await page.getByLabel('What to do, in few words').fill('')
    await expect(row(page, 'do')).toContainText('What to do, in few words: fill this in')
    await expect(putInForce(page)).toBeDisabled()
    await page.getByLabel('What to do, in few words').fill('Wipe the drip tray')
    await go(page, '/house/procedures')
    await expect(page.getByRole('heading', { name: 'Drafts on this tablet' })).toBeVisible()
    await press(page, 'Go on')
    await expect(page.getByLabel('What to do, in few words')).toHaveValue('Wipe the drip tray')
    await press(page, 'Put in force…')
    await page.getByRole('radio', { name: 'tomorrow' }).tap()
    await press(page, 'Put in force')
    await expect(page.getByText('all sent')).toBeVisible()
    const buttons = page
      .locator('.chooser li', { hasText: 'Kiosk slush' })
      .getByRole('button', { name: 'Close', exact: true })
    await go(page, '/run')
    const before = await buttons.count()
    await later(page, 24 * 60)
    await go(page, '/run')
    await expect(buttons).toHaveCount(before + 1)
  },
)

test('crew look at a procedure and change nothing', async ({ page }) => {
  await signIn(page, 'Bao', '2468', close)
  await expect(page.getByRole('heading', { name: 'Close' })).toBeVisible()
  await expect(putInForce(page)).toHaveCount(0)
  await expect(page.getByLabel('What to do, in few words')).toBeDisabled()
  await expect(page.locator('.state .n-base-selection').first()).toHaveClass(/disabled/)
})

longTest('a step is dragged by its grip, and stands where it was let go', async ({ page }) => {
  await signIn(page, 'Ines', '4711', close)
  await settled(page)
  const [from, to] = [row(page, 'feed-tube').locator('.grip'), row(page, 'wash-mix')]
  const [a, b] = [await from.boundingBox(), await to.boundingBox()]
  if (!a || !b) throw new Error('not on the screen')
  const cdp = await page.context().newCDPSession(page)
  const finger = async (type: 'touchStart' | 'touchMove' | 'touchEnd', y = 0) => {
    const touchPoints = type === 'touchEnd' ? [] : [{ x: a.x + 20, y }]
    await cdp.send('Input.dispatchTouchEvent', { type, touchPoints })
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(done)))
  }
  await finger('touchStart', a.y + 20)
  for (let i = 1; i <= 24; i++) await finger('touchMove', a.y + 20 + ((b.y + 30 - a.y) * i) / 24)
  await finger('touchEnd')
  const keys = page.locator('.list > ol > li')
  await expect(keys.nth(3)).toHaveAttribute('data-key', 'rinse')
  await expect(keys.nth(4)).toHaveAttribute('data-key', 'feed-tube')
  await expect(page.getByText('It holds on every way through it.')).toBeVisible()
  await press(page, 'Undo')
  await expect(keys.nth(3)).toHaveAttribute('data-key', 'feed-tube')
})
