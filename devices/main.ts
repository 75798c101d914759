import { randomBytes } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { samplesIn } from './csv.ts'
import { dispenserMeter } from './dispenser.ts'
import type { Faults, MachineSample } from './dish-machine.ts'
import { eventGateway, gateway } from './gateway.ts'
import { icePanel } from './ice-panel.ts'
import { rackStream, seededRandom } from './stream.ts'
import { thermometer } from './thermometer.ts'

/**
 * Runs the stand-ins against a server, in real time or faster, until told to stop. Settings come by the environment: who signs in as what
 * (`Device SITE/DEVICE/TOKEN`), racks an hour, scale in the booster, how many seconds go by in one, a file to stream again, a file of faults.
 */
const env = process.env
const { TADKA_URL: url, TADKA_DEVICE: probe } = env
if (!url || !probe) {
  console.error('TADKA_URL and TADKA_DEVICE (Device SITE/DEVICE/TOKEN) say where to stream and as whom.')
  process.exit(2)
}
// Its launcher is gone.
process.once('disconnect', () => process.exit(0))

const perHour = Number(env['TADKA_RACKS'] ?? 24)
const faster = Math.max(1, Math.round(Number(env['TADKA_FASTER'] ?? 1)))
const everySeconds = 5

const boot = randomBytes(6).toString('hex')
const signedIn = (authorization: string | undefined) =>
  authorization ? eventGateway({ url, authorization, boot }) : null
const random = seededRandom(Date.now() % 100_000)
const stream = rackStream(Date.now() % 100_000)
stream.machine.scaleUp(Number(env['TADKA_SCALE'] ?? 0))
const replayed = env['TADKA_REPLAY'] ? samplesIn(readFileSync(env['TADKA_REPLAY'], 'utf8')) : null

/** The next seconds of the machine: made, or read from the file. */
let second = 0
function next(seconds: number): MachineSample[] {
  const from = second
  second += seconds
  if (replayed) return replayed.filter((s) => s.at >= from && s.at < second)
  // A day's racks are ordered ahead.
  if (from % 36_000 < seconds) stream.busy(36_000, perHour)
  return stream.next(seconds)
}

const sender = gateway({ url, authorization: probe, boot })
const panel = { device: icePanel(13_996), sender: signedIn(env['TADKA_PANEL']) }
const meter = { device: dispenserMeter(random), sender: signedIn(env['TADKA_METER']) }
const dipped = { device: thermometer(random), sender: signedIn(env['TADKA_THERMOMETER']) }
dipped.device.dip(3.6)

/** Faults by command: the file is read again and again, so that it may be changed meanwhile; what cannot be read changes nothing. */
const faultsFile = env['TADKA_FAULTS']
function command(): void {
  if (!faultsFile) return
  try {
    const { meterEmpty = false, ...faults } = JSON.parse(readFileSync(faultsFile, 'utf8')) as Faults & {
      meterEmpty?: boolean
    }
    const said = JSON.stringify(faults)
    if (said !== commanded) stream.fault(faults)
    commanded = said
    meter.device.empty(meterEmpty)
  } catch (error) {
    complain(error)
  }
}
let commanded = '{}'

let told = false
const complain = (error: unknown) => {
  const { message = String(error), cause } = error instanceof Error ? error : {}
  if (!told) console.error('the stand-in has trouble:', message, cause instanceof Error ? cause.message : '')
  told = true
}
let rinsed = false
setInterval(() => {
  command()
  const seconds = everySeconds * faster
  const samples = next(seconds)
  for (const s of samples) {
    if (s.valve && !rinsed) meter.device.rack()
    rinsed = s.valve
  }
  dipped.device.wait(seconds)
  const sent = [
    sender.deliver(samples, second),
    panel.sender?.report(panel.device.run(seconds), second),
    meter.sender?.report(meter.device.run(seconds), second),
    // Somebody presses its button now and then.
    second % 30 < seconds ? dipped.sender?.report([dipped.device.press()], second) : undefined,
  ]
  Promise.all(sent).then(() => (told = false), complain)
}, everySeconds * 1000)
