import { interval, instant, millilitres } from '@tadka/core/quantity'
import { numberOf, type Position, type Step } from '@tadka/core/procedure'
import {
  heatFieldsOf,
  heatRead,
  namedOn,
  sanitizerChecked,
  taken,
  type HeatEntry,
  type HeatInstrument,
  type Place,
} from '@tadka/core/reading'
import { type BathMixed } from '@tadka/core/bath'
import { type InstrumentSet } from '@tadka/core/house'
import { kindOf, plateOf } from '@tadka/core/warewash'
import type { StripPick } from '@tadka/core/rules'
import { correct, measureFor, measuresFor, type Measured } from '@tadka/core/solution'
import type { Working } from './crew.ts'
import { instruments as makeInstruments } from './house.ts'
import { products, stations } from './products.ts'

function productFor(use: string) {
  const found = Object.entries(products).find(([, p]) => p.uses.some((u) => u.id === use))
  if (!found) throw new Error(`the demo has no product for ${use}`)
  const labelled = found[1].uses.find((u) => u.id === use)
  if (!labelled) throw new Error(`no label for ${use}`)
  return { id: found[0], ...found[1], use: labelled }
}

const ofKind = <K extends InstrumentSet['kind']>(kind: K) =>
  Object.values(makeInstruments(0)).filter((i): i is InstrumentSet & { kind: K } => i.kind === kind)

/** What goes in the log for the best way to measure a mix out. */
function kept(m: Measured): Pick<BathMixed, 'poured' | 'tool' | 'measured'> {
  if (m.kind === 'pour') {
    const pour = m.mix.pours[0]
    return { poured: pour?.shown ?? 0, tool: pour?.tool.name ?? '' }
  }
  if (m.kind === 'weigh')
    return {
      poured: 0,
      tool: m.weighed[0]?.scale?.name ?? '',
      measured: { amount: m.weighed[0]?.shown ?? 0, unit: 'g' },
    }
  return { poured: 0, tool: 'pieces', measured: { amount: m.choice.inVolume.pieces, unit: 'pieces' } }
}

export function mixStep(w: Working, position: Position, step: Step & { kind: 'mix' }, at: number): number {
  const { run, diary, worker } = w
  const product = productFor(step.use)
  const volume = millilitres(numberOf(step.volume, run.parameters))
  const measured = measureFor(product.supply, product.use, volume, {
    tools: ofKind('tool'),
    scales: ofKind('scale'),
    dispensers: [],
  })
  const bath = `${run.id}-${position.key.replaceAll('.', '-')}`.slice(0, 64)
  const payload: BathMixed = {
    bath,
    where: step.vessel,
    station: run.station,
    run: run.id,
    product: product.id,
    use: step.use,
    productName: product.name,
    volume,
    ...kept(measured),
    target: product.use.target,
    capacity: numberOf(step.capacity, run.parameters),
  }
  diary.note(at, worker.by, 'bath.mixed@1', { kind: 'bath', id: bath }, payload)
  return w.done(position, at, { product: product.id, pouredMl: payload.poured, volumeMl: volume, bath })
}

type Heat = Exclude<(Step & { kind: 'check' })['what'], 'sanitizer'>

/** What the crew reads off gauges and thermometers: the numbers, and what each is read on. */
function heatEntry(w: Working, what: Heat, rinse: number, at: number): HeatEntry {
  const kit = makeInstruments(at)
  const on = (id: string) => ({ ...kit[id], id }) as HeatInstrument
  const probe = on('thermometer-1')
  const gauge = on('gauge-galley-dish')
  const product = Number((2 + w.worker.random() * 2.4).toFixed(1))
  const plate = stations[w.run.station]
  return {
    numbers: {
      wash: 67,
      rinse,
      pressure: 120,
      temperature: what === 'hot-water' ? 80 : 46,
      seconds: 30,
      product,
    },
    on: {
      wash: gauge,
      rinse: gauge,
      pressure: on('pressure-galley-dish'),
      surface: on('label-71'),
      temperature: probe,
      product: probe,
    },
    turned: true,
    kind: kindOf(plate?.family ?? '') ?? 'stationary-dual',
    kept: 'room',
    units: { temperature: '°C', pressure: 'kPa' },
    plate: plate ? plateOf(plate.parameters) : null,
    practice: 'manifold',
    label: null,
  }
}

export function checkStep(w: Working, step: Step & { kind: 'check' }, key: string, at: number): number {
  if (step.what === 'sanitizer') return sanitizerCheck(w, step, key, at)
  const { run, worker, diary } = w
  const { what } = step
  const place = { station: run.station, run: run.id, step: key, bath: null, case: null }
  const read = (rinse: number, where: Place) => {
    const entry = heatEntry(w, what, rinse, at)
    const fields = heatFieldsOf(what, entry.kind).filter((f) => f !== 'seconds')
    const by = namedOn(entry.on, fields)
    return taken(heatRead(what, entry, instant(at)), where, [...new Set(Object.values(by))], [], by)
  }
  const note = (when: number, rinse: number, recheckOf: string | null) =>
    w.take(
      diary.note(when, worker.by, 'reading.taken@1', w.subject, read(rinse, { ...place, case: recheckOf })),
    )
  const cold = worker.weakMix && step.what === 'dish-machine' ? note(at, 78, null) : null
  if (cold)
    diary.note(
      at + 20_000,
      worker.by,
      'case.action@1',
      { kind: 'case', id: cold.id },
      {
        case: cold.id,
        station: run.station,
        run: run.id,
        bath: null,
        did: 'other',
        amount: null,
        note: 'Waited for the booster; the rack goes through again',
      },
    )
  note(at + 60_000, 83, cold?.id ?? null)
  return at + 60_000
}

type StripSet = InstrumentSet & { kind: 'strip' }

/** The block that reads a label's aim best, and the gap that lies astride its lower end. */
function blocksFor(strip: StripSet, use: { target: number | null; range: { lo: number } | null }) {
  const target = use.target ?? 0
  const nearest = strip.blocks.reduce((a, b) => (Math.abs(b - target) < Math.abs(a - target) ? b : a))
  const above = strip.blocks.findIndex((b) => b >= (use.range?.lo ?? 0))
  return { nearest, weak: [strip.blocks[above - 1] ?? 0, strip.blocks[above] ?? 0] as const }
}

function sanitizerCheck(
  w: Working,
  step: Step & { kind: 'check'; what: 'sanitizer' },
  key: string,
  at: number,
): number {
  const { run, diary, worker } = w
  const product = productFor(step.use)
  const kit = makeInstruments(at)
  const stripId = product.agent === 'quat' ? 'strip-quat' : 'strip-chlorine'
  const ph = kit['strip-ph'] as StripSet
  const strip = kit[stripId] as StripSet
  const bath = Object.values(run.done).findLast((d) => d.facts['product'] === product.id)?.facts['bath']
  const place = { station: run.station, run: run.id, step: key, bath: typeof bath === 'string' ? bath : null }
  const read = (when: number, pick: StripPick, recheckOf: string | null) => {
    const entry = {
      strength: { strip, pick },
      ph: product.agent === 'chlorine' ? { strip: ph, pick: { matches: 7 } } : null,
      temperature: {
        value: Math.round(26 + worker.random() * 10),
        unit: '°C' as const,
        instrument: { ...kit['thermometer-1'], id: 'thermometer-1' } as never,
      },
      hardness: product.agent === 'quat' ? 154 : null,
    }
    const used = [stripId, 'thermometer-1', ...(product.agent === 'chlorine' ? ['strip-ph'] : [])]
    const payload = sanitizerChecked(
      { ...place, case: recheckOf },
      product,
      step.use,
      entry,
      used,
      instant(when),
    )
    return w.take(diary.note(when, worker.by, 'reading.taken@1', w.subject, payload))
  }
  const { nearest, weak } = blocksFor(strip, product.use)
  if (!worker.weakMix || product.supply.kind !== 'strength' || !product.use.range) {
    read(at, { matches: nearest }, null)
    return at
  }
  const low = read(at, { between: [weak[0], weak[1]] }, null)
  const move = correct(
    { volume: millilitres(4000), capacity: millilitres(10_000), reading: interval(weak[0], weak[1]) },
    product.supply,
    product.use.range,
    measuresFor(product.supply, {
      tools: [kit['beaker-50'] as InstrumentSet & { kind: 'tool' }],
      scales: [],
    }),
  )
  diary.note(
    at + 60_000,
    worker.by,
    'case.action@1',
    { kind: 'case', id: low.id },
    {
      case: low.id,
      station: run.station,
      run: run.id,
      bath: place.bath,
      did: 'strengthened',
      amount: move.amount,
      note: '',
    },
  )
  read(at + 150_000, { matches: nearest }, low.id)
  return at + 150_000
}
