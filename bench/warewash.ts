import { deliveryOf, rackStream } from '@tadka/devices'
import { cycleSplitter, figuresOf, judgeCycle, limitsFor, part, traceOf } from '@tadka/core/warewash'
import { stations } from '../server/demo/products.ts'
import { emptyBlock, putInto, unpack } from '../server/warewash/block.ts'
import { median, report } from './report.ts'

/**
 * The dish room on one core: samples a second through cutting and judging, and through packing and unpacking. The peer is the rate
 * at which they come: one a second and device.
 */
const day = 16 * 3600
const stream = rackStream(8)
stream.busy(day, 26)
const samples = stream.next(day)
const trace = traceOf(samples)
const plate = stations['galley-dish']
const limits = plate && limitsFor(plate, {}, [])
if (!limits) throw new Error('no dish machine')

function judged(): number {
  const splitter = cycleSplitter()
  let cycles = 0
  for (let i = 0; i < trace.at.length; i += 600)
    for (const cut of splitter.push(part(trace, i, Math.min(i + 600, trace.at.length)))) {
      judgeCycle(figuresOf(cut.trace, cut.missing), cut.ending, limits as NonNullable<typeof limits>)
      cycles++
    }
  return cycles
}
/** Seconds that one run of the work takes, the middle of nine, after as many to warm up. */
function secondsOf(work: () => unknown): number {
  const times = Array.from({ length: 18 }, () => {
    const begin = performance.now()
    work()
    return (performance.now() - begin) / 1000
  })
  return median(times.slice(9))
}
const figure = (name: string, value: number, unit: string) =>
  report({ bench: 'warewash', case: `${day} samples, ${judged()} cycles`, figure: name, value, unit })

figure('cut and judged', day / secondsOf(judged), 'samples/s')
const deliveries = Array.from({ length: day / 600 }, (_, i) =>
  deliveryOf(samples.slice(i * 600, (i + 1) * 600), 'bench', day),
)
const blocks = () =>
  deliveries.flatMap((d) =>
    Array.from({ length: 10 }, (_, m) => {
      const minute = d.from / 60 + m
      const data = emptyBlock()
      putInto(data, minute, d)
      return { minute, data }
    }),
  )
figure('packed', day / secondsOf(blocks), 'samples/s')
const packed = blocks()
figure('unpacked', day / secondsOf(() => unpack(packed, 0, day)), 'samples/s')
