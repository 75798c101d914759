/** A mutant that changes nothing which anybody could see: no test can kill it. Listed by hand, each with its reason. */
export interface Equivalent {
  readonly file: string
  /** The line that is mutated, without its indentation. */
  readonly line: string
  readonly mutator: string
  /** What the mutator puts there. */
  readonly replacement: string
  readonly reason: string
}

export const equivalents: readonly Equivalent[] = [
  ...['ConditionalExpression false', 'StringLiteral ""'].map((mutation): Equivalent => {
    const [mutator = '', replacement = ''] = mutation.split(' ')
    return {
      file: 'server/people/passes.ts',
      line: "if (!rows[0]) throw new Error('there is no key to sign with')",
      mutator,
      replacement,
      reason:
        'The statement before puts the row there, or finds it: without it the database would have failed first.',
    }
  }),
  {
    file: 'server/people/pins.ts',
    line: 'const right = await verify(taken === null ? await unknownHash : (stored ?? (await unknownHash)), pin)',
    mutator: 'ConditionalExpression',
    replacement: 'false',
    reason:
      'Where the PIN is locked the next lines refuse it whether it is right or not; only how long it takes is the same.',
  },
]
