import { interval, millilitres, point, ppm } from '@tadka/core/quantity'
import { judgeSanitizer, modelCode } from '@tadka/core/rules'
import { correct, measuresFor, mixFor, type MeasuringTool } from '@tadka/core/solution'
import { median, report } from './report.ts'

/** Judgements, doses and corrections a second on one core, each over a spread of inputs. */
const label = {
  name: 'label',
  range: { lo: 100, hi: 200 },
  temperature: { c: 24, f: 75 },
  hardestWater: null,
  contactSeconds: 60,
}
const tools: MeasuringTool[] = [
  { name: 'beaker', capacity: millilitres(50), graduation: millilitres(1), error: millilitres(0.5) },
  { name: 'jug', capacity: millilitres(1000), graduation: millilitres(50), error: millilitres(15) },
]
const [beaker] = tools as [MeasuringTool, MeasuringTool]
const stock = { kind: 'strength' as const, stock: ppm(25_000) }
const measures = measuresFor(stock, { tools: [beaker], scales: [] })
const kept: unknown[] = []

const works: Record<string, (i: number) => unknown> = {
  judgements: (i) =>
    judgeSanitizer(modelCode, {
      agent: 'chlorine',
      strength: interval(i % 250, (i % 250) + 50),
      temperature: { unit: '°C', reading: point(10 + (i % 40)) },
      ph: interval(6, 7 + (i % 4)),
      hardness: null,
      label,
    }),
  doses: (i) =>
    mixFor(
      { kind: 'strength', stock: ppm(25_000) },
      { range: label.range, target: 150 },
      millilitres(1000 + (i % 9000)),
      tools,
    ),
  corrections: (i) =>
    correct(
      {
        volume: millilitres(3800),
        capacity: millilitres(10_000),
        reading: interval(i % 300, (i % 300) + 50),
      },
      stock,
      label.range,
      measures,
    ),
}

for (const [name, work] of Object.entries(works)) {
  const rates: number[] = []
  for (let round = 0; round < 7; round++) {
    const start = process.hrtime.bigint()
    const times = 40_000
    for (let i = 0; i < times; i++) kept[i % 16] = work(i)
    rates.push(times / (Number(process.hrtime.bigint() - start) / 1e9))
  }
  report({ bench: 'judge', case: name, figure: 'rate', value: median(rates), unit: '1/s' })
}
