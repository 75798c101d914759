import { once } from 'node:events'
import { mkdtempSync, readdirSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { freePort } from '../free-port.ts'
import { freshData, launch, toEnd, until } from '../launched.ts'

const data = freshData('backup')
const moved = freshData('moved')
const folder = mkdtempSync(join(tmpdir(), 'tadka-backups-'))
const second = mkdtempSync(join(tmpdir(), 'tadka-copies-'))
const daily = mkdtempSync(join(tmpdir(), 'tadka-daily-'))
const older = freshData('older')
const dumps = (of: string) =>
  readdirSync(of)
    .filter((name) => name.endsWith('.dump'))
    .toSorted()
const head = (said: string) => /head ([0-9a-f]{64})/.exec(said)?.[1]

describe('a backup', () => {
  it('is made while it is served, and restored elsewhere it is the same, whole, and nothing is put over what is there', async () => {
    const args = ['demo', '--days', '1', '--port', String(await freePort()), '--backup', daily]
    const served = launch(data, args)
    const begun = 'Everything was backed up into'
    await Promise.all([until(served, 'Ctrl-C stops it.'), until(served, begun)])
    expect(dumps(daily)).toHaveLength(1)
    const made = await toEnd(launch(data, ['backup', folder, second]))
    expect([made.code, made.said]).toEqual([0, expect.stringContaining('Everything was backed up into')])
    served.kill('SIGINT')
    await once(served, 'exit')

    // A record more, and one more backup of what stands still: what is restored of it ends with the same record.
    expect((await toEnd(launch(data, ['reset-password', 'gannet', 'oriel']))).code).toBe(0)
    expect((await toEnd(launch(data, ['backup', folder]))).code).toBe(0)
    const files = dumps(folder)
    expect(files).toHaveLength(2)
    expect(dumps(second)).toEqual(files.slice(0, 1))
    expect(statSync(join(second, files[0] ?? '')).size).toBe(statSync(join(folder, files[0] ?? '')).size)
    const dump = join(folder, files.at(-1) ?? '')
    expect(statSync(dump).mode & 0o077).toBe(0)
    // A second disk that is not there: told, and the backup holds.
    const blocked = join(folder, files[0] ?? '', 'no-folder')
    const uncopied = await toEnd(launch(data, ['backup', daily, blocked]))
    expect(uncopied.code).toBe(0)
    expect(uncopied.said).toContain('No copy was made')
    expect(uncopied.said).toContain('a file stands where a folder should')
    expect(uncopied.said).toContain('lies on the same disk as the records')
    expect(readdirSync(daily).filter((name) => name.endsWith('.part'))).toEqual([])
    const before = await toEnd(launch(data, ['verify', 'gannet']))
    const restored = await toEnd(launch(moved, ['restore', dump]))
    expect([restored.code, restored.said]).toEqual([0, expect.stringContaining('all whole')])
    const after = await toEnd(launch(moved, ['verify', 'gannet']))
    expect([before.code, after.code]).toEqual([0, 0])
    expect(head(after.said)).toMatch(/^[0-9a-f]{64}$/)
    expect(head(after.said)).toBe(head(before.said))

    // What ended before something was written is not what every backup since remembers.
    expect((await toEnd(launch(older, ['restore', join(folder, files[0] ?? '')]))).code).toBe(0)
    const own = await toEnd(launch(data, ['verify', 'gannet', folder]))
    expect([own.code, own.said]).toEqual([0, expect.stringContaining('All of gannet is whole')])
    const cut = await toEnd(launch(older, ['verify', 'gannet', folder]))
    expect([cut.code, cut.said]).toEqual([
      1,
      expect.stringContaining('a backup or a file of heads remembers'),
    ])

    const again = await toEnd(launch(moved, ['restore', dump]))
    expect([again.code, again.said]).toEqual([1, expect.stringContaining('holds Gannet Terminal already')])
    const nowhere = await toEnd(launch(moved, ['restore', join(folder, 'none.dump')]))
    expect([nowhere.code, nowhere.said]).toEqual([1, expect.stringContaining('There is no file')])
  })
})
