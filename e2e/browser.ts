/** How Debian's Chromium is started: no traffic of its own, and as root without its sandbox. */
export const chromiumArgs = [
  '--no-sandbox',
  '--disable-background-networking',
  '--disable-quic',
  '--no-first-run',
  '--disable-component-update',
  '--disable-sync',
]
