import { spawn, type ChildProcess } from 'node:child_process'
import { createServer } from 'node:net'
import { networkInterfaces } from 'node:os'
import { join } from 'node:path'
import { openMailbox, type Mailbox } from '../devices/mailbox.ts'
import { demoHeaders } from '../server/demo/devices.ts'
import { openPool } from '../server/db/pool.ts'
import { people, siteId } from '../server/demo/house.ts'
import { loadDemo, OtherSite } from '../server/demo/load.ts'
import { makeSetupCode } from '../server/house/setup-code.ts'
import { makeCode } from '../server/people/codes.ts'
import { buildIfStale } from './build.ts'
import { backUpDaily } from './daily-backup.ts'
import type { Cluster } from './cluster.ts'
import { openDatabase } from './database.ts'
import { whenInterrupted } from './interrupt.ts'
import { mailHeadsDaily } from './mail-heads.ts'
import type { ServeOptions } from './options.ts'
import { takeFolder } from './lock.ts'
import { dataDir, root } from './paths.ts'
import { givenCertificate, SiteCertificate, type Tls } from './tls.ts'
import { Trouble } from './trouble.ts'

/** Where the page is while one edits. */
const devPort = 5173

const say = (line: string) => console.log(`  ${line}`)

/** Serves until Ctrl-C: database, schema, demo data, build, server; and stops them all again. */
export async function serve(command: 'demo' | 'start' | 'dev', options: ServeOptions): Promise<void> {
  const host = options.host ?? '127.0.0.1'
  const giveBack = takeFolder(dataDir)
  await portIsFree(host, options.port)
  const cluster = await openDatabase('main', say)
  let stopBackups = () => {}
  let stopMails = () => {}
  let mailbox: Mailbox | null = null
  try {
    cluster.watch()
    if (command !== 'start') {
      if (await makeDemo(cluster, options.days))
        say(`The demo site was made, with ${options.days} days of records`)
    }
    if (command !== 'dev') await buildIfStale(say)
    const own = options.host && !options.cert ? new SiteCertificate(dataDir, host) : null
    await own?.lookAfter(Date.now())
    const tls = own?.files ?? givenCertificate(options)
    // The demo has somebody to mail to: a stand-in beside its records.
    if (command === 'demo' && !options.mail) mailbox = await openMailbox(join(dataDir, 'mail'))
    const mail = options.mail ?? (mailbox && { server: mailbox.url, to: 'owner@example.org' })
    if (mail) stopMails = mailHeadsDaily(cluster, mail, say)
    if (options.backup) stopBackups = backUpDaily(cluster, options.backup, say)
    await supervise(command, cluster, host, options.port, own, tls, () =>
      greet(command, cluster, host, options.port, own, tls),
    )
  } finally {
    stopBackups()
    stopMails()
    await mailbox?.close()
    await cluster.stop()
    giveBack()
  }
}

const makeDemo = (cluster: Cluster, days: number) =>
  loadDemo(cluster.ownerUrl, cluster.appUrl, Date.now(), days).catch((error: unknown) => {
    if (!(error instanceof OtherSite)) throw error
    throw new Trouble(
      `${error.message} is kept here: the demo is not put beside it. Give the demo a folder of its own: TADKA_DATA=FOLDER ./tadka demo`,
    )
  })

function portIsFree(host: string, port: number): Promise<void> {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'EADDRINUSE')
        reject(new Trouble(`Port ${port} is taken. Stop what uses it, or choose another: --port ${port + 1}`))
      else if (error.code === 'EADDRNOTAVAIL')
        reject(new Trouble(`This machine has no address ${host}. It has: ${addresses().join(', ')}`))
      else reject(error)
    })
    probe.listen(port, host, () => probe.close(() => resolve()))
  })
}

const addresses = () =>
  Object.values(networkInterfaces()).flatMap((list) => (list ?? []).map((i) => i.address))

/** What makes a browser a tablet of the demo's site. */
async function demoCode(cluster: Cluster): Promise<string> {
  const pool = openPool(cluster.appUrl, () => {})
  try {
    return (await makeCode(pool, siteId, null, Date.now())).code
  } finally {
    await pool.end()
  }
}

const spaced = (code: string) => `${code.slice(0, 4)} ${code.slice(4)}`

async function greet(
  command: string,
  cluster: Cluster,
  host: string,
  port: number,
  own: SiteCertificate | null,
  tls: Tls | null,
): Promise<void> {
  const address =
    command === 'dev' ? `http://localhost:${devPort}` : `${tls ? 'https' : 'http'}://${host}:${port}`
  console.log(`\nTadka is open at ${address}`)
  if (own)
    say(
      `Its certificate is its own: on each tablet, open ${address}/trust once. It says how to trust it, and shows ${own.fingerprint()}`,
    )
  const setup = await makeSetupCode(cluster.ownerUrl, Date.now())
  if (setup !== null)
    say(
      `No site is set up yet. On the first page enter this code: ${spaced(setup)} (once, within an hour; each start tells a new one)`,
    )
  if (command !== 'start') {
    say(
      `The first page asks for a code, once on each tablet: ${await demoCode(cluster)} (valid for an hour; a new one: ./tadka enrol ${siteId})`,
    )
    console.log('\nSign in with a name and PIN:')
    for (const p of people)
      say(`${p.name.padEnd(7)} ${p.pin}   ${p.role}${p.login ? ` (password: ${p.password})` : ''}`)
  }
  console.log('\nCtrl-C stops it.')
}

/** Keeps the server process running, again and again should it die, until Ctrl-C. */
async function supervise(
  command: string,
  cluster: Cluster,
  host: string,
  port: number,
  own: SiteCertificate | null,
  tls: Tls | null,
  ready: () => Promise<void>,
): Promise<void> {
  // The server is told the application's role alone: nothing in it opens the owner's.
  const { DATABASE_URL: _, ...around } = process.env
  const env = {
    ...around,
    // Whoever is left when the launcher was killed stops it.
    TADKA_POSTMASTER_FILE: cluster.pidFile ?? '',
    TADKA_APP_DATABASE_URL: cluster.appUrl,
    TADKA_HOST: host,
    TADKA_PORT: String(port),
    TADKA_API: `${tls ? 'https' : 'http'}://${host}:${port}`,
    TADKA_URL: `${tls ? 'https' : 'http'}://${host}:${port}`,
    ...demoHeaders,
    ...(tls ? { TADKA_TLS_KEY: tls.key, TADKA_TLS_CERT: tls.cert } : {}),
    ...(tls ? { NODE_EXTRA_CA_CERTS: tls.authority ?? tls.cert } : {}),
    ...(tls?.authority ? { TADKA_TLS_AUTHORITY: tls.authority } : {}),
  }
  const watch =
    command === 'dev'
      ? ['--watch-path=server', '--watch-path=core', '--watch-path=contract', '--watch-path=words']
      : []
  const children = new Set<ChildProcess>()
  let stopping = false
  let greeted = false
  await new Promise<void>((resolve, reject) => {
    const start = (args: string[], again: boolean) => {
      const child = spawn(process.execPath, args, {
        cwd: root,
        env,
        stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
        detached: true,
      })
      children.add(child)
      child.on('message', () => {
        if (!greeted && command !== 'dev') void ready()
        greeted = true
      })
      child.once('exit', (code) => {
        children.delete(child)
        if (stopping) return children.size === 0 ? resolve() : undefined
        if (code === 2 || code === 3 || !again) {
          stopAll()
          return reject(new Trouble('The server did not start; see above.'))
        }
        say('The server stopped by itself; starting it again')
        setTimeout(() => start(args, again), 300)
      })
    }
    const stopAll = () => {
      stopping = true
      for (const child of children) child.kill('SIGTERM')
      if (children.size === 0) resolve()
    }
    whenInterrupted(stopAll)
    if (own) {
      // Started again, the server reads what it serves with anew.
      const look = () =>
        own.lookAfter(Date.now()).then((isNew) => isNew && children.forEach((c) => c.kill('SIGTERM')))
      setInterval(() => void look().catch((error: unknown) => say(String(error))), 3_600_000).unref()
    }
    start(['--import', 'tsx', ...watch, 'server/main.ts'], true)
    // The demo's dish machine: a stand-in that streams as a real probe would.
    if (command !== 'start') start(['--import', 'tsx', 'devices/main.ts'], true)
    if (command !== 'dev') return
    // A watched server cannot tell that it listens; the page is the build tool's, which waits for the server by itself.
    start(['node_modules/vite/bin/vite.js', 'web', '--port', String(devPort), '--strictPort'], false)
    void ready()
  })
}
