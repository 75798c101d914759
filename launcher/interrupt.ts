const leave = (): void => process.exit(130)
let act: () => void = leave

for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => act())

/** What Ctrl-C does from now on; by default the launcher leaves at once, and what it started is stopped on its way out. */
export function whenInterrupted(handler: (() => void) | null): void {
  act = handler ?? leave
}
