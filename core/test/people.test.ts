import { describe, expect, it } from 'vitest'
import { may, mayUnlock, type Permission, type Role } from '../rights/index.ts'
import type { RecordType } from '../stream/index.ts'
import { madeBy, permissionFor, recordTypes } from '../record/index.ts'

const roles: Role[] = ['crew', 'lead', 'manager']

describe('what each role may do', () => {
  it.each([
    ['read', [true, true, true]],
    ['record', [true, true, true]],
    ['amend', [true, true, true]],
    ['verify-chain', [true, true, true]],
    ['export-log', [true, true, true]],
    ['close-case', [false, true, true]],
    ['sign-shift', [false, true, true]],
    ['set-up-house', [false, false, true]],
    ['unlock-person', [false, true, true]],
  ] as [Permission, boolean[]][])('%s', (permission, expected) => {
    expect(roles.map((role) => may(role, permission))).toEqual(expected)
  })
})

describe('whose name each role may unlock', () => {
  it.each([
    ['crew', [false, false, false]],
    ['lead', [true, false, false]],
    ['manager', [true, true, false]],
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
    ['case.action@1', 'record'],
    ['bath.mixed@1', 'record'],
    ['case.closed@1', 'close-case'],
    ['record.amended@1', 'amend'],
    ['shift.signed@1', 'sign-shift'],
    ['site.set@1', 'set-up-house'],
    ['station.set@1', 'set-up-house'],
    ['product.set@1', 'set-up-house'],
    ['instrument.set@1', 'set-up-house'],
  ] as [RecordType, Permission][])('%s: %s', (type, permission) =>
    expect(permissionFor(type)).toBe(permission),
  )
  it('a signature is made by the server alone, after the PIN', () =>
    expect(recordTypes.filter((type) => madeBy(type) === 'signature').toSorted()).toEqual([
      'run.entered@1',
      'run.overridden@1',
      'shift.signed@1',
    ]))
})
