import { allProcedures } from '@tadka/core/procedure'
import { beginsAnew, expect, isLong, longTest, test, type Page } from './test.ts'
import { address, countParts, counts, go, heading, hold, later, press, signIn, touch } from './crew.ts'

beginsAnew()
test.use({ hasTouch: true })

async function begin(page: Page, station: string, procedure: string): Promise<void> {
  await go(page, '/run')
  await page.locator('li', { hasText: station }).getByRole('button', { name: procedure, exact: true }).click()
}
const lane = (page: Page, name: string) =>
  page.getByRole('group', { name: 'At the same time' }).getByRole('button', { name: new RegExp(name) })

/** Pours a mix as it is told. */
const pour = (page: Page) => press(page, 'Poured')

test('three barrels are closed side by side: two waits overlap, each calls, and a step waits for all', async ({
  page,
}) => {
  await signIn(page, 'Bao', '2468')
  await begin(page, 'Galley custard', 'Close')
  await press(page, 'Done')
  await heading(page, 'Warm')
  await expect(lane(page, 'barrel 1')).toHaveAttribute('aria-pressed', 'true')
  await press(page, 'Start the timer')
  // The timer of the first barrel runs; the second one is next in hand.
  await expect(lane(page, 'barrel 2')).toHaveAttribute('aria-pressed', 'true')
  await press(page, 'Start the timer')
  await expect(lane(page, 'barrel 1')).toContainText(/1\d:\d\d/)
  await expect(lane(page, 'barrel 2')).toContainText(/1\d:\d\d|20:00/)
  await expect(lane(page, 'barrel 3')).toHaveAttribute('aria-pressed', 'true')
  await later(page, 20)
  await expect(lane(page, 'barrel 1')).toContainText('Time is up')
  await lane(page, 'barrel 1').click()
  await press(page, 'Done')
  // It warmed with the beater off; only now it turns.
  await heading(page, 'Beater on, cooling off')
  await press(page, 'Done')
  await expect(page.getByText('on, agitating')).toBeVisible()
  await heading(page, 'Run out and discard')
  await page.locator('#litres').fill('2')
  await press(page, 'Thrown out')
  await press(page, 'Done')
  // One barrel is empty, the others are not: the machine is not.
  await heading(page, /Pour in 15 L/)
  await expect(page.getByText('Off at the breaker')).toBeHidden()
  await press(page, 'Done')
  await expect(page.locator('.facet', { hasText: 'Inside' })).not.toContainText('empty')
  await press(page, 'Stop this run')
  await page.getByRole('dialog').getByRole('textbox').fill('only the barrels were tried')
  await page.getByRole('dialog').getByRole('button', { name: 'Stop this run' }).click()
  await expect(page.getByText('Stopped: only the barrels were tried')).toBeVisible()
})

longTest(
  'a nugget machine is descaled: the reservoir is looked after, and a late visit says what it leads to',
  async ({ page }) => {
    await signIn(page, 'Wen', '8642')
    await begin(page, 'Kiosk nugget ice', 'Half-yearly descale')
    await press(page, 'Confirm')
    await hold(page, 'Panels off')
    for (const title of ['Panels off', /^Bin emptied/, /^Water off/, /^Breaker on again/, /^Pan and chute/]) {
      await heading(page, title)
      await press(page, 'Done')
    }
    await press(page, /^No /)
    await heading(page, 'Mix the descaler')
    await expect(page.locator('.fig')).toHaveText('65mL')
    await expect(page.getByText('Wear gloves, goggles.')).toBeVisible()
    await pour(page)
    await press(page, 'Done')
    await heading(page, 'Circulates')
    await press(page, 'Start the timer')
    await expect(page.getByText('Next: Look at the level')).toBeVisible()
    await later(page, 7)
    await expect(page.getByRole('alert').filter({ hasText: 'the restart delay has to pass' })).toBeVisible()
    await press(page, /^Look at the level: done/)
    await expect(page.getByText('1 visits made', { exact: false })).toBeVisible()
    await later(page, 14)
    await press(page, 'Done')
    await heading(page, 'Makes ice of the solution')
    await press(page, 'Start the timer')
    // This family freezes its own solution: nothing is forbidden, and its ice is not for food.
    await expect(page.locator('.facet', { hasText: 'Ice' })).toContainText('throw away')
    await press(page, 'Stop this run')
    await page.getByRole('dialog').getByRole('textbox').fill('only the visits were tried')
    await page.getByRole('dialog').getByRole('button', { name: 'Stop this run' }).click()
  },
)

test('a dish machine is delimed with its feeds off, and they are on again at the end', async ({ page }) => {
  await signIn(page, 'Tomas', '7531')
  await begin(page, 'Galley dish machine', 'Delime')
  await press(page, 'Confirm')
  await press(page, 'Done')
  await heading(page, 'Detergent and rinse-aid feeds off, or lifted')
  await press(page, 'Done')
  await expect(page.locator('.facet', { hasText: 'Feeds' })).toContainText('off')
  await press(page, 'Done')
  await heading(page, 'Measure the delimer')
  await expect(page.getByText('Limpet Off, into the tank', { exact: false })).toBeVisible()
  await pour(page)
  await press(page, 'Done')
  await expect(page.locator('.facet', { hasText: 'Inside' })).toContainText('descaler')
  await press(page, 'Start the timer')
  await later(page, 13)
  // Looked at, and no scale left: only then it is drained, and rinsed until clear.
  await press(page, 'Done')
  await press(page, 'Done')
  await press(page, 'Yes')
  await heading(page, 'Drain')
  await press(page, 'Done')
  await press(page, 'Done')
  await press(page, 'Yes')
  await heading(page, 'Feeds on again')
  await press(page, 'Done')
  await expect(page.locator('.facet', { hasText: 'Feeds' })).toContainText('on')
  await press(page, 'Done')
  await heading(page, 'Finished')
})

test('a run is handed over between two tablets; what an inspection asks for stands on Shift until it is dealt with', async ({
  browser,
  page,
}) => {
  await signIn(page, 'Bao', '2468')
  await begin(page, 'Espresso grinder', 'Weekly, dry')
  await hold(page, /Hopper slid off/)
  await countParts(page)
  await heading(page, 'Empty and brush the bypass chamber, dry')
  await press(page, 'Done')
  await heading(page, 'Brush both burrs and the chamber, dry only')

  const other = await (await browser.newContext()).newPage()
  await signIn(other, 'Dara', '1357')
  await other.getByRole('button', { name: /Espresso grinder/ }).click()
  await heading(other, 'Brush both burrs and the chamber, dry only')
  await press(other, 'Done')
  await press(other, /^Chipped/)
  await heading(page, 'Parts in, counted')
  await countParts(other)
  await heading(page, 'Burr screws')
  await expect(page.getByText('Crosswise, in this order')).toBeVisible()
  await press(other, 'Done')
  await heading(other, 'The chamber is free of coffee')
  await press(other, 'Confirm')
  await press(other, 'Done')
  await go(other, '/shift')
  await expect(other.getByText('Replace it: Espresso grinder')).toBeVisible()
  await other.locator('.n-select', { hasText: 'Spare used' }).click()
  await other.locator('.n-base-select-option', { hasText: 'Burrs, Razorbill G (1)' }).click()
  await other.getByRole('textbox', { name: 'What was done' }).fill('new burrs in')
  await press(other, 'Done')
  await expect(other.getByText('Replace it: Espresso grinder')).toBeHidden()
  await go(other, '/log/entries')
  await expect(other.getByText('new burrs in', { exact: false })).toBeVisible()
  await expect(other.getByText('Spare used: Burrs, Razorbill G')).toBeVisible()
  await go(other, '/house/spares')
  await expect(other.getByText('0 on the shelf: order it')).toBeVisible()
  await go(page, '/run')
  await page.locator('li', { hasText: 'Espresso grinder' }).getByRole('button', { name: 'Go on' }).click()
  await press(page, 'Start the timer')
  await later(page, 2)
  await press(page, 'Done')
  // What is read is judged by the plate as it is typed; no number is no reading.
  await heading(page, 'Read the zero')
  await press(page, 'Done')
  await expect(page.getByText('Type a number.')).toBeVisible()
  const zero = page.getByRole('textbox', { name: 'Burr zero' })
  await zero.fill('240')
  await expect(page.getByText('Out of range')).toBeVisible()
  await expect(page.getByText('The plate asks for 190 to 210 µm.')).toBeVisible()
  await zero.fill('200')
  await expect(page.getByText('In range')).toBeVisible()
  await press(page, 'Done')
  await press(page, 'Yes')
  await press(page, 'Done')
  await heading(page, 'Finished')
  await go(page, '/log/entries')
  await expect(page.getByText(/Burr zero 200 µm, In range/)).toBeVisible()
})

longTest(
  'a machine whose plate names no counts is counted in its first run, and that many go back in',
  async ({ page }) => {
    await signIn(page, 'Oriel', '9080', '/house/stations')
    await press(page, /^Galley dish machine/)
    for (const name of ['Scrap screens', 'Upper arms', 'Lower arms'])
      await page.getByRole('textbox', { name }).fill('')
    await press(page, 'Save the data plate')
    await expect(page.getByText('Saved. The log shows what changed.')).toBeVisible()
    await begin(page, 'Galley dish machine', 'End of day')
    await press(page, 'Done')
    await hold(page, 'Let it cool')
    await press(page, 'Start the timer')
    await later(page, 11)
    await press(page, 'Done')
    const tray = (name: string) => page.locator('.parts li', { hasText: name })
    await expect(tray('Scrap screens')).toContainText('0 counted; most machines have 2')
    for (let n = 1; n <= 3; n++) {
      await touch(page, tray('Scrap screens').locator('.up'))
      await expect(tray('Scrap screens')).toContainText(`${n} counted`)
      await counts(page)
    }
    for (const name of ['Upper wash', 'Lower wash', 'Divider tray', 'Pump intake', 'Overflow tube']) {
      await touch(page, tray(name).locator('.up'))
      await counts(page)
    }
    await press(page, 'All 8 counted')
    await go(page, '/house/stations')
    await press(page, /^Galley dish machine/)
    await expect(page.getByText('Counted: 3')).toBeVisible()
  },
)

longTest(
  'a model’s own option leaves out what it does not do, and its wall chart says so',
  async ({ page }) => {
    await signIn(page, 'Oriel', '9080', '/chart/slush.in-place?station=kiosk-slush')
    await expect(page.getByText('Gaskets, both faces: a film', { exact: false })).toBeVisible()
    await go(page, '/house/stations')
    await press(page, /^Kiosk slush/)
    await page.locator('.question', { hasText: 'The large gasket goes in' }).locator('.n-select').click()
    await page.locator('.n-base-select-option', { hasText: 'dry' }).click()
    await press(page, 'Save the data plate')
    await expect(page.getByText('Saved. The log shows what changed.')).toBeVisible()
    await go(page, '/chart/slush.in-place?station=kiosk-slush')
    await expect(page.getByText('Stay dry: Large gaskets', { exact: false })).toBeVisible()
    await expect(page.getByText('Gaskets, both faces: a film', { exact: false })).toBeHidden()
  },
)

test('a procedure is brought in from a file: a bad one refused with its place, a good one worked', async ({
  page,
}) => {
  await signIn(page, 'Oriel', '9080', '/house/procedures')
  const file = (name: string, text: string) =>
    page
      .getByLabel('Import a procedure')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) })
  await file('no.json', 'not at all')
  await expect(page.getByRole('alert')).toContainText('it is not JSON')
  const read = (
    await import('../core/procedure/library/ice-nugget.half-year.json', { with: { type: 'json' } })
  ).default
  const unsafe = { ...read, nodes: read.nodes.filter((n) => n.id !== 'clear') }
  await file('unsafe.json', JSON.stringify(unsafe))
  const broken = page.locator('.row.wrong', { hasText: 'Sanitizer meets descaler without a clear rinse' })
  await expect(broken.first()).toContainText('Sanitizer in the reservoir, water on')
  await expect(page.getByRole('button', { name: 'Put in force…' })).toBeDisabled()
  await press(page, 'Throw this draft away')

  await go(page, '/house/procedures')
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Set up' })
    .getByRole('button', { name: 'Change it' })
    .click()
  await page.getByRole('button', { name: /^Leave it on Wait/ }).click()
  await page.getByLabel('How long, min', { exact: true }).fill('2')
  await press(page, 'All of it')
  await page.getByLabel('Name', { exact: true }).fill('Set up, our way')
  await press(page, 'Put in force…')
  await press(page, 'Put in force')
  await expect(page.getByText('As it is in force.')).toBeVisible()
  await go(page, '/run')
  await page
    .locator('li', { hasText: 'Galley sink' })
    .getByRole('button', { name: 'Set up, our way' })
    .click()
  await press(page, 'Done')
  await press(page, 'Done')
  await expect(page.locator('.fig')).toHaveText('2 min')
  await press(page, 'Stop this run')
  await page.getByRole('dialog').getByRole('textbox').fill('only a try')
  await page.getByRole('dialog').getByRole('button', { name: 'Stop this run' }).click()
})

test('a photo is put beside its step, and stands in the log', async ({ page }) => {
  await signIn(page, 'Bao', '2468')
  await begin(page, 'Terminal: floors', 'Restrooms')
  const picture = await page.screenshot({ type: 'png' })
  await page
    .getByLabel('Photo')
    .setInputFiles({ name: 'no.png', mimeType: 'image/png', buffer: Buffer.from('no') })
  await expect(page.getByText('That file is not a picture.')).toBeVisible()
  await page.getByLabel('Photo').setInputFiles({ name: 'p.png', mimeType: 'image/png', buffer: picture })
  await expect(page.getByText('Saved to the log.')).toBeVisible()
  await go(page, '/log/entries')
  await page.getByRole('button', { name: /Photo: Soap, towels, paper/ }).click()
  const shown = page.getByRole('img', { name: /Photo: Soap/ })
  await expect(shown).toBeVisible()
  await expect.poll(() => shown.evaluate((i: HTMLImageElement) => i.naturalWidth)).toBeGreaterThan(500)
  await go(page, '/run')
  await page.locator('li', { hasText: 'Terminal: floors' }).getByRole('button', { name: 'Go on' }).click()
  for (let i = 0; i < 4; i++) await press(page, 'Done')
  await heading(page, 'Finished')
})

longTest('every wall chart prints on two pages at most', async ({ page }) => {
  await signIn(page, 'Ines', '4711', '/house/procedures')
  await expect(page.locator('.acts a').first()).toBeVisible()
  const charts = await page
    .locator('.acts a')
    .evaluateAll((all) => all.map((a) => a.getAttribute('href') ?? ''))
  expect(charts.length).toBeGreaterThan(35)
  // Printing takes a while: those with the most steps, all of them with `--long`.
  const length = (chart: string) =>
    JSON.stringify(allProcedures().find((p) => chart.startsWith(`/chart/${p.id}?`)) ?? '').length
  const longest = charts.toSorted((a, b) => length(b) - length(a))
  for (const chart of longest.slice(0, isLong ? charts.length : 4)) {
    await page.goto(address(chart))
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    // Letter is the shorter sheet.
    const pdf = (await page.pdf({ format: 'Letter' })).toString('latin1')
    expect(pdf.match(/\/Type\s*\/Page\b/g)?.length ?? 0, chart).toBeLessThanOrEqual(2)
  }
})
