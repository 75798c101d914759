import { eventsBody } from '@tadka/contract/device'
import { describe, expect, it } from 'vitest'
import {
  csvOf,
  dispenserMeter,
  eventGateway,
  icePanel,
  rackStream,
  samplesIn,
  seededRandom,
  thermometer,
} from '../index.ts'

describe('an ice machine’s panel', () => {
  it('counts its cycles, lights its lamp once, and puts it out when it was cleaned', () => {
    const panel = icePanel(98, { harvest: 600, cleanEvery: 100, tellEvery: 3600 })
    const events = panel.run(7200)
    expect(events.filter((e) => e.what === 'clean-light')).toEqual([
      { what: 'clean-light', at: 1200, on: true },
    ])
    expect(events.filter((e) => e.what === 'cycles').map((e) => e.total)).toEqual([104, 110])
    panel.cleaned()
    expect(panel.run(7200).some((e) => e.what === 'clean-light')).toBe(false)
  })
})

describe('a thermometer', () => {
  it('follows in some seconds, and reads in its own unit', () => {
    const one = thermometer(seededRandom(1), '°F')
    one.dip(4)
    one.wait(1)
    expect(one.press()).toMatchObject({ what: 'temperature', at: 1, unit: '°F' })
    one.wait(60)
    const { value } = one.press() as { value: number }
    expect(value).toBeGreaterThan(38.9)
    expect(value).toBeLessThan(39.6)
  })
})

describe('a dispenser’s meter', () => {
  it('tells what flowed, nothing when the drum is empty, and is silent while nobody washes', () => {
    const meter = dispenserMeter(seededRandom(2), { charge: 5, tellEvery: 60 })
    for (let i = 0; i < 10; i++) meter.rack()
    const [told] = meter.run(60)
    expect(told?.what === 'drawn' && told.millilitres).toBeCloseTo(50, -1)
    expect(meter.run(120)).toEqual([])
    meter.empty(true)
    meter.rack()
    expect(meter.run(60)).toMatchObject([{ millilitres: 0 }])
  })
})

describe('what they report', () => {
  it('is numbered from power-up on, as the contract has it, in whatever order the gateway sends', async () => {
    const came: unknown[] = []
    const send = ((_: string, init: { body: string }) => {
      came.push(JSON.parse(init.body))
      return Promise.resolve(new Response('{}'))
    }) as unknown as typeof fetch
    const options = { url: '', authorization: 'Device a/b/c', boot: 'boot-1', send }
    const panel = icePanel(0, { harvest: 60, cleanEvery: 5, tellEvery: 300 })
    await eventGateway(options, { reversed: true, times: 2 }).report(panel.run(900), 900)
    expect(came).toHaveLength(2)
    const { events } = eventsBody.parse(came[0])
    expect(events.map((e) => e.n).toSorted((a, b) => a - b)).toEqual(events.map((_, i) => i))
    expect(events[0]?.n).toBe(events.length - 1)
  })
})

describe('a file of a probe', () => {
  it('streams again what it was written from, to a hundredth', () => {
    const stream = rackStream(5)
    stream.busy(580, 30)
    const samples = stream.next(600)
    const again = samplesIn(csvOf(samples, Date.parse('2026-11-01T10:00:00Z')))
    expect(again.map((s) => [s.at, s.pump, s.valve, s.door])).toEqual(
      samples.map((s) => [s.at, s.pump, s.valve, s.door]),
    )
    again.forEach((s, i) => expect(s.rinse).toBeCloseTo(samples[i]?.rinse ?? Number.NaN, 1))
  })
  it('without the machine’s signals is refused', () =>
    expect(() => samplesIn('time,tank °C\n2026-11-01T10:00:00Z,60\n2026-11-01T10:00:01Z,60\n')).toThrow(
      'no pump',
    ))
})
