export const roles = ['crew', 'lead', 'manager'] as const
export type Role = (typeof roles)[number]

/** What a person may do, by role. Read by the server, which decides, and by the browser, which only shows. */
export type Permission =
  | 'read'
  | 'record'
  | 'verify-chain'
  | 'amend'
  | 'close-case'
  | 'sign-shift'
  | 'set-up-house'
  | 'unlock-person'
  | 'export-log'
  | 'plan-shift'
  | 'bring-in'
  | 'override'
  | 'decide-held'

const crew: readonly Permission[] = ['read', 'record', 'amend', 'verify-chain', 'export-log']
const lead: readonly Permission[] = [
  ...crew,
  'close-case',
  'sign-shift',
  'plan-shift',
  'bring-in',
  'override',
  'unlock-person',
]
const manager: readonly Permission[] = [...lead, 'set-up-house', 'decide-held']

const permissions: Record<Role, readonly Permission[]> = { crew, lead, manager }

const rank: Record<Role, number> = { crew: 0, lead: 1, manager: 2 }

/** A lead unlocks the PINs of crew, a manager those of leads too; a manager's own are unlocked where Tadka runs. */
export const mayUnlock = (role: Role, whose: Role): boolean =>
  may(role, 'unlock-person') && rank[whose] < rank[role]

export const may = (role: Role, permission: Permission): boolean => permissions[role].includes(permission)
