import { once } from 'node:events'
import { mkdtempSync, readdirSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { freePort } from '../free-port.ts'
import { freshData, launch, toEnd, until } from './launched.ts'

const data = freshData('backup')
const moved = freshData('moved')
const folder = mkdtempSync(join(tmpdir(), 'tadka-backups-'))
const head = (said: string) => /head ([0-9a-f]{64})/.exec(said)?.[1]

describe('a backup', () => {
  it('is made while it is served, and restored elsewhere it is the same, whole, and nothing is put over what is there', async () => {
    const served = launch(data, ['demo', '--days', '1', '--port', String(await freePort())])
    await until(served, 'Ctrl-C stops it.')
    const made = await toEnd(launch(data, ['backup', folder]))
    expect([made.code, made.said]).toEqual([0, expect.stringContaining('Everything was backed up into')])
    served.kill('SIGINT')
    await once(served, 'exit')

    // One more of what stands still: what is restored of it ends with the same record.
    expect((await toEnd(launch(data, ['backup', folder]))).code).toBe(0)
    const files = readdirSync(folder).toSorted()
    expect(files).toHaveLength(2)
    const dump = join(folder, files.at(-1) ?? '')
    expect(statSync(dump).mode & 0o077).toBe(0)
    const before = await toEnd(launch(data, ['verify', 'gannet']))
    const restored = await toEnd(launch(moved, ['restore', dump]))
    expect([restored.code, restored.said]).toEqual([0, expect.stringContaining('all whole')])
    const after = await toEnd(launch(moved, ['verify', 'gannet']))
    expect([before.code, after.code]).toEqual([0, 0])
    expect(head(after.said)).toMatch(/^[0-9a-f]{64}$/)
    expect(head(after.said)).toBe(head(before.said))

    const again = await toEnd(launch(moved, ['restore', dump]))
    expect([again.code, again.said]).toEqual([1, expect.stringContaining('holds Gannet Terminal already')])
    const nowhere = await toEnd(launch(moved, ['restore', join(folder, 'none.dump')]))
    expect([nowhere.code, nowhere.said]).toEqual([1, expect.stringContaining('There is no file')])
  })
})
