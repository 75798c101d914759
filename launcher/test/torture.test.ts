import { rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { evening } from '../../torture/evening.ts'
import { SmallDisk } from '../../torture/small-disk.ts'
import { freePort } from '../free-port.ts'
import { freshData, launch, toEnd } from '../launched.ts'

/** Only the system's own account can make a disk that is soon full; without one, nothing gets full here. */
const disk = SmallDisk.make(join(tmpdir(), `tadka-small-${process.pid}`), 600)
const tiny = SmallDisk.make(join(tmpdir(), `tadka-tiny-${process.pid}`), 2)
const data = disk?.folder ?? freshData('torture')
afterAll(() => {
  disk?.remove()
  tiny?.remove()
  rmSync(data, { recursive: true, force: true })
})

describe('an evening that goes wrong', () => {
  it('loses nothing that was acknowledged and doubles nothing: killed, offline, signed out, with wrong clocks and a full disk', async () => {
    const kills = process.env['TADKA_LONG'] === undefined ? 2 : 20
    const outcome = await evening(data, await freePort(), {
      seed: 1,
      kills,
      disk: disk && { at: disk, times: 1 },
      say: () => {},
    })
    expect(outcome).toMatchObject({ kills, lost: 0, doubled: 0, refused: 0, unsent: 0, isWhole: true })
    expect(outcome.acknowledged).toBeGreaterThan(0)
  })
})

describe('a first start that finds no room', () => {
  it.runIf(tiny !== null)('says so in one sentence', async () => {
    const started = launch(tiny?.folder ?? '', ['start', '--port', String(await freePort())])
    const { code, said } = await toEnd(started)
    expect(code).toBe(1)
    expect(said).toContain('the disk is full. Make room there.')
    expect(said).not.toMatch(/^\s+at /m)
  })
  it('says so where a file stands in its way', async () => {
    const started = launch(join(process.execPath, 'data'), ['start', '--port', String(await freePort())])
    const { code, said } = await toEnd(started)
    expect(code).toBe(1)
    expect(said).toContain('a file stands where a folder should. Name another folder: TADKA_DATA=FOLDER.')
    expect(said).not.toMatch(/^\s+at /m)
  })
})
