import { chromium } from '@playwright/test'
import { chromiumArgs } from './browser.ts'
import { application } from './started.ts'
import { signIn } from './crew.ts'
const { told, stop } = await application('looktmp')
Object.assign(process.env, told)
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: chromiumArgs })
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, hasTouch: true })).newPage()
const url = told['TADKA_URL'] ?? ''
await signIn(page, 'Oriel', '9080')
const shot = async (name: string) => { await page.waitForTimeout(700); await page.screenshot({ path: `/tmp/look-${name}.png` }) }
await page.goto(`${url}/shift`); await shot('shift')
await page.goto(`${url}/bench/correct`)
await page.locator('.vessels button').first().click(); await shot('correct-bath')
await page.locator('.vessels button').last().click(); await shot('correct-other')
await page.goto(`${url}/bench/check`); await shot('check')
const b = page.locator('.vessels button').first(); if (await b.isVisible()) { await b.click(); await page.getByRole('radio', { name: 'matches 400 ppm' }).click().catch(() => {}); await shot('check-bath') }
await page.getByRole('button', { name: 'Dish machine' }).click(); await shot('check-dish')
await page.locator('.check .entry .n-select').first().click(); await page.locator('.n-base-select-option', { hasText: 'Galley dish machine' }).click()
await page.waitForTimeout(400)
await page.locator('#heat-wash').fill('67'); await page.locator('#heat-rinse').fill('900'); await page.locator('#heat-pressure').fill('120'); await shot('check-dish2')
await page.goto(`${url}/bench/mix`); await shot('mix')
await page.goto(`${url}/bench/baths`); await shot('baths')
await page.goto(`${url}/house/instruments`); await shot('instruments')
await page.goto(`${url}/house/rules`); await page.mouse.wheel(0, 2000); await shot('rules')
await browser.close(); await stop()
