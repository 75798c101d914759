import { go, heading, isAccessible, later, press, signIn, tap } from './crew.ts'
import { GenericCrew } from './generic-crew.ts'
import { beginsAnew, expect, longTest, test } from './test.ts'

beginsAnew()
test.use({ hasTouch: true })

longTest(
  'mix that is left is put by with its label, read in the morning, used first, or thrown out',
  async ({ page }) => {
    test.setTimeout(240_000)
    await signIn(page, 'Bao', '2468')
    const card = page.locator('.card')

    await test.step('a mix whose maker forbids it is not kept', async () => {
      await go(page, '/shift')
      await page
        .locator('li', { hasText: 'Kiosk soft-serve: Close' })
        .getByRole('button', { name: 'Start' })
        .tap()
      await heading(page, 'Turn cooling off')
      await press(page, 'Done')
      await press(page, 'Kept as rerun')
      await page.locator('#litres').fill('1.5')
      await page.locator('#kept-temperature').fill('4')
      await page.locator('.product .n-base-selection').tap()
      await page.locator('.n-base-select-option', { hasText: 'Tern oat mix' }).tap()
      await expect(page.getByText('Its maker forbids keeping it.')).toBeVisible()
      await expect(page.getByRole('button', { name: 'Done', exact: true })).toBeDisabled()
    })
    await test.step('one that may be kept: its label says what is in it, and the last day', async () => {
      await page.locator('.product .n-base-selection').tap()
      await page.locator('.n-base-select-option', { hasText: 'soft mix, vanilla' }).tap()
      const label = page.locator('.label-of')
      await expect(label).toContainText('Skerry soft mix, vanilla')
      await expect(label).toContainText('contains milk, soy')
      // Drawn on the 26th; its maker says five days, the first counted.
      await expect(label).toContainText('use by 30 Nov 2026')
      await isAccessible(page)
      await press(page, 'Done')
      await new GenericCrew(page).toTheEnd()
      await expect(page.getByText('all sent')).toBeVisible()
    })
    await test.step('its label can be printed again', async () => {
      await go(page, '/shift')
      await tap(page, card.getByRole('link', { name: 'Print its label' }), 'tap')
      await expect(page.locator('.stuck')).toContainText('Skerry soft mix, vanilla')
      await expect(page.locator('.stuck')).toContainText('use by 30 Nov 2026')
      await expect(page.getByRole('button', { name: 'Print', exact: true })).toBeVisible()
      await isAccessible(page)
    })
    await test.step('in the morning it is read before it is used', async () => {
      await later(page, 300)
      await go(page, '/shift')
      await expect(card).toContainText('Read its temperature before it is used.')
      await page.getByLabel('Temperature now').fill('4,5')
      await press(page, 'Save')
      await expect(card).toContainText('May be used.')
      await isAccessible(page)
    })
    await test.step('the opening asks for it before new mix goes in', async () => {
      await go(page, '/run')
      await page
        .locator('.chooser li', { hasText: 'Kiosk soft-serve' })
        .getByRole('button', { name: 'Open', exact: true })
        .tap()
      const one = new GenericCrew(page)
      one.onStep = async (_, key) => {
        if (key !== 'prime') return
        await expect(page.getByRole('button', { name: 'Done', exact: true })).toBeDisabled()
        await expect(page.getByText('Say for each kept container whether it goes in.')).toBeVisible()
        await one.settled()
        await page.getByRole('radio', { name: 'It goes in now' }).tap()
        await isAccessible(page)
      }
      await one.toTheEnd()
      await go(page, '/shift')
      await expect(card).toHaveCount(0)
      await go(page, '/log/entries')
      await expect(page.getByText('Kept mix used first, in Kiosk soft-serve')).toBeVisible()
    })
  },
)

longTest(
  'a mix that needs no cooling is kept warm; taken back, nothing was kept; kept mix that was warm is thrown out',
  async ({ page }) => {
    await signIn(page, 'Bao', '2468', '/run')
    await page
      .locator('.chooser li', { hasText: 'Lounge pumped soft-serve' })
      .getByRole('button', { name: 'Close', exact: true })
      .tap()
    await heading(page, 'Turn cooling off')
    await press(page, 'Done')
    const card = page.locator('.card')
    const run = new URL(page.url()).pathname
    await press(page, 'Kept as rerun')
    await page.locator('#litres').fill('1')
    await page.locator('#kept-temperature').fill('12')
    await expect(page.getByText('Rerun must be 5 °C or colder')).toBeVisible()
    await page.locator('.product .n-base-selection').tap()
    await page.locator('.n-base-select-option', { hasText: 'Kittiwake slush' }).tap()
    await expect(page.getByText('Rerun must be 5 °C or colder')).toBeHidden()
    await press(page, 'Done')
    await go(page, '/shift')
    await expect(card).toContainText('Kittiwake slush')
    await go(page, run)
    await press(page, /^Take back: Mix into/)
    await go(page, '/shift')
    await expect(card).toHaveCount(0)
    await go(page, run)
    await press(page, 'Kept as rerun')
    await page.locator('#litres').fill('1')
    await page.locator('#kept-temperature').fill('3')
    await press(page, 'Done')
    await go(page, '/shift')
    await page.getByLabel('Temperature now').fill('8')
    await press(page, 'Save')
    await expect(card).toContainText('It was warmer than 5 °C. Throw it out.')
    await press(page, 'Throw it out')
    await expect(card).toHaveCount(0)
    await go(page, '/log/entries')
    await expect(page.getByText('Kept mix thrown out: too warm')).toBeVisible()
  },
)

longTest('a manager enters a mix: what nobody entered is told as not known', async ({ page }) => {
  await signIn(page, 'Oriel', '9080', '/house/products')
  await press(page, 'Add a mix')
  await press(page, 'Save to the log')
  await expect(page.getByText('A name.')).toBeVisible()
  await page.locator('.house-form').getByLabel('Name', { exact: true }).fill('Auk sorbet')
  await press(page, 'Save to the log')
  const row = page.locator('.mixes li', { hasText: 'Auk sorbet' })
  await expect(row).toContainText('Nobody has entered its allergens.')
  await expect(row).toContainText('No, or not known: keep it cold')
  await row.getByRole('button').tap()
  await press(page, 'It has none of these')
  await page.getByRole('radio', { name: 'Yes, in writing' }).tap()
  await isAccessible(page)
  await press(page, 'Save to the log')
  await expect(row).toContainText('contains none of the listed allergens')
})
