import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { randomFrom } from '@tadka/core/quantity'
import { openPool } from '../server/db/pool.ts'
import { siteId } from '../server/demo/house.ts'
import { makeCode } from '../server/people/codes.ts'
import { counted, isWhole, type Count } from './check.ts'
import type { SmallDisk } from './small-disk.ts'
import { Served, urlsOf, victims, type Victim } from './served.ts'
import { Tablet, type TabletKept } from './tablet.ts'

export interface Evening {
  readonly seed: number
  readonly kills: number
  /** How often the disk gets full meanwhile; the folder of data lies on it. */
  readonly disk: { readonly at: SmallDisk; readonly times: number } | null
  readonly say: (line: string) => void
}

export interface Outcome extends Count {
  readonly kills: number
  readonly isWhole: boolean
  /** The longest that it took to be up again, s, by what was killed; of the disk: after there was room again. */
  readonly slowest: Readonly<Record<Victim | 'disk', number>>
}

interface State {
  kills: number
  fills: number
  readonly slowest: Record<Victim | 'disk', number>
  readonly tablets: TabletKept[]
}

const crew = ['bao', 'dara', 'tomas']
const stateOf = (data: string) => join(data, 'torture.json')

function fresh(): State {
  return {
    kills: 0,
    fills: 0,
    slowest: { server: 0, database: 0, launcher: 0, disk: 0 },
    tablets: crew.map((person) => ({ person, counter: 0, unsent: [], acknowledged: {}, refused: [] })),
  }
}

async function newCode(data: string): Promise<string> {
  const pool = openPool(urlsOf(data).appUrl, () => {})
  try {
    return (await makeCode(pool, siteId, null, Date.now())).code
  } finally {
    await pool.end()
  }
}

/**
 * An evening that goes wrong: three tablets work and send while they lose network, clock, session and page, and while server, database
 * and launcher are killed and the disk gets full, by a seed. One that was broken off is taken up where it was. Returns what came of it.
 */
export async function evening(
  data: string,
  port: number,
  { seed, kills, disk, say }: Evening,
): Promise<Outcome> {
  const file = stateOf(data)
  const state = existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as State) : fresh()
  const keep = () => writeFileSync(file, JSON.stringify(state))
  const served = new Served(data, port)
  await served.start()
  const tablets = state.tablets.map((kept) => new Tablet(served.url, kept, () => newCode(data)))
  const working = tablets.map((t) => t.run())
  const worse = (of: Victim | 'disk', seconds: number) =>
    (state.slowest[of] = Math.max(state.slowest[of], seconds))

  /** Until the tablets got on: else nothing would be under way when the next is killed. */
  async function someWork(least: number): Promise<void> {
    const stored = () => state.tablets.reduce((n, t) => n + Object.keys(t.acknowledged).length, 0)
    const from = stored()
    while (stored() < from + least) await pause(20)
  }
  function mishap(random: () => number): void {
    const tablet = tablets[Math.floor(random() * tablets.length)]
    if (!tablet) return
    const what = Math.floor(random() * 4)
    if (what === 0) tablet.isOffline = !tablet.isOffline
    if (what === 1) tablet.clock = Math.round((random() - 0.5) * 4 * 3_600_000)
    if (what === 2) tablet.loseSession()
    if (what === 3) tablet.reload()
    // One at least is there.
    if (tablets.every((t) => t.isOffline)) tablet.isOffline = false
  }
  async function fillDisk({ at }: NonNullable<Evening['disk']>): Promise<void> {
    at.fill()
    while ((await served.says('/api/ready')) === 200) {
      at.fill()
      await pause(50)
    }
    say('the disk is full, and it says that nothing is saved')
    await pause(1500)
    at.clear()
    worse('disk', await served.untilReady())
    state.fills += 1
  }

  try {
    while (state.kills < kills) {
      // Each step by a seed of its own: one that is taken up goes on as it would have.
      const random = randomFrom(seed * 10_007 + state.kills)
      mishap(random)
      await someWork(3)
      const victim = victims[Math.floor(random() * victims.length)] ?? 'server'
      await pause(random() * 300)
      const from = performance.now()
      await served.kill(victim)
      await served.untilReady()
      const seconds = (performance.now() - from) / 1000
      worse(victim, seconds)
      state.kills += 1
      say(`${state.kills}: ${victim} killed, up after ${seconds.toFixed(1)} s`)
      if (disk && state.fills < disk.times && state.kills >= ((state.fills + 1) * kills) / (disk.times + 1))
        await fillDisk(disk)
      keep()
    }
    const finishing = tablets.map((t) => t.finish())
    await Promise.all([...working, ...finishing])
    keep()
    const count = await counted(urlsOf(data).ownerUrl, state.tablets)
    return { kills: state.kills, ...count, isWhole: await isWhole(data), slowest: state.slowest }
  } finally {
    for (const t of tablets) void t.finish().catch(() => {})
    await served.stop()
  }
}
