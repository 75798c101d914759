import { chmodSync, mkdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { freePort } from '../launcher/free-port.ts'
import { evening } from './evening.ts'
import { SmallDisk } from './small-disk.ts'

/** How long it may take to be up again after whatever was killed, s. */
const longest = 15
const { values } = parseArgs({
  options: { seed: { type: 'string', default: '1' }, kills: { type: 'string', default: '200' } },
})
const [seed, kills] = [Number(values.seed), Number(values.kills)]
const say = (line: string) => console.error(`  ${line}`)
// By the seed: one that was broken off is taken up where it was.
const data = join(tmpdir(), `tadka-torture-${seed}-${kills}`)
const disk = SmallDisk.make(data, 700)
if (!disk) say('this account may not make a small disk: no disk gets full')
mkdirSync(data, { recursive: true })
chmodSync(data, 0o755)
try {
  const outcome = await evening(data, await freePort(), {
    seed,
    kills,
    disk: disk && { at: disk, times: 2 },
    say,
  })
  console.log(JSON.stringify({ torture: seed, ...outcome }))
  const { lost, doubled, refused, unsent, isWhole, slowest } = outcome
  const isSound = lost + doubled + refused + unsent === 0 && isWhole
  process.exitCode = isSound && Object.values(slowest).every((s) => s <= longest) ? 0 : 1
  disk?.remove()
  rmSync(data, { recursive: true, force: true })
} catch (error) {
  console.error(error, `\nIt is taken up where it was by the same command.`)
  process.exitCode = 1
}
