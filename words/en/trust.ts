export const trust = {
  title: 'Trust this site’s computer',
  why: 'Tadka runs on a computer in this building. This tablet does not know that computer yet: it shows a warning, and it cannot open Tadka without Wi-Fi. Do this once on each tablet.',
  compare:
    'First compare these letters and digits with the ones on the screen of that computer. If they differ, stop and tell the manager.',
  ends: 'Valid until {date}',
  limited: 'The file works for this one computer only.',
  get: 'Save the file',
  nextTitle: 'The next file',
  next: 'Tadka uses this one from {date}. Do the same steps with it now, so that nothing stops on that day.',
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
    ends: 'The certificate of this site is valid until {date}.',
    soon: 'The certificate of this site ends on {date}. The next one is ready. Before then, open {address} on every tablet and follow the steps.',
  },
}
