/** Whom to call. */
export const calls = {
  title: 'Whom to call',
  how: 'Shown when a machine is stopped. The emergency number stands beside them.',
  call: 'Call',
  none: 'Nobody is entered. The manager enters who to call in House, Trading.',
  emergency: 'Emergency',
  add: 'Add a contact',
  remove: 'Remove {name}',
  who: 'Who',
  name: 'Name',
  phone: 'Phone number',
  kind: {
    technician: 'Technician',
    manager: 'Manager',
    supplier: 'Chemical supplier',
    poison: 'Poison information',
  },
  incomplete: 'Each contact needs a name and a number.',
}
