import { execFileSync } from 'node:child_process'
import { once } from 'node:events'
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { freePort } from '../launcher/free-port.ts'
import { freshData, launch, until } from '../launcher/launched.ts'
import { chromiumArgs, chromiumPath } from './browser.ts'
import { expect, longTest } from './test.ts'

/** A home for a browser that has been told to trust these authorities, and has no other of its own. */
function homeThatTrusts(...authorities: string[]): string {
  const home = mkdtempSync(join(tmpdir(), 'tadka-home-'))
  const store = join(home, '.pki/nssdb')
  mkdirSync(store, { recursive: true })
  const certutil = (...args: string[]) => execFileSync('certutil', ['-d', `sql:${store}`, ...args])
  certutil('-N', '--empty-password')
  for (const file of authorities) certutil('-A', '-n', file, '-t', 'C,,', '-i', file)
  return home
}

longTest(
  'a browser that trusts the site’s authority alone opens the site without a warning, and without network; another does not',
  async () => {
    const data = freshData('trusted')
    const port = await freePort()
    const served = launch(data, ['demo', '--days', '1', '--host', '127.0.0.1', '--port', String(port)])
    const said = await until(served, 'Ctrl-C stops it.')
    const code = (/once on each tablet: (\d{4} \d{4})/.exec(said)?.[1] ?? '').replace(' ', '')
    const fingerprint = /shows (([0-9A-F]{2}:){31}[0-9A-F]{2})/.exec(said)?.[1] ?? ''
    const address = `https://127.0.0.1:${port}`
    const open = (home: string) =>
      chromium.launchPersistentContext(join(home, 'profile'), {
        executablePath: chromiumPath,
        args: chromiumArgs,
        env: { ...process.env, HOME: home } as Record<string, string>,
        hasTouch: true,
        serviceWorkers: 'allow',
        viewport: { width: 1280, height: 800 },
      })
    const stranger = await open(homeThatTrusts())
    const tablet = await open(homeThatTrusts(join(data, 'tls/127.0.0.1.authority.crt')))
    try {
      const warned = await stranger.newPage()
      await expect(warned.goto(address)).rejects.toThrow('ERR_CERT_AUTHORITY_INVALID')

      const page = await tablet.newPage()
      await page.goto(`${address}/trust`)
      await expect(page.getByText(fingerprint)).toBeVisible()
      await page.getByRole('radio', { name: 'Android' }).tap()
      await expect(page.getByRole('listitem').last()).toContainText('The warning is gone')
      const [saved] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('link', { name: 'Save the file' }).tap(),
      ])
      expect(saved.suggestedFilename()).toBe('tadka-authority.crt')

      await page.getByRole('link', { name: 'To Tadka' }).tap()
      await page.getByLabel('Name for this tablet').fill('Bar tablet')
      const press = (name: string | RegExp) => page.getByRole('button', { name, exact: true }).tap()
      for (const digit of code) await press(digit)
      await press('Add this tablet')
      await press(/Bao/)
      for (const digit of '2468') await press(digit)
      await press('Sign in')
      await expect(page.getByRole('button', { name: /^Acting: Bao/ })).toBeVisible()
      expect(await page.evaluate(() => navigator.serviceWorker.ready.then((r) => r.active !== null))).toBe(
        true,
      )
      await page.waitForFunction(async () => (await caches.keys()).length > 0)
      await page.reload()
      await expect(page.getByRole('button', { name: /^Acting: Bao/ })).toBeVisible()
      await tablet.setOffline(true)
      await page.goto(`${address}/house/people`)
      await expect(page.getByText('Oriel')).toBeVisible()
    } finally {
      await stranger.close()
      await tablet.close()
      served.kill('SIGINT')
      await once(served, 'exit')
      rmSync(data, { recursive: true, force: true })
    }
  },
)
