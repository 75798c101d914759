import { readFileSync } from 'node:fs'
import { control } from './control.ts'
import { beginsAnew, expect, longTest, test } from './test.ts'
import {
  atDoor,
  chooseStation,
  go,
  heading,
  isAccessible,
  pick,
  press,
  settled,
  signIn,
  signInByHand,
} from './crew.ts'

beginsAnew()

test('a bucket is mixed, waited for and checked: three steps, in the log', async ({ page }) => {
  await signIn(page, 'Tomas', '7531', '/run')
  await page
    .locator('li', { hasText: 'Espresso cloths' })
    .getByRole('button', { name: 'Fill the sanitizer bucket' })
    .click()
  await heading(page, 'Mix the bucket')
  await expect(page.locator('.fig')).toHaveText('10mL')
  await isAccessible(page)
  await press(page, '150 mL jug')
  await expect(page.getByText(/^Makes .* ppm on this tool\.$/)).toBeVisible()
  await press(page, 'Pump on the drum')
  await expect(page.locator('.fig')).toHaveText('2strokes')
  await press(page, '50 mL beaker')
  await press(page, 'Poured')
  await press(page, 'Start the timer')
  await isAccessible(page)
  await press(page, 'End it early')
  await expect(page.getByText('Ending now is recorded: ended early.')).toBeVisible()
  await press(page, 'Keep waiting')
  await press(page, 'End it early')
  await press(page, 'End it early')
  await pick(page, 'matches 300 ppm')
  await expect(page.locator('.large')).toHaveText('Can’t tell yet')
  await expect(page.getByText('water: the result could be in range or out of range.')).toBeVisible()
  await page.locator('#water').fill('26')
  await page.locator('#hardness').fill('154')
  await expect(page.locator('.large')).toHaveText('In range')
  await isAccessible(page)
  await press(page, 'Save to the log')
  await expect(page.getByText('Saved to the log.')).toBeVisible()
  await press(page, 'See the record')
  await expect(page.getByText('Brineguard, strip 250 to 350 ppm')).toBeVisible()
  await expect(page.getByText('wait cut short').first()).toBeVisible()
})

test('a step is taken back, the run parked, handed to another tablet, and given up with a reason', async ({
  browser,
  page,
}) => {
  await signIn(page, 'Dara', '1357', '/run')
  await page
    .locator('li', { hasText: 'Kiosk soft-serve' })
    .getByRole('button', { name: 'Close', exact: true })
    .click()
  await press(page, 'Done')
  await heading(page, /^Drain the mix/)
  await press(page, /^Take back: Turn cooling off/)
  await heading(page, 'Turn cooling off')
  await expect(page.getByText('on, freezing')).toBeVisible()
  await press(page, 'Done')
  await press(page, 'Pause: serving customers')
  await expect(page.getByRole('heading', { name: 'Paused while you serve' })).toBeVisible()

  const other = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await signIn(other, 'Wen', '8642')
  await other.getByRole('button', { name: /Dara · Kiosk soft-serve/ }).click()
  await heading(other, 'Paused while you serve')
  await settled(other)
  await other.locator('.parked').getByRole('button', { name: 'Go on' }).click()
  await heading(other, /^Drain the mix/)
  await heading(page, /^Drain the mix/)
  await press(other, 'Stop this run')
  await other.getByRole('dialog').getByRole('textbox').fill('no water')
  await other.getByRole('dialog').getByRole('button', { name: 'Stop this run' }).click()
  await expect(other.getByText('Stopped: no water')).toBeVisible()
  await expect(page.getByText('Stopped: no water')).toBeVisible()
})

test('a manager changes the data plate, and the next run pours by it; crew may only look', async ({
  page,
}) => {
  await signIn(page, 'Oriel', '9080', '/house/stations')
  await press(page, /^Galley cloths/)
  const fill = page.getByLabel('Fill the bucket with')
  await fill.fill('much')
  await expect(page.getByText('Type a number, zero or more.')).toBeVisible()
  await expect(fill).toHaveValue('much')
  await fill.fill('800')
  await expect(page.getByText('Must be between 0.5 and 60 L.')).toBeVisible()
  await fill.fill('8')
  await expect(page.getByText('No more than “Bucket holds”.')).toBeVisible()
  await page.getByLabel('Bucket holds').fill('12')
  await press(page, 'Save the data plate')
  await expect(page.getByText('Saved. The log shows what changed.')).toBeVisible()
  await go(page, '/run')
  await page
    .locator('li', { hasText: 'Galley cloths' })
    .getByRole('button', { name: 'Fill the sanitizer bucket' })
    .click()
  await expect(page.locator('.fig')).toHaveText('20mL')

  await page.getByRole('button', { name: /^Acting: Oriel/ }).click()
  await press(page, 'Sign in someone else')
  await press(page, /Bao/)
  await page.locator('#pin').fill('2468')
  await press(page, 'Sign in')
  await expect(page.getByRole('button', { name: /^Acting: Bao/ })).toBeVisible()
  await go(page, '/house/stations')
  await press(page, /^Galley cloths/)
  await expect(page.getByText('Managers change this.')).toBeVisible()
})

test('after ten wrong PINs the name’s PIN is locked on that tablet; a manager unlocks it with two taps', async ({
  page,
}) => {
  await atDoor(page)
  await press(page, /Tomas/)
  for (let i = 0; i < 10; i++) {
    await page.locator('#pin').fill('0000')
    await press(page, 'Sign in')
    await expect(page.locator('#pin')).toHaveValue('')
    await expect(
      page
        .getByRole('alert')
        .filter({ hasText: i < 9 ? 'That PIN is not right' : 'PIN is locked on this tablet' }),
    ).toBeVisible()
    // The fifth makes the name wait, longer each time.
    if (i === 4) {
      await page.locator('#pin').fill('0000')
      await press(page, 'Sign in')
      await expect(page.getByText(/^Wait \d s, then try again/)).toBeVisible()
    }
    if (i >= 4) await control('1')
  }
  await atDoor(page)
  await expect(page.getByRole('button', { name: /Tomas PIN locked here/ })).toBeVisible()
  await signIn(page, 'Oriel', '9080', '/house/people')
  await press(page, 'Unlock the PIN')
  await expect(page.getByText('The PIN works again.')).toBeVisible()
  await expect(page.getByText('PIN locked after 10 wrong tries')).toBeHidden()
})

test('the bench tells a fault at its field and keeps what was typed', async ({ page }) => {
  await signIn(page, 'Bao', '2468', '/bench/mix')
  const litres = page.locator('#mix-volume')
  await litres.fill('-4')
  await expect(page.locator('#mix-volume-fault')).toHaveText('Zero or more.')
  await litres.fill('0')
  await expect(page.locator('#mix-volume-fault')).toHaveText('More than zero.')
  await expect(litres).toHaveValue('0')
  await litres.fill('4')
  await press(page, /^Galley cloths/)
  await press(page, 'Poured out and rinsed')
  await page.locator('#mix-target').fill('300000')
  await expect(page.locator('#mix-target-fault')).toContainText('The label allows no more than 400 ppm')
  await expect(page.locator('#mix-target')).toHaveValue('300000')

  await go(page, '/bench/correct')
  await page.locator('.correcting .n-select').click()
  await page.locator('.n-base-select-option', { hasText: 'Brineguard' }).first().click()
  await page.locator('#correct-from').fill('200')
  await page.locator('#correct-to').fill('50')
  await expect(page.locator('#correct-to-fault')).toHaveText('The lower number comes first.')
  await page.locator('#correct-to').fill('250')
  await expect(page.getByText('It is in range already. Leave it.')).toBeVisible()
  await page.locator('#correct-from').fill('450')
  await page.locator('#correct-to').fill('600')
  await expect(page.getByText('Pour off a half, fill up with water, test again')).toBeVisible()
  await page.locator('#correct-volume').fill('4')
  await page.locator('#correct-holds').fill('10')
  await expect(page.getByText(/^Add .* of water, stir, test again$/)).toBeVisible()
  // "So much or more" stays open: it is never taken for the number.
  await page.locator('#correct-from').fill('350')
  await press(page, /^That or more/)
  await expect(page.getByText('It is in range already. Leave it.')).toBeHidden()
  await expect(page.getByText(/^Pour off .*, fill up with water, test again$/)).toBeVisible()
})

longTest('who acts is changed in two taps', async ({ page }) => {
  await signInByHand(page, 'Bao', '2468')
  await page.getByRole('button', { name: /^Acting: Bao/ }).click()
  await press(page, 'Sign in someone else')
  await press(page, /Ines/)
  await page.locator('#pin').fill('4711')
  await press(page, 'Sign in')
  await page.getByRole('button', { name: /^Acting: Ines/ }).click()
  await page
    .getByRole('button', { name: /^Ba/ })
    .or(page.getByRole('button', { name: /Bao.*crew/ }))
    .first()
    .click()
  await expect(page.getByRole('button', { name: /^Acting: Bao/ })).toBeVisible()
})

test('a dish machine whose rinse is cold opens a case; the recheck closes it', async ({ page }) => {
  await signIn(page, 'Wen', '8642', '/bench/check')
  await press(page, 'Dish machine')
  await expect(page.getByText('Choose where it was read.')).toBeVisible()
  await expect(page.locator('#heat-wash')).toBeHidden()
  await chooseStation(page, 'Galley dish machine')
  await page.locator('#heat-wash').fill('67')
  await expect(page.locator('.large')).toHaveText('Can’t tell yet')
  await page.locator('#heat-rinse').fill('80')
  await page.locator('#heat-pressure').fill('-5')
  await expect(page.locator('#heat-pressure-fault')).toHaveText('Zero or more.')
  await page.locator('#heat-pressure').fill('120')
  await expect(page.locator('.large')).toHaveText('Out of range')
  await expect(page.getByText('Rewash that rack, then read again.')).toBeVisible()
  await expect(page.getByText('FDA Food Code 2022, 4-501.112').first()).toBeVisible()
  await isAccessible(page)
  await press(page, 'Save to the log')

  await go(page, '/shift')
  await page
    .getByRole('region', { name: /corrective actions? open/i })
    .getByRole('link', { name: /Galley dish machine/ })
    .click()
  await press(page, 'Check again')
  await expect(page.getByText('Read it again.')).toBeVisible()
  for (const [name, value] of [
    ['wash', '67'],
    ['rinse', '84'],
    ['pressure', '120'],
  ] as const)
    await page.locator(`#heat-${name}`).fill(value)
  await expect(page.locator('.large')).toHaveText('In range')
  await press(page, 'Save to the log')
  await go(page, '/log/entries')
  await page.getByRole('button', { name: 'Readings' }).click()
  const failed = page.getByRole('button', { name: /Dish machine: wash 67 °C, final rinse 80 °C/ })
  await expect(failed).toContainText('In range at the recheck')
})

test('a local rule tells what it would change, is put in force, judges, and is ended', async ({ page }) => {
  await signIn(page, 'Oriel', '9080', '/house/rules')
  await expect(page.getByText('None. Only the model code and the labels apply.')).toBeVisible()
  await isAccessible(page)
  await press(page, 'Start using this rule')
  await expect(page.getByText('Name the authority.')).toBeVisible()
  await page.getByLabel('Whose rule is it?').fill('Harbour authority')
  await page.locator('.rule .n-select').nth(1).click()
  await page.locator('.n-base-select-option', { hasText: /^Dish machine: final rinse$/ }).click()
  await page.getByLabel('At least').fill('85')
  await press(page, 'What would change?')
  await expect(
    page.getByText(/^\d+ of the \d+ readings of the last 30 days would have a different result\.$/),
  ).toBeVisible()
  await page.getByLabel('Where it stands').fill('byelaw 12: 85 °C for wares')
  await press(page, 'Start using this rule')
  await expect(page.getByText('Harbour authority: Dish machine: final rinse 85 °C or more')).toBeVisible()

  await go(page, '/bench/check')
  await press(page, 'Dish machine')
  await chooseStation(page, 'Galley dish machine')
  for (const [name, value] of [
    ['wash', '67'],
    ['rinse', '84'],
    ['pressure', '120'],
  ] as const)
    await page.locator(`#heat-${name}`).fill(value)
  await expect(page.locator('.large')).toHaveText('Out of range')
  await expect(page.locator('.layers .layer', { hasText: 'authority' })).toContainText(
    'final rinse 85 °C or more',
  )

  await go(page, '/house/rules')
  await press(page, 'Stop using it now')
  await go(page, '/log/entries')
  await page.getByRole('button', { name: 'House', exact: true }).click()
  await expect(
    page.getByText(/Local rule of Harbour authority: final rinse 85 °C or more, ended/),
  ).toBeVisible()
})

longTest(
  'a sign makes its work due, a station laid up has none, and the weeks ahead show what comes',
  async ({ page }) => {
    await signIn(page, 'Oriel', '9080', '/house/stations')
    await press(page, /^Galley dish machine/)
    await page
      .locator('.notes .line', { hasText: 'Scale' })
      .getByRole('button', { name: 'I see it now' })
      .click()
    await expect(page.getByText('the job for it is due')).toBeVisible()
    await page.getByLabel(/Rack counter/).fill('120')
    await page.locator('.notes form', { hasText: 'Rack counter' }).getByRole('button').click()
    await page.getByLabel('Rack counter, last read 120').fill('90')
    await expect(page.getByText('The last reading was 120.')).toBeVisible()
    await go(page, '/shift')
    await expect(page.locator('li', { hasText: 'Galley dish machine: Delime' })).toContainText('Scale seen')

    await go(page, '/house/stations')
    await press(page, /^Kiosk slush/)
    await page.getByLabel('Why, and where is it stored?').fill('winter store')
    await press(page, 'Store for the season')
    await expect(page.getByText('winter store. Nothing is due on it.')).toBeVisible()
    await go(page, '/shift')
    await expect(page.getByRole('heading', { name: 'Gannet Terminal' })).toBeVisible()
    await expect(page.locator('li', { hasText: 'Kiosk slush' })).toBeHidden()

    await page.getByRole('link', { name: 'Weeks ahead' }).click()
    await expect(page.getByRole('heading', { name: 'Weeks ahead' })).toBeVisible()
    await page.locator('.grid button', { hasText: 'Espresso machine' }).first().click()
    await expect(page.getByText('Espresso machine: Weekly, shot side')).toBeVisible()
    await go(page, '/house/stations')
    await press(page, /^Kiosk slush/)
    await press(page, 'Back in service: sanitize before use')
    await expect(page.getByText('Nothing is due on it.')).toBeHidden()
  },
)

longTest(
  'a data sheet is brought in as the maker’s PDF, opens from the safety card, and what is no PDF says so',
  async ({ page }) => {
    await signIn(page, 'Oriel', '9080', '/house/products')
    await page.getByRole('link', { name: 'Safety card' }).first().click()
    const pick = page.locator('.sheet input[type=file]')
    await pick.setInputFiles({ name: 'sheet.txt', mimeType: 'text/plain', buffer: Buffer.from('no pdf') })
    await expect(page.getByText('That file is no PDF.')).toBeVisible()
    const bytes = Buffer.from('%PDF-1.4\n1 0 obj<</Type/Catalog>>endobj\ntrailer<</Root 1 0 R>>\n%%EOF')
    await pick.setInputFiles({ name: 'brine 2026.pdf', mimeType: 'application/pdf', buffer: bytes })
    await expect(page.getByText('brine 2026.pdf, brought in')).toBeVisible()
    await expect(page.getByRole('link', { name: 'Open the data sheet' })).toHaveAttribute('href', /^blob:/)
    const copy = page.waitForEvent('download')
    await page.getByRole('link', { name: 'Save a copy' }).click()
    expect(readFileSync(await (await copy).path()).equals(bytes)).toBe(true)
    await expect(page.getByText('all sent')).toBeVisible()
    // The wrong file is taken back.
    await press(page, 'Take back')
    await expect(page.getByText('Nobody has brought in the data sheet yet.')).toBeVisible()
    await expect(page.getByText('all sent')).toBeVisible()
    await isAccessible(page)
  },
)
