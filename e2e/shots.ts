import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { createInterface } from 'node:readline'
import { chromium, type Page } from '@playwright/test'
import { gateway, rackStream } from '@tadka/devices'
import { demoProbeHeader } from '../server/demo/devices.ts'
import { chromiumArgs } from './browser.ts'
import { countParts, hold, press, signIn } from './crew.ts'

/** Takes the pictures of docs/screenshots from the demo at the close of a day: 1280 by 800, one of each main view. */
const application = spawn(process.execPath, ['--import', 'tsx', 'e2e/serve.ts'], {
  stdio: ['ignore', 'pipe', 'inherit'],
})
for await (const line of createInterface({ input: application.stdout })) {
  Object.assign(process.env, JSON.parse(line) as Record<string, string>)
  break
}
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: chromiumArgs })
const newPage = async (colorScheme: 'light' | 'dark'): Promise<Page> =>
  (
    await browser.newContext({ viewport: { width: 1280, height: 800 }, colorScheme, deviceScaleFactor: 1 })
  ).newPage()
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

await page.goto(`${process.env['TADKA_URL']}`)
await press(page, /Bao/)
await take('sign-in')

// The shift is planned two hours before the rest, with the evening's rush to come.
const turn = (minutes: number) => fetch(`${process.env['TADKA_CONTROL']}/${minutes}`, { method: 'POST' })
await turn(-120)
const lead = await newPage('light')
await signIn(lead, 'Ines', '4711')
await press(lead, 'Plan the shift')
await lead.getByText('Last one out').first().waitFor({ timeout: 60_000 })
await take('shift', lead)
const dark = await newPage('dark')
await signIn(dark, 'Ines', '4711')
await dark.getByText('Last one out').first().waitFor({ timeout: 60_000 })
await take('shift-dark', dark)
await go('/shift/roster', '.roster li', lead)
await take('roster', lead)
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
await take('run-wait')
await press(page, 'End it early')
await press(page, 'End it early')
await press(page, 'Done')
await hold(page, 'Parts out, into the one bin')
await page.locator('.parts li button').first().click()
await take('run-parts')
await page.locator('.parts li button').first().click()
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
await press(page, 'Poured')
await page.getByRole('radio', { name: 'between 50 and 100 ppm' }).click()
await page.getByRole('radio', { name: 'matches 7 pH' }).click()
await page.locator('#water').fill('31')
await page.locator('.band').first().waitFor()
await take('run-check')
await press(page, 'Added')

await go('/bench/mix', '.vessels')
await press(page, /Espresso cloths/)
await press(page, 'Poured out and rinsed')
await take('bench-mix')
await go('/bench/correct', '#correct-from')
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
await go('/log', '.row')
await page.getByRole('button', { name: 'Readings' }).click()
await page.locator('.row .mark').first().waitFor()
await take('log')

const manager = await newPage('light')
await signIn(manager, 'Oriel', '9080')
await go('/house/trade', '.week', manager)
await take('house-day', manager)
await go('/house/rules', '.rule', manager)
await take('house-rules', manager)

await go('/shift/ahead', '.grid', manager)
await take('shift-ahead', manager)
await go('/house/procedures', '.family', manager)
await take('house-procedures', manager)
await go('/chart/soft-serve-twin.close?station=lounge-twin', '.chart ol', manager)
await take('wall-chart', manager)
await go('/run', '.acts', manager)
await manager.locator('li', { hasText: 'Galley custard' }).getByRole('button', { name: 'Close' }).click()
await press(manager, 'Done')
await press(manager, 'Start the timer')
await press(manager, 'Start the timer')
await take('run-lanes', manager)
await go('/run', '.acts', manager)
await manager
  .locator('li', { hasText: 'Espresso grinder' })
  .getByRole('button', { name: 'Weekly, dry' })
  .click()
await hold(manager, /Hopper off/)
await countParts(manager)
await press(manager, 'Done')
await press(manager, /^Sharp/)
await countParts(manager)
await take('run-fasten', manager)

await browser.close()
application.kill('SIGTERM')
await once(application, 'exit')
