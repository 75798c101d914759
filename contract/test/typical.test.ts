import { families, typicalStation } from '@tadka/core/house'
import { describe, expect, it } from 'vitest'
import { payloadSchemas } from '../record/index.ts'

describe.each(families)('a typical $id', ({ id }) => {
  it.each(['metric', 'us'] as const)('can be entered as a station (%s)', (units) => {
    const station = { name: id, tag: '1', place: '', family: id, model: '', ...typicalStation(id, units) }
    expect(payloadSchemas['station.set@1'].safeParse(station).error?.issues).toBeUndefined()
  })
})
