import { chromium, type Page } from '@playwright/test'
import { gateway, rackStream } from '@tadka/devices'
import { demoProbeHeader } from '../server/demo/devices.ts'
import { chromiumArgs, chromiumPath } from './browser.ts'
import { atDoor, countParts, hold, pick, press, settled, signIn } from './crew.ts'
import { control } from './control.ts'
import { withoutHints } from './hints.ts'
import { seedWith } from './practice-seeds.ts'
import { application } from './started.ts'

/** Takes the pictures of docs/screenshots from the demo at the close of a day: 1280 by 800, one of each main view. */
const { told, stop } = await application('shots')
Object.assign(process.env, told)
const browser = await chromium.launch({ executablePath: chromiumPath, args: chromiumArgs })
const newPage = async (colorScheme: 'light' | 'dark'): Promise<Page> => {
  const made = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    colorScheme,
    deviceScaleFactor: 1,
    serviceWorkers: 'block',
  })
  await made.addInitScript(withoutHints)
  return made.newPage()
}
const page = await newPage('light')
const take = async (name: string, of = page) => {
  await of.evaluate(() => document.fonts.ready)
  await of.locator('.n-spin-body').waitFor({ state: 'detached' })
  await of.screenshot({ path: `docs/screenshots/${name}.png`, animations: 'disabled' })
}
const go = async (path: string, ready: string, of = page) => {
  await of.goto(`${process.env['TADKA_URL']}${path}`)
  await of.locator(ready).first().waitFor()
}

await atDoor(page)
await press(page, /Bao/)
await take('sign-in')

// The shift is planned two hours before the rest, with the evening's rush to come.
const turn = (minutes: number) => control(String(minutes))
await turn(-120)
const lead = await newPage('light')
await signIn(lead, 'Ines', '4711')
await press(lead, 'Plan the shift')
await lead.locator('g.job').first().waitFor({ timeout: 60_000 })
await take('shift', lead)
const dark = await newPage('dark')
await signIn(dark, 'Bao', '2468')
await dark.locator('.mine .then').waitFor({ timeout: 60_000 })
await take('my-evening', dark)
await turn(120)
await signIn(page, 'Bao', '2468')

await page
  .locator('li', { hasText: 'Kiosk soft-serve: Close' })
  .getByRole('button', { name: 'Start' })
  .click()
await press(page, 'Done')
await page.locator('#litres').fill('1.5')
for (const name of ['Done', 'Done', 'Done', 'Done', 'Yes']) await press(page, name)
await take('run-mix')
await press(page, 'Poured')
await press(page, 'Done')
await press(page, 'Start the timer')
await page.locator('.timer').waitFor()
await press(page, 'End it early')
await press(page, 'End it early')
await press(page, 'Done')
await hold(page, 'Parts out, into the one bin')
await settled(page)
await page.locator('.parts li .up').first().click()
await countParts(page)
await press(page, /^Fine/)
for (let i = 0; i < 3; i++) await press(page, 'Done')

await go('/run', '.acts')
await page.locator('li', { hasText: 'Kiosk soft-serve' }).getByRole('button', { name: 'Open' }).click()
await hold(page, 'Count and look at every part')
await press(page, /^All there/)
await press(page, 'Done')
await countParts(page)
await press(page, 'Done')
await press(page, 'Done')
await press(page, 'Poured')
await pick(page, 'between 50 and 100 ppm')
await pick(page, 'matches 7 pH')
await page.locator('#water').fill('31')
await page.locator('.band').first().waitFor()
await take('run-check')
await press(page, 'Added')

await go('/bench/mix', '.vessels')
await press(page, /Espresso cloths/)
await press(page, 'Poured out and rinsed')
await take('bench-mix')
await go('/bench/correct', '#correct-from')
await page.locator('.correcting .n-select').click()
await page.locator('.n-base-select-option', { hasText: 'Brineguard' }).first().click()
await page.locator('#correct-volume').fill('4')
await page.locator('#correct-holds').fill('6')
await page.locator('#correct-from').fill('50')
await page.locator('#correct-to').fill('100')
await page.locator('.band').first().waitFor()
await take('bench-correct')
// Racks of the last three quarters of an hour, as the stand-in streams them.
const stream = rackStream(2)
stream.machine.scaleUp(0.07)
stream.busy(2700, 28)
const probe = { url: process.env['TADKA_URL'] ?? '', authorization: demoProbeHeader, boot: 'power-up-1' }
await gateway(probe).deliver(stream.next(2680), stream.second())
await go('/dish', '.strip g.in')
await page.locator('.strip g.in').last().click()
await page.locator('.chart canvas').waitFor()
await take('dishroom')
await go('/log', '.summary')
await page.getByRole('button', { name: 'The day before' }).click()
await page.getByText(/Signed .+ by Ines/).waitFor()
await take('log')

const manager = await newPage('light')
await signIn(manager, 'Oriel', '9080')
await go('/house/stock', '.shopping', manager)
await take('stock', manager)

// A round under way: two points fine, the third is not.
await go('/shift/rounds', '.begin', page)
await page.locator('li', { hasText: 'Evening round' }).locator('.begin').click()
for (let n = 1; n <= 2; n++) {
  await press(page, 'Fine')
  await page.getByText(`${n} of 10 looked at`).waitFor()
}
await settled(page)
await press(page, 'Not fine')
await page.getByLabel('What is wrong').fill('Oat drink opened on Monday has no date')
await take('round')

// A practice run in which the wrong bottle stands at hand.
const learner = await newPage('light')
await signIn(learner, 'Noor', '3690')
const seed = await seedWith(learner, 'bucket.change', 'wrong-bottle')
await go(`/shift/training/practice/bucket.change?seed=${seed}`, '.start', learner)
for (const name of ['Begin', 'Done', 'Done']) await press(learner, name)
await learner.locator('.bottle').waitFor()
await take('practice', learner)

await go('/house/store', '.board', manager)
await take('store', manager)
await go('/house/repairs?view=costs', 'table', manager)
await take('costs', manager)
await go('/house/procedure/soft-serve-gravity.close', '.row', manager)
await manager.locator('[data-key="isolate"] .name').click()
await manager.getByRole('button', { name: 'Down', exact: true }).click()
await manager.locator('[data-key="parts-out"] .name').click()
await manager.locator('.node .broken').waitFor()
await take('editor', manager)

await go('/chart/soft-serve-twin.close?station=lounge-twin', '.chart ol', manager)
await take('wall-chart', manager)
// A fridge that was read warm: what becomes of its food.
await go('/shift/cold', '.stores', lead)
await settled(lead)
await lead.getByRole('button', { name: '9', exact: true }).click()
await press(lead, 'Save to the log')
await lead.locator('.fate').waitFor()
await take('cold', lead)

// The sink as it stands an hour after its water was changed.
await turn(-60)
await go('/dish/sink', '.basin', lead)
await take('sink', lead)

// Water that fails: what is out of service, and what is done about it.
await go('/shift/wrong', '.kinds', lead)
await lead.getByRole('radio', { name: 'No water' }).click()
const called = lead.getByRole('button', { name: 'Hold: No water' })
await settled(lead)
await called.focus()
await lead.keyboard.down('Enter')
await lead.getByRole('heading', { name: 'No water', level: 1 }).waitFor()
await lead.keyboard.up('Enter')
for (let i = 0; i < 2; i++) {
  await settled(lead)
  await lead.getByRole('button', { name: 'Done', exact: true }).first().click()
}
await take('no-water', lead)
await browser.close()
await stop()
