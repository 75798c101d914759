export const trust = {
  title: 'Let this tablet trust Tadka',
  why: 'Tadka runs on a computer of this site and signs for itself. Until this tablet trusts that computer it warns, and it cannot open Tadka without network. Do this once.',
  compare:
    'First compare these letters with the ones on the screen of the computer that runs Tadka. If they differ, stop and tell the manager.',
  ends: 'Good until {date}',
  limited: 'It can vouch for this one computer and for nothing else.',
  get: 'Save the file',
  nextTitle: 'The next one',
  next: 'From {date} Tadka signs with this one. Trust it now in the same way, and nothing stops on that day.',
  given: 'There is nothing to do here: this site has no certificate of its own.',
  unreachable: 'The server does not answer. Check the Wi-Fi.',
  again: 'Try again',
  back: 'To Tadka',
  kind: 'Which kind of tablet is this?',
  kinds: {
    android: 'Android',
    ipados: 'iPadOS, iOS',
    windows: 'Windows',
    chromeos: 'ChromeOS',
    macos: 'macOS',
    linux: 'Linux',
  },
  steps: {
    android: [
      'Tap “Save the file”.',
      'Open Settings. Search there for “certificate”, and choose “Install a CA certificate”.',
      'Choose the file tadka-authority.crt, and confirm with the tablet’s own PIN.',
    ],
    ipados: [
      'Tap “Save the file”, then “Allow”.',
      'Open Settings > General > VPN & Device Management. Tap the Tadka profile, then “Install”.',
      'Open Settings > General > About > Certificate Trust Settings. Switch Tadka on.',
    ],
    windows: [
      'Click “Save the file”, and open it.',
      'Click “Install Certificate”, then “Local Machine”.',
      'Choose “Place all certificates in the following store”, then “Trusted Root Certification Authorities”.',
    ],
    chromeos: [
      'Click “Save the file”.',
      'Open the browser’s settings. Search there for “certificates”, then “Authorities”, then “Import”.',
      'Choose the file, and tick “Trust this certificate for identifying websites”.',
    ],
    macos: [
      'Click “Save the file”, and open it: it goes into the keychain “login”.',
      'Open it there. Under “Trust” choose “Always Trust”.',
    ],
    linux: [
      'Click “Save the file”.',
      'In the browser’s settings search for “certificates”, then “Authorities”, then “Import”.',
      'Choose the file, and tick that it may identify websites.',
    ],
  },
  last: 'Close the browser, and open Tadka again. The warning is gone.',
  house: {
    title: 'Certificate',
    ends: 'This site’s certificate is good until {date}.',
    soon: 'This site’s certificate ends on {date}. The next one is ready: open {address} on every tablet before then.',
  },
}
