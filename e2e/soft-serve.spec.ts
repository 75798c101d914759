import { beginsAnew, expect, test } from './test.ts'
import { countParts, go, heading, hold, later, pick, press, restartServer, signIn } from './crew.ts'

beginsAnew()

test('a soft-serve freezer is closed at night and opened in the morning, watched live, to the signed record', async ({
  browser,
  page,
}) => {
  const watcher = await (await browser.newContext()).newPage()
  await signIn(page, 'Bao', '2468')
  await signIn(watcher, 'Ines', '4711')

  await test.step('Shift says that it is due, by which rule, when it was last done, and how long is left', async () => {
    const due = page.locator('li', { hasText: 'Kiosk soft-serve: Close' })
    await expect(due).toContainText('cleaned at least daily')
    await expect(due).toContainText(/Last done (Wed 25|Thu 26) Nov/)
    await expect(due).toContainText(/\d h \d\d/)
    await due.getByRole('button', { name: 'Start' }).click()
  })

  await test.step('product is thrown out; what is missing is told at the field, and what was typed stays', async () => {
    await heading(page, 'Turn cooling off')
    await press(page, 'Done')
    await press(page, 'Kept as rerun')
    await page.locator('#litres').fill('1.5')
    await page.locator('#kept-temperature').fill('9')
    await expect(page.getByText('Rerun must be 5 °C or colder')).toBeVisible()
    await press(page, 'Done')
    await expect(page.locator('#litres')).toHaveValue('1.5')
    await press(page, 'Thrown out')
    await press(page, 'Done')
    await press(page, 'Done')
  })

  await test.step('rinsed until clear, the rounds counted', async () => {
    for (const answer of ['No, once more', 'Yes']) {
      await heading(page, 'Pour in 3.8 L of cool water')
      await press(page, 'Done')
      await press(page, 'Done')
      await press(page, answer)
    }
  })

  await test.step('the wash is worked out for this machine and this label', async () => {
    await heading(page, 'Mix the wash')
    await expect(page.locator('.fig')).toHaveText('55mL')
    await press(page, 'Poured')
    await press(page, 'Done')
  })

  await test.step('the timer goes on through a reload and a restart of the server, and shows on the other tablet', async () => {
    await press(page, 'Start the timer')
    await restartServer()
    await page.reload()
    await expect(page.getByRole('timer').first()).toContainText(/4:\d\d/)
    await expect(watcher.getByRole('button', { name: /Bao · Kiosk soft-serve.*Agitate/ })).toContainText(
      /4:\d\d/,
    )
    await later(page, 5)
    await expect(page.getByText('Time is up')).toBeVisible()
    await press(page, 'Done')
    await press(page, 'Done')
  })

  await test.step('isolated, held; parts out by count; inspected; laid out to dry', async () => {
    await hold(page, 'Parts out, into the one bin')
    await countParts(page)
    await press(page, /^A little mix in the pan/)
    await heading(page, /Strip O-rings/)
    await press(page, 'Done')
    await press(page, 'Done')
    await press(page, 'Done')
    await expect(page.getByText('Saved to the log.')).toBeVisible()
  })

  await test.step('next morning: still unplugged, looked over, lubricated, parts in', async () => {
    await later(page, 300)
    await go(page, '/shift')
    await page
      .locator('li', { hasText: 'Kiosk soft-serve: Open' })
      .getByRole('button', { name: 'Start' })
      .click()
    await hold(page, 'Count and look at every part')
    await press(page, /^All there, none nicked/)
    await expect(page.getByText('Stay dry')).toBeVisible()
    await press(page, 'Done')
    await countParts(page)
    await press(page, 'Done')
    await heading(page, 'Plug in again, the machine still off')
    await press(page, 'Done')
  })

  await test.step('the strip is too close; the tool says what to add; the recheck is in', async () => {
    await expect(page.locator('.fig')).toHaveText('23mL')
    await press(page, 'Poured')
    await pick(page, 'between 50 and 100 ppm')
    await pick(page, 'matches 7 pH')
    await page.locator('#water').fill('31')
    await expect(page.locator('.large')).toHaveText('Too close to call')
    await expect(page.getByText('Add 11 mL, stir, test again')).toBeVisible()
    await press(page, 'Added')
    await expect(watcher.getByText('Corrective action open').first()).toBeVisible()
    await pick(page, 'matches 150 ppm')
    await expect(page.locator('.large')).toHaveText('In range')
    await press(page, 'Save to the log')
    await heading(page, 'Pour in, brush hopper, level stem, inlet')
  })

  await test.step('contact time, prime, first draw, product temperature', async () => {
    await press(page, 'Done')
    await press(page, 'Start the timer')
    await later(page, 6)
    await expect(page.getByText('Water or solution would freeze and break it')).toBeVisible()
    await press(page, 'Done')
    await press(page, 'Done')
    await press(page, 'Confirm')
    await heading(page, /^Prime/)
    await press(page, 'Done')
    await press(page, 'Done')
    await press(page, 'Done')
    await page.locator('#heat-product').fill('4')
    await press(page, 'Save to the log')
    await expect(page.getByText('Saved to the log.')).toBeVisible()
  })

  await test.step('the log holds it all; a mistyped reading is amended, both shown', async () => {
    await press(page, 'See the record')
    const weak = page.getByRole('button', { name: /Skerrychlor, strip 50 to 100 ppm/ })
    await expect(weak).toContainText('Added 11 mL of concentrate')
    await expect(weak).toContainText('In range at the recheck')
    await page.getByRole('button', { name: 'Corrective', exact: true }).click()
    await expect(page.getByText('Added 11 mL of concentrate').first()).toBeVisible()
    await page.getByRole('button', { name: 'Readings' }).click()
    const cold = page.getByRole('button', { name: /Product temperature 4 °C/ }).first()
    await cold.click()
    await expect(page.getByText('FDA Food Code 2022, 3-501.16(A)(2)').first()).toBeVisible()
    await press(page, 'Amend')
    await page.locator('#amend-temperature').fill('3.5')
    await page.locator('#amend-why').fill('misread the probe')
    await press(page, 'Keep both in the log')
    await expect(page.locator('.struck', { hasText: 'Product temperature 4 °C' })).toBeVisible()
    await expect(page.locator('.amended', { hasText: 'Product temperature 3.5 °C' })).toBeVisible()
  })

  await test.step('the shift lead signs with their own PIN, and the chain is whole', async () => {
    await go(watcher, '/log')
    await press(watcher, 'Sign the day')
    const dialog = watcher.getByRole('dialog')
    // What of the day is not done stands first, by name; signed over it, with a reason.
    await expect(dialog.getByRole('heading', { name: /^Not done \(\d+\)/ })).toBeVisible()
    await expect(dialog.getByText('Galley custard: Close')).toBeVisible()
    await dialog.getByLabel(/Why is it signed all the same/).fill('only the kiosk was tried tonight')
    for (const digit of '4711') await dialog.getByRole('button', { name: digit, exact: true }).click()
    await dialog.getByRole('button', { name: 'Sign the day' }).click()
    await expect(dialog).toBeHidden()
    await expect(watcher.locator('.signed')).toHaveText(/^.+: signed \d\d:\d\d by Ines$/)
    await go(watcher, '/log/entries')
    await press(watcher, 'Check that nothing was altered')
    await expect(watcher.getByText(/^\d+ records checked/)).toBeVisible()
  })
})
