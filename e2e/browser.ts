/** Debian's Chromium without the parts of a desktop program: the same engine, a third less work on a small machine. */
export const chromiumPath = '/usr/bin/chromium-headless-shell'

/** How Debian's Chromium is started: no traffic of its own, and as root without its sandbox. */
export const chromiumArgs = [
  '--no-sandbox',
  '--disable-background-networking',
  '--disable-quic',
  '--no-first-run',
  '--disable-component-update',
  '--disable-sync',
]
