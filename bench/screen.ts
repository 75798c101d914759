import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { createInterface } from 'node:readline'
import { gzipSync } from 'node:zlib'
import { chromium } from '@playwright/test'
import { chromiumArgs, chromiumPath } from '../e2e/browser.ts'
import { median, report } from './report.ts'

/** The script that the first place needs, gzipped, and the time until it can be used, the processor slowed four times. */
const application = spawn(process.execPath, ['--import', 'tsx', 'e2e/serve.ts'], {
  stdio: ['ignore', 'pipe', 'inherit'],
})
let url = ''
for await (const line of createInterface({ input: application.stdout })) {
  url = (JSON.parse(line) as { TADKA_URL: string }).TADKA_URL
  break
}
const browser = await chromium.launch({ executablePath: chromiumPath, args: chromiumArgs })
const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
const first = await context.newPage()
await first.goto(url)
await first.getByRole('button', { name: /Bao/ }).click()
await first.locator('#pin').fill('2468')
await first.getByRole('button', { name: 'Sign in', exact: true }).click()
await first.waitForURL('**/shift')

const scripts = new Map<string, number>()
const times: number[] = []
for (let round = 0; round < 5; round++) {
  const page = await context.newPage()
  const session = await context.newCDPSession(page)
  await session.send('Emulation.setCPUThrottlingRate', { rate: 4 })
  let usable = false
  const sizes: Promise<void>[] = []
  page.on('response', (r) => {
    if (usable || round > 0 || !/\.js$/.test(r.url())) return
    sizes.push(r.body().then((body) => void scripts.set(r.url(), gzipSync(body).length)))
  })
  const start = process.hrtime.bigint()
  await page.goto(`${url}/shift`)
  await page.getByRole('button', { name: 'Start' }).first().waitFor()
  times.push(Number(process.hrtime.bigint() - start) / 1e6)
  usable = true
  await Promise.all(sizes)
  await page.close()
}
const total = [...scripts.values()].reduce((a, b) => a + b, 0)
report({ bench: 'screen', case: 'Shift', figure: 'script, gzipped', value: total / 1000, unit: 'kB' })
report({ bench: 'screen', case: 'Shift', figure: 'of 320 kB', value: total / 320_000, unit: '1' })
report({
  bench: 'screen',
  case: 'Shift, processor slowed 4 times',
  figure: 'usable after',
  value: median(times),
  unit: 'ms',
})
await browser.close()
application.kill('SIGTERM')
await once(application, 'exit')
