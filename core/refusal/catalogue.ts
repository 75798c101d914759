/** What kind of refusal it is; the server turns the kind into an HTTP status, the browser into a tone. */
export type RefusalKind =
  | 'malformed'
  | 'not-signed-in'
  | 'not-allowed'
  | 'missing'
  | 'conflict'
  | 'too-large'
  | 'too-often'
  | 'down'
  | 'broken'

interface CatalogueEntry {
  readonly kind: RefusalKind
  /** One sentence that says what is wrong and what to do. */
  readonly message: string
}

const entry = (kind: RefusalKind, message: string): CatalogueEntry => ({ kind, message })

/** Every refusal the application can give, in one place. */
export const catalogue = {
  // plans
  plan_broken: entry(
    'conflict',
    'This plan contradicts the roster, the sign-offs or the machines as they are now. Plan the shift anew.',
  ),

  // training
  watch_run_over: entry('conflict', 'This run is over. Standing by is confirmed while it is worked.'),
  watch_self: entry('conflict', 'Who works is not who stands by. Somebody else confirms it with their PIN.'),
  watch_not_working: entry(
    'conflict',
    'They have not worked on this run. Let them begin or go on with it first.',
  ),
  watch_not_signed_off: entry(
    'not-allowed',
    'You are not signed off for this yourself. Ask somebody who may do it alone to stand by.',
  ),
  watch_not_on_shift: entry(
    'not-allowed',
    'You are not on the roster now. A shift lead adds you: Shift > Roster.',
  ),
  sign_off_self: entry('not-allowed', 'Nobody signs themselves off. Another shift lead or manager does it.'),
  sign_off_early: entry('conflict', 'Not everything is shown yet. The card says what is left.'),
  check_over: entry('conflict', 'These questions are answered or too old. Begin the check again.'),
  nothing_to_ask: entry(
    'conflict',
    'Too little is entered here to ask about this. Enter machines, products and instruments in House.',
  ),

  // long work
  plan_unfinished: entry(
    'too-large',
    'This shift is too large to be planned here. Send fewer runs or fewer iterations.',
  ),
  work_too_long: entry(
    'too-large',
    'This took too long and was stopped. Ask for less at a time, or try again.',
  ),
  busy: entry('too-often', 'Too much is being worked out at once. Try again in a minute.'),

  // an inspector's link
  link_ended: entry(
    'not-signed-in',
    'This link has ended, or is not whole. Ask the shift lead for a new one.',
  ),
  somebody_here: entry(
    'conflict',
    'Somebody of the site is signed in on this device. Open the link on the inspector’s own device, or sign out first.',
  ),

  // a site's set-up from a file
  site_file_wrong: entry(
    'malformed',
    'Nothing was taken from this file. Mend the lines that are named, and choose it again.',
  ),

  // quantities
  not_a_number: entry('malformed', 'This is not a number. Type digits only.'),
  negative_quantity: entry('malformed', 'An amount cannot be below zero. Type zero or more.'),
  unit_missing: entry('malformed', 'Say which unit this number is in.'),
  below_absolute_zero: entry('malformed', 'No thermometer reads this cold. Check the number and its unit.'),
  empty_interval: entry('malformed', 'The lower end of a reading must not lie above its upper end.'),

  // solutions
  stock_too_weak: entry(
    'malformed',
    'The concentrate is weaker than the strength asked for. Choose a stronger product or a lower target.',
  ),
  no_water_left: entry(
    'malformed',
    'The amount by the model’s table leaves no water in it. Correct the machine’s data plate in House.',
  ),
  density_missing: entry(
    'malformed',
    'A % by weight needs the density that the label or its data sheet gives.',
  ),
  target_over_label: entry(
    'malformed',
    'The label allows no more than {most} ppm for this use. Choose {most} ppm or less.',
  ),
  target_under_label: entry(
    'malformed',
    'Below {least} ppm the label says nothing of this use: it would not sanitize. Choose {least} ppm or more.',
  ),
  target_needs_rinse: entry(
    'malformed',
    'Over {most} ppm of chlorine a rinse with drinking water must follow, and this label asks for none. Choose {most} ppm or less.',
  ),
  target_is_zero: entry('malformed', 'The target strength must be above zero.'),
  volume_is_zero: entry('malformed', 'The volume must be above zero.'),
  vessel_too_small: entry('malformed', 'The vessel does not hold this much. Choose a larger one.'),
  strip_void: entry(
    'malformed',
    'This strip is past its date or was wet: it tells nothing. Use a fresh strip.',
  ),
  strip_block_unknown: entry('malformed', 'The strip has no such block. Pick one of the blocks on its card.'),

  reason_missing: entry('malformed', 'Say why, in a few words.'),
  rule_about_nothing: entry('malformed', 'Choose what the rule is about, and the unit that it is read in.'),
  limit_missing: entry('malformed', 'Give at least one end of the limit.'),

  // procedures
  step_unknown: entry('malformed', 'The procedure has no such step. Reload the run.'),
  procedure_unknown: entry(
    'conflict',
    'This site has no such procedure at that version. Reload the page and start it anew.',
  ),
  procedure_not_for_station: entry(
    'conflict',
    'This procedure is not for that kind of machine. Choose one of its own.',
  ),
  contact_too_short: entry(
    'malformed',
    'A contact time is shorter than the code, the label or our library asks. Enter the longer one.',
  ),
  cannot_override: entry(
    'conflict',
    'This cannot be decided by anybody: it has to be done. Do what is named first.',
  ),
  needs_reason: entry('malformed', 'Write the reason, three letters at least: it stays in the log.'),
  seen_elsewhere: entry(
    'conflict',
    'The tablet saw this station in another run at that time. Check the times.',
  ),
  time_order: entry('malformed', 'The end must be after the start, and neither in the future.'),
  procedure_too_large: entry(
    'too-large',
    'This procedure has more ways through it than can be checked. Split it, or leave out options.',
  ),
  procedure_unsafe: entry(
    'malformed',
    'This procedure is not safe on every way through it. See the rule and the path in the details.',
  ),
  procedure_malformed: entry(
    'malformed',
    'This file is not a procedure that can be worked. See the places in the details.',
  ),
  parameter_missing: entry(
    'malformed',
    "The machine's data plate lacks a number that this procedure needs. Add it in House.",
  ),

  // records
  body_malformed: entry('malformed', 'The request could not be read. See the details and send it again.'),
  type_unknown: entry('malformed', 'This kind of record is not known here. Reload the application.'),
  wrong_site: entry('not-allowed', 'This record belongs to another site. Sign in there to send it.'),
  in_the_future: entry('malformed', "This was observed in the future. Check the tablet's clock."),
  id_reused: entry('conflict', 'Another record already has this id. It must be made anew.'),
  needs_pin: entry('not-allowed', 'This needs your own PIN. Sign it on the Log.'),
  amends_nothing: entry('malformed', 'The record to amend is not in this log.'),
  photo_unsound: entry('malformed', 'This is not the photo that the record names. Take it again.'),
  text_unstorable: entry('malformed', 'The text holds a character that cannot be stored. Remove it.'),
  day_not_begun: entry('conflict', 'This day has not begun yet. Choose an earlier one.'),
  day_not_over: entry('conflict', 'This day is not over yet. Look it through from tomorrow on.'),
  review_own: entry(
    'conflict',
    'You signed this day yourself. Somebody else who may look it through signs the review.',
  ),
  incident_ended: entry('conflict', 'This has ended. Nothing of it is left to be signed.'),
  incident_not_its_station: entry(
    'conflict',
    'This station is not out of service by it. Load the page again.',
  ),
  incident_not_ready: entry(
    'conflict',
    'Its list is not through: {left} left. Nothing is served before all of it is done.',
  ),
  day_not_clean: entry(
    'conflict',
    'Something of this day is not done, late or open. Write the reason for signing it all the same.',
  ),
  not_amendable: entry(
    'conflict',
    'This entry cannot be amended: it was measured, or made by a signature. Add a new one.',
  ),
  amend_not_yours: entry('not-allowed', 'Only who made this entry, or a shift lead, may amend it.'),
  day_is_signed: entry(
    'not-allowed',
    'This day is signed. Only a manager may still amend it, and the day says so.',
  ),
  too_late_to_take_back: entry(
    'conflict',
    'It is too late to take this back. Amend it, or enter what is right now.',
  ),
  // people
  not_signed_in: entry('not-signed-in', 'Sign in first: pick your name and enter your PIN.'),
  wrong_pin: entry('not-signed-in', 'That PIN is not right. Try again.'),
  wrong_password: entry('not-signed-in', 'That name and password do not go together. Try again.'),
  pin_locked: entry(
    'not-allowed',
    'Too many wrong PINs: this PIN is locked on this tablet. A shift lead unlocks crew, a manager leads: House > People.',
  ),
  name_taken: entry('conflict', 'Somebody here has this name already. Add a letter or a second name.'),
  login_taken: entry('conflict', 'Somebody here signs in with this login already. Choose another.'),
  login_is_managers: entry(
    'malformed',
    'Only managers sign in with a login and password. Leave the login empty, or make them a manager.',
  ),
  login_needs_password: entry('malformed', 'A login and a password go together. Give both, or neither.'),
  last_manager: entry(
    'conflict',
    'This is the only manager here. Make somebody else a manager first: without one nobody could set up anything.',
  ),
  own_role: entry('not-allowed', 'Nobody changes their own role. Another manager does it.'),
  pin_easy: entry('malformed', 'Anybody would try this PIN first. Choose one that does not repeat or count.'),
  pin_to_change: entry(
    'conflict',
    'Somebody else chose this PIN. Choose your own first: House > People, or at the next sign-in.',
  ),
  pin_same: entry('malformed', 'This is the PIN that you were given. Choose another.'),
  tablet_not_enrolled: entry(
    'not-allowed',
    'PINs work only on tablets of the site. A manager adds this one: House > Tablets.',
  ),
  wrong_code: entry(
    'not-signed-in',
    'That code is not right, was used, or has ended. Ask a manager for a new one.',
  ),
  not_allowed: entry('not-allowed', 'Your role may not do this. Ask a shift lead or a manager.'),
  not_on_this_tablet: entry('not-allowed', 'This person was not signed in on this tablet at that time.'),
  tablet_ended: entry('not-allowed', 'This tablet was removed. A manager decides about what it still sends.'),
  foreign_origin: entry('not-allowed', 'This request came from another page. Open Tadka itself.'),

  // devices
  device_unknown: entry(
    'not-signed-in',
    'No device by this token streams here. Enter it in House, and give its gateway the new token.',
  ),
  device_exists: entry('conflict', 'A device of this name is entered already. Choose another name.'),

  // loggers
  logger_file: entry(
    'malformed',
    'This file cannot be taken as it is read; nothing was changed. See line and reason, and change how it is read.',
  ),
  logger_cycles: entry(
    'conflict',
    'Cycles of this file stand in the log and are counted: the file stays. Amend what is wrong on Log.',
  ),

  // the server
  not_found: entry('missing', 'There is nothing here. Check the address.'),
  body_too_large: entry('too-large', 'This is too large to send at once. Send less at a time.'),
  too_often: entry('too-often', 'Too many tries. Wait a little, then try again.'),
  disk_full: entry(
    'down',
    'Not saved: the disk of Tadka’s computer is full. Make room there. Until then what you enter stays on this tablet.',
  ),
  disk_read_only: entry(
    'down',
    'Not saved: Tadka’s computer may not write to its disk. Call who looks after it. What you enter stays on this tablet.',
  ),
  database_down: entry('down', 'The database does not answer. What you enter is kept and sent by itself.'),
  broken: entry(
    'broken',
    'Something broke here. Nothing was changed. Try again; if it stays, tell whoever runs Tadka.',
  ),
} as const satisfies Record<string, CatalogueEntry>

export type RefusalCode = keyof typeof catalogue
