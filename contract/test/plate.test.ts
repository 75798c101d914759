import { describe, expect, it } from 'vitest'
import { payloadSchemas } from '../record/index.ts'

const station = (parameters: Record<string, number>) =>
  payloadSchemas['station.set@1'].safeParse({
    name: 's',
    tag: '1',
    place: '',
    family: 'dish-machine.stationary-dual',
    model: '',
    parameters,
    duties: [],
  })
const bath = (volume: number, capacity: number) =>
  payloadSchemas['bath.mixed@1'].safeParse({
    bath: 'b',
    where: 'sink',
    station: null,
    run: null,
    product: 'p',
    productName: 'P',
    volume,
    poured: 10,
    tool: 'jug',
    target: 100,
    capacity,
  })

describe('what cannot be is refused, with the path and the ends', () => {
  it('a data plate whose final rinse is at 900 °C', () =>
    expect(station({ rinseC: 900 }).error?.issues).toMatchObject([
      { path: ['parameters', 'rinseC'], message: 'must be between 10 and 100 °C' },
    ]))
  it('a mix larger than its pail', () =>
    expect(station({ rinse: 7600, pailHolds: 5000 }).error?.issues).toMatchObject([
      { path: ['parameters', 'rinse'], message: 'must be no more than pailHolds' },
    ]))
  it('a bath larger than its vessel; one that fills it to the brim stands', () => {
    expect(bath(4001, 4000).error?.issues).toMatchObject([{ path: ['volume'] }])
    expect(bath(4000, 4000).success).toBe(true)
  })
  it('a plate as they are stands', () =>
    expect(station({ rinseC: 82, rinse: 7600, pailHolds: 10_000 }).success).toBe(true))
})
