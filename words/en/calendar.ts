/** What stands in the calendars that people subscribe to. */
export const calendar = {
  name: '{site}: {person}',
  shift: 'Shift, {site}',
  work: '{station}: {what}',
  asPlanned: 'As planned; the tablet knows how it goes.',
  visit: '{what}: {company}',
  due: 'Due: {what}',
}
