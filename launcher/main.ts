import './interrupt.ts'
import { exportSite, importSite } from './archive.ts'
import { backup } from './backup.ts'
import { bench } from './bench.ts'
import { buildIfStale } from './build.ts'
import { chainCommand } from './chain.ts'
import { parseOptions } from './options.ts'
import { planCommand } from './plan.ts'
import { root } from './paths.ts'
import { restore } from './restore.ts'
import { run } from './run.ts'
import { serve } from './serve.ts'
import { test } from './test.ts'
import { asTrouble, Trouble } from './trouble.ts'
import { verifyFile } from './verify-file.ts'

const usage = `Usage: ./tadka COMMAND

  demo            the ferry terminal, with two weeks of records
  start           without demo data; DATABASE_URL names a database of your own
    --host ADDRESS  serve the tablets of a site, over TLS
    --port N        another port than 4180
    --backup FOLDER a backup there every day; --copy FOLDER, and a copy on another disk
    --mail smtp://HOST:PORT --heads-to ADDRESS  mails where the log ends there every day
  dev             as demo, rebuilding as you edit
  verify SITE [HEADS]  check all that a site keeps; HEADS: a folder of backups, or a file of heads kept elsewhere
  verify --file FILE [HEADS]  check a log or a pack that was saved as JSON, without the database
  rebuild SITE    fold a site's states anew from its records
  backup FOLDER [COPY]  everything into a file, while it is served; the newest 14 stay
  restore FILE    a backup into an empty folder, checked
  export FILE [SITE]  the whole log with its photos, to be taken in elsewhere
  import FILE     such a file into an empty folder, checked
  unlock SITE NAME  unlock a PIN after ten wrong tries
  reset-password SITE NAME  a new password for a manager who has lost theirs
  enrol SITE      a code that makes one more browser a tablet of the site
  plan FILE       plan the shift in a JSON file; --iterations N, --seed N
  test            everything that must pass; --long: the whole of what else runs small
  shots           take the pictures of docs/screenshots anew
  bench [NAME]    benchmarks: record, screen, judge, plan, calm, warewash, stream, logger, load, chain, requests, year
  torture         an evening that goes wrong: --kills N, --seed N; one broken off is taken up
  mutants [NAME]  changes the code where it must be trusted, and counts what the tests notice`

const [command = '', ...rest] = process.argv.slice(2)

try {
  switch (command) {
    case 'demo':
    case 'start':
    case 'dev':
      await serve(command, parseOptions(rest))
      break
    case 'verify':
      process.exitCode =
        rest[0] === '--file' ? verifyFile(rest[1], rest[2]) : await chainCommand(command, rest[0], rest[1])
      break
    case 'rebuild':
    case 'unlock':
    case 'enrol':
    case 'reset-password':
      process.exitCode = await chainCommand(command, rest[0], rest[1])
      break
    case 'backup':
      process.exitCode = await backup(rest[0], rest[1])
      break
    case 'restore':
      process.exitCode = await restore(rest[0])
      break
    case 'export':
      process.exitCode = await exportSite(rest[0], rest[1])
      break
    case 'import':
      process.exitCode = await importSite(rest[0])
      break
    case 'plan':
      process.exitCode = await planCommand(rest)
      break
    case 'test':
      process.exitCode = await test(rest)
      break
    case 'shots':
      await buildIfStale(console.log)
      process.exitCode = await run(process.execPath, ['--import', 'tsx', 'e2e/shots.ts'], { cwd: root })
      break
    case 'bench':
      process.exitCode = await bench(rest[0])
      break
    case 'torture':
      await buildIfStale((line) => console.error(line))
      process.exitCode = await run(process.execPath, ['--import', 'tsx', 'torture/main.ts', ...rest], {
        cwd: root,
      })
      break
    case 'mutants':
      process.exitCode = await run(process.execPath, ['--import', 'tsx', 'mutants/main.ts', ...rest], {
        cwd: root,
      })
      break
    default:
      console.log(usage)
      process.exitCode = command === '' || command === 'help' || command === '--help' ? 0 : 2
  }
} catch (caught) {
  const error = asTrouble(caught)
  console.error(error instanceof Trouble ? `tadka: ${error.message}` : error)
  process.exitCode = 1
}
