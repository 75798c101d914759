import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { newCrew } from '../house/index.ts'
import { firstPin, isEasyPin } from '../people/index.ts'
import { may, mayUnlock, type Permission, type Role } from '../rights/index.ts'
import type { RecordType } from '../stream/index.ts'
import { madeBy, permissionFor, recordTypes } from '../record/index.ts'

const roles: Role[] = ['inspector', 'crew', 'lead', 'manager']

describe('what each role may do', () => {
  it.each([
    ['inspect', [true, true, true, true]],
    ['invite-inspector', [false, false, true, true]],
    ['read', [false, true, true, true]],
    ['record', [false, true, true, true]],
    ['amend', [false, true, true, true]],
    ['verify-chain', [true, true, true, true]],
    ['export-log', [false, true, true, true]],
    ['close-case', [false, false, true, true]],
    ['sign-shift', [false, false, true, true]],
    ['sign-off', [false, false, true, true]],
    ['set-up-house', [false, false, false, true]],
    ['unlock-person', [false, false, true, true]],
  ] as [Permission, boolean[]][])('%s', (permission, expected) => {
    expect(roles.map((role) => may(role, permission))).toEqual(expected)
  })
})

describe('whose name each role may unlock', () => {
  it.each([
    ['inspector', [false, false, false, false]],
    ['crew', [false, false, false, false]],
    ['lead', [false, true, false, false]],
    ['manager', [false, true, true, false]],
  ] as [Role, boolean[]][])('%s', (role, expected) =>
    expect(roles.map((whose) => mayUnlock(role, whose))).toEqual(expected),
  )
})

describe('what a record needs', () => {
  it.each([
    ['run.started@1', 'record'],
    ['run.step.done@1', 'record'],
    ['station.stopped@1', 'record'],
    ['station.returned@1', 'close-case'],
    ['duty.closed@1', 'close-case'],
    ['run.overridden@1', 'override'],
    ['run.entered@1', 'override'],
    ['reading.taken@1', 'record'],
    ['case.opened@1', 'record'],
    ['case.told@1', 'record'],
    ['case.action@1', 'record'],
    ['bath.mixed@1', 'record'],
    ['case.closed@1', 'close-case'],
    ['record.amended@1', 'amend'],
    ['shift.signed@1', 'sign-shift'],
    ['shift.reviewed@1', 'review-day'],
    ['training.signed@1', 'sign-off'],
    ['training.ended@1', 'sign-off'],
    ['training.paper@1', 'set-up-house'],
    ['site.set@1', 'set-up-house'],
    ['station.set@1', 'set-up-house'],
    ['product.set@1', 'set-up-house'],
    ['product.sheet@1', 'set-up-house'],
    ['instrument.set@1', 'set-up-house'],
  ] as [RecordType, Permission][])('%s: %s', (type, permission) =>
    expect(permissionFor(type)).toBe(permission),
  )
  it('a signature is made by the server alone, after the PIN', () =>
    expect(recordTypes.filter((type) => madeBy(type) === 'signature').toSorted()).toEqual([
      'incident.reopened@1',
      'run.entered@1',
      'run.overridden@1',
      'run.watched@1',
      'shift.reviewed@1',
      'shift.signed@1',
      'training.signed@1',
    ]))
})

describe('somebody new', () => {
  it('begins with a PIN that nobody would try first, whatever is drawn', () => {
    const draws = fc.array(fc.nat({ max: 9999 }), { minLength: 1, maxLength: 5 })
    fc.assert(
      fc.property(draws, (drawn) => {
        const left = [1111, 1234, 4321, ...drawn, 5274]
        const pin = firstPin((below) => {
          expect(below).toBe(10_000)
          return left.shift() ?? 5274
        })
        expect(pin).toMatch(/^\d{4}$/)
        expect(isEasyPin(pin)).toBe(false)
      }),
    )
  })
  it.each([
    ['everything', ['slush'], []],
    ['learning', [], ['slush']],
    ['nothing', [], []],
  ] as const)('who cleans %s serves at every counter all the same', (begins, signedOff, learning) => {
    expect(newCrew(begins, ['slush'], ['bar'])).toEqual({ signedOff, learning, serves: ['bar'], home: null })
  })
})
