import { beforeAll as before, beforeEach } from 'vitest'

export * from 'vitest'

/**
 * What must be there before the tests, and could not be made, fails each of them: where a hook throws they are skipped, and what
 * was mutated would seem to live.
 */
export const beforeAll = (prepare: () => unknown, timeout?: number): void => {
  let failure: { readonly error: unknown } | null = null
  before(async () => {
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
