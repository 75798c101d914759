import { chromium } from '@playwright/test'
import { chromiumArgs, chromiumPath } from './browser.ts'
import { application } from './started.ts'
import * as fs from 'node:fs'
fs.mkdirSync('/tmp/shots', { recursive: true })
const app = await application('look')
process.env['TADKA_URL'] = app.told['url']
process.env['TADKA_CONTROL'] = app.told['control']
Object.assign(process.env, app.told, {
  TADKA_URL: app.told['TADKA_URL'] ?? app.told['url'],
  TADKA_CONTROL: app.told['TADKA_CONTROL'] ?? app.told['control'] ?? app.told['controls'],
})
console.log(JSON.stringify(app.told))
const { alsoSignsIn, go, press } = await import('./crew.ts')
const browser = await chromium.launch({ executablePath: chromiumPath, args: chromiumArgs })
const page = await (
  await browser.newContext({
    viewport: { width: 1280, height: 800 },
    hasTouch: true,
    ignoreHTTPSErrors: true,
  })
).newPage()
const shot = async (n: string, full = false) => {
  await page.waitForTimeout(1200)
  await page.screenshot({ path: `/tmp/shots/${n}.png`, fullPage: full })
}
try {
  await alsoSignsIn(page, 'Oriel', '9080')
  await page.goto(process.env['TADKA_URL'] + '/shift')
  await page.getByRole('button', { name: /^Acting: Oriel/ }).waitFor()
  await press(page, /Plan the|Replan/).catch((e) => console.log(String(e).slice(0, 200)))
  await page.waitForTimeout(15000)
  await shot('plan')
  await go(page, '/log/trends')
  await page
    .getByRole('heading', { name: /Is .* drifting/ })
    .first()
    .waitFor({ timeout: 60000 })
    .catch(() => {})
  await shot('trends', true)
  await go(page, '/log/questions')
  await shot('questions')
  await go(page, '/log/case/new')
  await shot('newcase')
  await page.getByRole('textbox', { name: 'What happened' }).fill('hand sink blocked from nine to ten')
  await page.getByRole('button', { name: 'Open a corrective action' }).tap()
  await shot('case', true)
  await go(page, '/shift')
  await shot('shift-open')
  await go(page, '/log')
  await shot('log')
} finally {
  await browser.close()
  await app.stop()
}
