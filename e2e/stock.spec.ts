import { address, go, isAccessible, press, signIn, tap, touch } from './crew.ts'
import { beginsAnew, expect, longTest, test } from './test.ts'

beginsAnew()
test.use({ hasTouch: true })

test('what runs out first stands first; it is ordered, comes with another label, and nobody pours it before that is entered', async ({
  page,
}) => {
  await signIn(page, 'Oriel', '9080')
  await expect(page.getByText('One thing to order')).toBeVisible()
  await go(page, '/house/stock')
  const first = page.locator('ul > li').first()
  await expect(first).toContainText('Brineguard')
  await expect(first).toContainText('Order now')
  await expect(first).toContainText(/\d+ to \d+ days/)
  await isAccessible(page)
  await touch(page, first.locator('button.row'))
  await press(page, 'Ordered')
  // What is proposed is what is to be ordered: a pack of two litres.
  await expect(page.getByRole('textbox', { name: 'How much was ordered' })).toHaveValue('2')
  await press(page, 'Keep')
  const brine = page.locator('ul > li', { hasText: 'Brineguard' })
  await expect(brine).toContainText('2 L on its way, expected 30 Nov')
  await expect(brine).not.toContainText('Order now')
  await press(page, 'It came')
  await expect(page.getByRole('button', { name: 'Keep', exact: true })).toBeDisabled()
  await page.getByRole('textbox', { name: 'Lot on it' }).fill('B-77')
  await tap(page, page.getByRole('radio', { name: 'Another' }), 'tap')
  await expect(page.getByRole('alert')).toContainText('Do not pour it yet')
  await isAccessible(page)
  await press(page, 'Keep')
  await expect(brine).not.toContainText('on its way')
  const href = await page.getByRole('link', { name: 'As a table (CSV)' }).getAttribute('href')
  const table = await page.request.get(address(href ?? ''))
  expect(await table.text()).toContain('Blue towels,1,400,pieces,Harbour Supplies')
  // Whoever mixes with it is told before they pour.
  await go(page, '/bench/mix')
  await press(page, /^Galley cloths/)
  await press(page, 'Poured out and rinsed')
  await expect(page.getByText(/^What came last, lot B-77, has another label/)).toBeVisible()
  await go(page, '/log/entries')
  await expect(page.getByText(/^Came, Brineguard: 2 L, lot B-77\. Its label is another/)).toBeVisible()
})

longTest(
  'crew count by eye and say what was lost; what must be bought is for those who plan',
  async ({ page }) => {
    await signIn(page, 'Bao', '2468', '/house/stock')
    const towels = page.locator('ul > li', { hasText: 'Blue towels' })
    await touch(page, towels.locator('button.row'))
    await expect(page.getByRole('button', { name: 'Ordered' })).toHaveCount(0)
    await expect(page.getByRole('button', { name: 'Something new in stock' })).toHaveCount(0)
    await press(page, 'Count')
    await page.getByRole('textbox', { name: 'How much is there' }).fill('40')
    await press(page, 'Keep')
    await expect(towels).toContainText('about 40 pcs')
    await expect(towels).toContainText('Order now')
    await press(page, 'Lost')
    await page.getByRole('textbox', { name: 'How much was lost' }).fill('30')
    await expect(page.getByRole('button', { name: 'Keep', exact: true })).toBeDisabled()
    await page.getByRole('textbox', { name: 'How', exact: true }).fill('roof leaked on them')
    await press(page, 'Keep')
    await expect(towels).toContainText('about 10 pcs')
  },
)
