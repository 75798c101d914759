/** What tests import as `vitest`: the runner's own globals, but for the hook below. */
const real = globalThis as unknown as typeof import('vitest')
export const { afterAll, afterEach, beforeEach, describe, expect, it, test, vi } = real

type Hook = () => unknown

/**
 * What must be there before the tests, and could not be made, fails each of them: where a hook throws they are skipped, and what
 * was mutated would seem to live.
 */
export const beforeAll = (prepare: Hook, timeout?: number): void => {
  let failure: { readonly error: unknown } | null = null
  real.beforeAll(async () => {
    try {
      await prepare()
    } catch (error) {
      failure = { error }
    }
  }, timeout)
  beforeEach(() => {
    if (failure) throw failure.error
  })
}
