import { randomBytes } from 'node:crypto'
import { gateway } from './gateway.ts'
import { rackStream } from './stream.ts'

/** Streams a stand-in's racks to a server, in real time or faster, until told to stop. Settings come by the environment. */
const url = process.env['TADKA_URL']
const authorization = process.env['TADKA_DEVICE']
if (!url || !authorization) {
  console.error('TADKA_URL and TADKA_DEVICE (Device SITE/DEVICE/TOKEN) say where to stream and as whom.')
  process.exit(2)
}
const perHour = Number(process.env['TADKA_RACKS'] ?? 24)
const scale = Number(process.env['TADKA_SCALE'] ?? 0)
const everySeconds = 5

const stream = rackStream(Date.now() % 100_000)
stream.machine.scaleUp(scale)
const sender = gateway({ url, authorization, boot: randomBytes(6).toString('hex') })
let told = false

setInterval(() => {
  // A day's racks are ordered ahead.
  if (stream.second() % 36_000 < everySeconds) stream.busy(36_000, perHour)
  const samples = stream.next(everySeconds)
  sender.deliver(samples, stream.second()).then(
    () => (told = false),
    (error: unknown) => {
      if (!told)
        console.error(
          'the stand-in does not reach the server:',
          error instanceof Error ? error.message : error,
        )
      told = true
    },
  )
}, everySeconds * 1000)
