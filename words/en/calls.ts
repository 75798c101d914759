/** Whom to call. */
export const calls = {
  title: 'Whom to call',
  how: 'Shown when a machine is stopped. The emergency number stands beside them.',
  call: 'Call',
  none: 'Nobody is entered. The manager enters who to call in House > The day.',
  emergency: 'Emergency',
  eyeWash: 'Eye-wash: where it is, and how it opens',
  eyeWashLike: 'for example: beside the sink in the galley, covers come off by themselves',
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
