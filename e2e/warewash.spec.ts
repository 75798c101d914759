import { beginsAnew, expect, longTest } from './test.ts'
import { eventGateway, gateway, rackStream } from '@tadka/devices'
import { control } from './control.ts'
import { demoProbeHeader } from '../server/demo/devices.ts'
import { go, isAccessible, pick, press, signIn } from './crew.ts'

beginsAnew()

// Named to run last: its days go by.
const url = () => process.env['TADKA_URL'] ?? ''

longTest(
  'a booster scales up over days: warned of before the first rack that fails, then out of use, the sink, and back',
  async ({ page }) => {
    await control('at/2026-12-01T12:00:00Z')
    const stream = rackStream(6)
    /** Racks at midday of a day, the stream's second being the server's now when they are through. */
    let power = 0
    async function racks(seconds: number, perHour = 30): Promise<void> {
      stream.busy(seconds - 60, perHour)
      const from = stream.second()
      const samples = stream.next(seconds)
      await control(String(seconds / 60))
      await gateway({ url: url(), authorization: demoProbeHeader, boot: `power-up-${power}` }).deliver(
        samples.map((s) => ({ ...s, at: s.at - from })),
        seconds,
      )
      power++
    }
    await signIn(page, 'Ines', '4711', '/dish')
    const warning = page.getByText(/^It will miss its limit about/)
    const last = page.locator('.last')
    await expect(page.getByText('Last rack', { exact: true })).toBeVisible()
    let scale = 0
    let warned = false
    const rewash = page.getByRole('heading', { name: 'Wash that rack again now' })
    const stop = page.getByRole('heading', { name: 'Out of use for sanitizing' })
    for (let day = 0; day < 24; day++) {
      stream.machine.scaleUp(scale)
      await racks(1200)
      await page.reload()
      await expect(last).toBeVisible()
      if ((await stop.count()) > 0 || (await rewash.count()) > 0) break
      warned ||= (await warning.count()) > 0
      scale += 0.02
      await control('1420')
    }
    // The warning stood there before any rack failed.
    expect(warned).toBe(true)
    await expect(stop.or(rewash)).toBeVisible()
    stream.machine.scaleUp(0.6)
    await racks(600)
    await page.reload()
    await expect(stop).toBeVisible()
    await expect(page.getByText(/racks are in doubt/)).toBeVisible()
    await expect(
      page.getByText(/^Scale in the booster|^A heating element is out|^Cold feed water/).first(),
    ).toBeVisible()
    await isAccessible(page)
    // Nobody goes on before saying what became of the racks.
    await expect(page.getByRole('button', { name: 'The sink' })).toBeDisabled()
    await pick(page, 'Yes, all')
    await press(page, 'The sink')
    await expect(page.getByText('Going on with: The sink.')).toBeVisible()
    await expect(page.getByText('It comes back after a cycle')).toBeVisible()

    // Delimed, a rack passes: only now may a lead put it back.
    stream.machine.delime()
    await racks(600, 20)
    await page.reload()
    await press(page, 'The check passed: back in service')
    await expect(stop).toBeHidden()
    await expect(last).toContainText('The rinse held')

    // Its trace, by keyboard; the decision in the log.
    await page.getByRole('group', { name: /^The last cycles/ }).focus()
    await page.keyboard.press('ArrowRight')
    await page.keyboard.press('End')
    await expect(page.getByText(/^The cycle that ended/)).toBeVisible()
    await go(page, '/log/entries')
    await expect(page.getByText('Back in service after a check that passed')).toBeVisible()
    await expect(
      page.getByText(/^Out of use for sanitizing, \d+ racks in doubt. Going on with: The sink/),
    ).toBeVisible()
    await press(page, /^Dish room/)
    await expect(page.getByText(/^Rack: wash/).first()).toBeVisible()
  },
)

longTest(
  'without a probe racks are counted with one button, and taken back; the gauges are read on the Bench',
  async ({ page }) => {
    await signIn(page, 'Oriel', '9080')
    // A second machine that nothing streams from, entered in House with its plate.
    await go(page, '/house/stations')
    await press(page, 'Enter it')
    await expect(page.getByRole('alert')).toHaveText('Give it a name.')
    await page.getByRole('textbox', { name: 'Its name' }).fill('Galley dish')
    await press(page, 'Enter it')
    await expect(page.getByRole('alert')).toHaveText('This name is taken. Choose another.')
    await page.getByRole('textbox', { name: 'Its name' }).fill('Quay dish')
    await page.locator('form.house-form .n-select').click()
    await page.locator('.n-base-select-option', { hasText: 'Dish machine, chemical rinse' }).click()
    await page.getByRole('textbox', { name: 'Number on its tag' }).fill('61')
    await press(page, 'Enter it')
    await page.getByRole('textbox', { name: 'Wash tank holds' }).fill('12')
    await page.getByRole('textbox', { name: 'Final rinse of a rack uses' }).fill('2500')
    // A yes or no is chosen, not typed.
    const byChemical = page.locator('.plate .fields .n-select')
    await byChemical.click()
    await page.locator('.n-base-select-option', { hasText: 'Yes' }).click()
    await expect(byChemical).toHaveText('Yes')
    await isAccessible(page)
    await press(page, 'Save the data plate')
    await go(page, '/dish/machine/quay-dish')
    await expect(page.getByText('No rack was read yet.')).toBeVisible()
    for (let i = 0; i < 3; i++) await press(page, 'One rack')
    await press(page, 'Take one back')
    await expect(page.getByText('Racks since the water was changed').locator('xpath=..')).toContainText('2')
    await press(page, 'Water changed')
    await expect(page.getByText('Racks since the water was changed').locator('xpath=..')).toContainText(
      'its data plate does not say after how many',
    )
    await isAccessible(page)
    await page.getByRole('link', { name: 'Read the gauges by hand' }).first().click()
    await page.locator('#heat-wash').fill('44')
    await press(page, 'Save to the log')
    await go(page, '/dish/machine/quay-dish')
    await expect(page.getByRole('heading', { name: 'Wash that rack again now' })).toBeVisible()
    await expect(page.getByText('The wash tank was at 44 °C.')).toBeVisible()

    // It sanitizes by a chemical: the strip at the rack is what tells. The feed has run out.
    await page.getByRole('link', { name: 'Test it' }).click()
    await pick(page, 'matches 0 ppm')
    await press(page, 'Save to the log')
    await go(page, '/dish/machine/quay-dish')
    await expect(page.getByText('Sanitizer is not fed, or too little')).toBeVisible()
    await expect(page.getByText('The sanitizer at the rack was 0 to 25 ppm: too little.')).toBeVisible()
    await isAccessible(page)
  },
)

longTest(
  'a device is entered by what it is; a thermometer that reports is taken with one tap',
  async ({ page }) => {
    await signIn(page, 'Oriel', '9080', '/house/devices')
    await press(page, 'Add the device')
    await expect(page.getByRole('alert')).toContainText('Give it a name')
    await page.locator('.n-select').first().click()
    await page.locator('.n-base-select-option', { hasText: 'Thermometer that reports' }).click()
    await page.getByLabel('Its name').fill('Pocket one')
    await page.locator('.n-select').nth(1).click()
    await page.locator('.n-base-select-option', { hasText: 'Probe 1' }).click()
    await press(page, 'Add the device')
    const authorization = await page.locator('code').innerText()
    await expect(page.getByText('Thermometer that reports, has not reported yet').first()).toBeVisible()
    await isAccessible(page)
    await eventGateway({ url: url(), authorization, boot: 'pocket' }).report(
      [{ what: 'temperature', at: 9, value: 3.7, unit: '°C' }],
      10,
    )
    await go(page, '/bench/check?what=cold-product')
    await page.getByRole('button', { name: /^Take 3.7 °C/ }).click()
    await expect(page.locator('#heat-product')).toHaveValue('3.7')
    await isAccessible(page)
  },
)
