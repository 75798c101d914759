import { expect, it } from 'vitest'
import { productFold } from '../../house/index.ts'
import { chlorine, recordOf } from '../records.ts'

const subject = { kind: 'product', id: 'chlor' } as const
const { id: _, ...label } = chlorine
const sheet = (at: number, sha256: string | null) =>
  recordOf(at, 'product.sheet@1', subject, { product: 'chlor', sha256, name: `edition ${at}` })

it('a data sheet stays when the label is entered anew, the newer stands, and one that was taken off is gone', () => {
  const records = [
    recordOf(1, 'product.set@1', subject, label),
    sheet(2, 'a'.repeat(64)),
    sheet(3, 'b'.repeat(64)),
    recordOf(4, 'product.set@1', subject, { ...label, name: 'Chlor 2' }),
  ]
  const state = records.reduce(productFold.apply, productFold.initial('chlor'))
  expect(state).toMatchObject({ name: 'Chlor 2', sheet: { sha256: 'b'.repeat(64), name: 'edition 3' } })
  expect(productFold.apply(state, sheet(5, null))).not.toHaveProperty('sheet')
})
