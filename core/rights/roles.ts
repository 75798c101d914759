/** Who works at a site. */
export const staffRoles = ['crew', 'lead', 'manager'] as const
/** And who looks at it by a link, for a time. */
export const roles = [...staffRoles, 'inspector'] as const
export type StaffRole = (typeof staffRoles)[number]
export type Role = (typeof roles)[number]

export const isStaff = (role: Role): role is StaffRole => role !== 'inspector'

/** What a person may do, by role. Read by the server, which decides, and by the browser, which only shows. */
export type Permission =
  /** The log of a period, and what stands at the site. */
  | 'inspect'
  | 'read'
  | 'record'
  | 'verify-chain'
  | 'amend'
  | 'close-case'
  | 'sign-shift'
  /** Looks a day through that somebody else signed. */
  | 'review-day'
  | 'set-up-house'
  /** Puts procedures of the site's own in force. */
  | 'set-procedures'
  | 'unlock-person'
  | 'export-log'
  | 'plan-shift'
  /** Says that somebody may work alone, and that they may not any more. */
  | 'sign-off'
  | 'bring-in'
  | 'override'
  | 'decide-held'
  /** Sees what the log makes one ask, and answers it. */
  | 'ask-questions'
  | 'invite-inspector'
  /** Sees and keeps what staff told of an illness. */
  | 'keep-illness'

const inspector: readonly Permission[] = ['inspect', 'verify-chain']
const crew: readonly Permission[] = ['inspect', 'read', 'record', 'amend', 'verify-chain', 'export-log']
const lead: readonly Permission[] = [
  ...crew,
  'close-case',
  'sign-shift',
  'review-day',
  'plan-shift',
  'sign-off',
  'bring-in',
  'override',
  'unlock-person',
  'invite-inspector',
  'set-procedures',
]
const manager: readonly Permission[] = [
  ...lead,
  'set-up-house',
  'decide-held',
  'ask-questions',
  'keep-illness',
]

const permissions: Record<Role, readonly Permission[]> = { inspector, crew, lead, manager }

const ranks: Record<Role, number> = { inspector: 3, crew: 0, lead: 1, manager: 2 }
/** How far up somebody of the staff stands: crew lowest. */
export const rank = (role: StaffRole): number => ranks[role]

/** An inspector has no PIN. A lead unlocks the PINs of crew, a manager those of leads too; a manager's own are unlocked where Tadka runs. */
export const mayUnlock = (role: Role, whose: Role): boolean =>
  may(role, 'unlock-person') && ranks[whose] < ranks[role]

export const may = (role: Role, permission: Permission): boolean => permissions[role].includes(permission)
