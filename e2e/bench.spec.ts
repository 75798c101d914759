import { beginsAnew, expect, longTest, test } from './test.ts'
import { go, press, signIn } from './crew.ts'

beginsAnew()

test('from the Bench to a correct pour in three taps, kept, labelled, and tested next', async ({ page }) => {
  await signIn(page, 'Dara', '1357')
  let taps = 0
  const tap = async (name: string | RegExp, role: 'button' | 'link' = 'button') => {
    taps += 1
    await page.getByRole(role, { name, exact: typeof name === 'string' }).click()
  }
  await tap(/Bench/, 'link')
  await tap(/Galley cloths/)
  // The bath of the morning is still in it: nobody pours a second dose.
  await expect(page.getByRole('alert').filter({ hasText: 'It is in there already' })).toBeVisible()
  await tap('Poured out and rinsed')
  // 10 % w/v stock to 250 ppm in 4 L: 4000 x 250 / 100000 = 10 mL (c1·V1 = c2·V2).
  await expect(page.locator('.fig')).toHaveText('10mL')
  await expect(page.getByText('Makes 238 to 262 ppm on this tool.')).toBeVisible()
  await expect(page.getByText('Wear gloves, goggles.')).toBeVisible()
  expect(taps).toBeLessThanOrEqual(4)

  await press(page, 'Poured: save to the log')
  const label = page.locator('.container-label')
  await expect(label).toContainText('Brineguard')
  await expect(label).toContainText('250 ppm')
  await expect(label.getByText('Use by')).toBeVisible()
  await press(page, 'Test it now')
  await expect(page.getByText(/Brineguard, 4 L, mixed .* by Dara/)).toBeVisible()
  await go(page, '/bench/baths')
  const bath = page.getByRole('listitem').filter({ hasText: 'Galley cloths' })
  await expect(bath).toContainText('Test it before use.')
  await expect(bath).toContainText('Can’t tell yet')
})

longTest('a vessel’s own address opens it, its amount and product filled in', async ({ page }) => {
  await signIn(page, 'Wen', '8642', '/bench/mix?vessel=galley-sink')
  await press(page, 'Poured out and rinsed')
  await expect(page.locator('#mix-volume')).toHaveValue('38')
  // 750 mg a tablet, 100 ppm in 38 L: 3800 / 750 = 5.07, so 5; they make 98.7 ppm.
  await expect(page.locator('.fig')).toHaveText('5pieces')
  await expect(page.getByText('Makes 99 ppm.')).toBeVisible()
})

test('what must not meet is refused with the reason, and unknown contents too', async ({ page }) => {
  await signIn(page, 'Wen', '8642', '/bench/mix')
  await expect(page.getByText('What is in it now?')).toBeHidden()
  const descaler = async () => {
    await page.locator('.entry .n-select').click()
    await page.getByText('Barnacle Off: Descaling ice machines').click()
  }
  await descaler()
  await press(page, 'Skerrychlor')
  await expect(page.getByRole('alert')).toContainText('would meet chlorine bleach: toxic gas')
  await expect(page.locator('.fig')).toBeHidden()
  await press(page, 'Another vessel')
  await descaler()
  await press(page, 'I do not know')
  await expect(page.getByRole('alert')).toContainText('one of them unknown')
})

longTest(
  'a manager enters a label with a strip that cannot show it, and a drop kit that can',
  async ({ page }) => {
    await signIn(page, 'Oriel', '9080', '/house/products')
    await press(page, 'Enter a label')
    const form = page.locator('form.house-form')
    await form.getByLabel('Name').fill('Saltquat')
    await form.getByLabel('How strong').fill('10')
    await expect(form.getByText('That is 100000 ppm.')).toBeVisible()
    await press(page, 'Save to the log')
    await expect(form.getByText('One of the uses is not right yet.')).toBeHidden()
    await expect(form.getByText('Give its name.')).toBeHidden()
    await expect(form.getByText('Choose what it is, chemically: it stands on the label.')).toBeVisible()
    await form.locator('.n-base-selection').first().click()
    await page.locator('.n-base-select-option', { hasText: 'quat' }).click()
    await form.getByLabel('What for, in the label’s words').fill('Tables')
    await form.getByLabel('From, ppm').fill('160')
    await form.getByLabel('To, ppm').fill('190')
    await form.getByLabel('Aim at, ppm').fill('170')
    await expect(form.getByText(/none of its readings can show this band/)).toBeVisible()
    await form.getByLabel('First aid').fill('Eyes: rinse, call.')
    await form.getByRole('button', { name: 'Save to the log' }).click()
    await expect(page.getByText('160 to 190 ppm')).toBeVisible()
  },
)

test('a probe that fails in ice tells nothing until a check passes', async ({ page }) => {
  await signIn(page, 'Oriel', '9080', '/house/instruments')
  await press(page, 'Ice point')
  const ice = page.locator('form.checking')
  await ice.getByLabel('Thermometer shows, °C').fill('1.4')
  await expect(ice.getByText('Out of range', { exact: true })).toBeVisible()
  await ice.getByRole('button', { name: 'Save to the log' }).click()
  await expect(page.getByText(/failed its check in ice water/)).toBeVisible()
  await go(page, '/bench/check')
  await press(page, 'Wash water')
  await page.locator('#heat-temperature').fill('43')
  await expect(page.getByText('Can’t tell yet', { exact: true }).first()).toBeVisible()
  await expect(page.getByText('Probe 1 failed its check in ice water')).toBeVisible()
  await go(page, '/house/instruments')
  await press(page, 'Ice point')
  await ice.getByLabel('Thermometer shows, °C').fill('0.1')
  await ice.getByRole('button', { name: 'Save to the log' }).click()
  await expect(page.getByText(/failed its check in ice water/)).toBeHidden()
})

longTest('practices and the hours of a bath are the site’s own; crew may only look', async ({ page }) => {
  await signIn(page, 'Oriel', '9080', '/house/practices')
  await page.getByRole('radio', { name: '200 ppm', exact: true }).click()
  await expect(page.getByRole('radio', { name: '200 ppm', exact: true })).toHaveAttribute(
    'aria-checked',
    'true',
  )
  await go(page, '/bench/mix')
  await press(page, /Espresso cloths/)
  await press(page, 'Poured out and rinsed')
  await expect(page.getByText('Aim for 200 to 200 ppm here.')).toBeVisible()
  await expect(page.locator('.fig')).toHaveText('8mL')
  await go(page, '/house/practices')
  await page.getByRole('radio', { name: /What the label says/ }).click()
})
