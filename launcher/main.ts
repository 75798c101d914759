import './interrupt.ts'
import { buildIfStale } from './build.ts'
import { root } from './paths.ts'
import { run } from './run.ts'
import { asTrouble, Trouble } from './trouble.ts'

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

// Each command reads its own code alone: all of it takes a small machine seconds.
try {
  switch (command) {
    case 'demo':
    case 'start':
    case 'dev':
      await (await import('./serve.ts')).serve(command, (await import('./options.ts')).parseOptions(rest))
      break
    case 'verify':
      process.exitCode =
        rest[0] === '--file'
          ? (await import('./verify-file.ts')).verifyFile(rest[1], rest[2])
          : await (await import('./chain.ts')).chainCommand(command, rest[0], rest[1])
      break
    case 'rebuild':
    case 'unlock':
    case 'enrol':
    case 'reset-password':
      process.exitCode = await (await import('./chain.ts')).chainCommand(command, rest[0], rest[1])
      break
    case 'backup':
      process.exitCode = await (await import('./backup.ts')).backup(rest[0], rest[1])
      break
    case 'restore':
      process.exitCode = await (await import('./restore.ts')).restore(rest[0])
      break
    case 'export':
      process.exitCode = await (await import('./archive.ts')).exportSite(rest[0], rest[1])
      break
    case 'import':
      process.exitCode = await (await import('./archive.ts')).importSite(rest[0])
      break
    case 'plan':
      process.exitCode = await (await import('./plan.ts')).planCommand(rest)
      break
    case 'test':
      process.exitCode = await (await import('./test.ts')).test(rest)
      break
    case 'shots':
      await buildIfStale(console.log)
      process.exitCode = await run(process.execPath, ['--import', 'tsx', 'e2e/shots.ts'], { cwd: root })
      break
    case 'bench':
      process.exitCode = await (await import('./bench.ts')).bench(rest[0], rest.slice(1))
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
