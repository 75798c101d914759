import { gzipSync } from 'node:zlib'
import { chromium } from '@playwright/test'
import { chromiumArgs, chromiumPath } from '../e2e/browser.ts'
import { signIn } from '../e2e/crew.ts'
import { application } from '../e2e/started.ts'
import { median, report } from './report.ts'

/** The script that the first place needs, gzipped, and the time until it can be used, the processor slowed four times. */
const { told, stop } = await application('bench')
Object.assign(process.env, told)
const url = told['TADKA_URL']
const browser = await chromium.launch({ executablePath: chromiumPath, args: chromiumArgs })
const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })
await signIn(await context.newPage(), 'Bao', '2468')

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
report({ bench: 'screen', case: 'Shift', figure: 'of 300 kB', value: total / 300_000, unit: '1' })
report({
  bench: 'screen',
  case: 'Shift, processor slowed 4 times',
  figure: 'usable after',
  value: median(times),
  unit: 'ms',
})
await browser.close()
await stop()
