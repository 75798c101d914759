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

/** Mutants of one line, each as "mutator replacement". */
const listed = (
  file: string,
  line: string,
  { mutations, reason }: { readonly mutations: readonly string[]; readonly reason: string },
): Equivalent[] =>
  mutations.map((mutation) => {
    const at = mutation.indexOf(' ')
    return { file, line, mutator: mutation.slice(0, at), replacement: mutation.slice(at + 1), reason }
  })

export const equivalents: readonly Equivalent[] = [
  ...listed('server/people/passes.ts', "if (!rows[0]) throw new Error('there is no key to sign with')", {
    mutations: ['ConditionalExpression false', 'StringLiteral ""'],
    reason:
      'The statement before puts the row there, or finds it: without it the database would have failed first.',
  }),
  {
    file: 'server/people/pins.ts',
    line: 'const right = await verify(taken === null ? await unknownHash : (stored ?? (await unknownHash)), pin)',
    mutator: 'ConditionalExpression',
    replacement: 'false',
    reason:
      'Where the PIN is locked the next lines refuse it whether it is right or not; only how long it takes is the same.',
  },
  ...listed('server/stream/append.ts', 'for (let attempt = 0; accepted.length > 0; attempt++) {', {
    mutations: ['EqualityOperator accepted.length >= 0'],
    reason: 'With nothing accepted the one attempt finds nothing to write, and ends.',
  }),
  ...listed(
    'server/stream/append.ts',
    'const also = anew.map((s) => ({ seq: amended?.target.seq ?? 0, ...s }))',
    {
      mutations: ['OptionalChaining amended.target'],
      reason: 'Only an amendment brings subjects anew: without one there is none to map.',
    },
  ),
  ...listed(
    'server/stream/judge-draft.ts',
    "const made = { ...draft, ...clock, seq: 0, prev: '', flags: [], ...(inForce ? { inForce } : {}) }",
    {
      mutations: ['StringLiteral "Stryker was here!"', 'ArrayDeclaration ["Stryker was here"]'],
      reason: 'It is made for what is odd about it alone, which reads neither the hash before nor flags.',
    },
  ),
  ...listed(
    'server/stream/as-of.ts',
    'const isRule = (r: Partial<LocalRule>): r is LocalRule => r.authority !== undefined',
    {
      mutations: ['ConditionalExpression true'],
      reason: 'What was never set has no begin either, and is in force at no time.',
    },
  ),
  ...listed(
    'server/stream/as-of.ts',
    'rules: rulesInForce(rules.filter(isRule), instant(at.get(draft.id) ?? 0)),',
    {
      mutations: ['MethodExpression rules'],
      reason: 'What was never set has no begin either, and is in force at no time.',
    },
  ),
  ...listed(
    'server/stream/contact-entry.ts',
    'products.filter((p) => p.uses?.some((u) => u.id === use)).flatMap((p) => labelInForce(p.id, p, use) ?? [])',
    {
      mutations: ['ConditionalExpression true', 'MethodExpression products'],
      reason: 'A product without such a use has no label for it: null, which is left out.',
    },
  ),
  ...listed(
    'server/record/receive.ts',
    '{ sentAt, offset, drafts, provenance = [] }: z.infer<typeof batchBody>,',
    {
      mutations: ['ArrayDeclaration ["Stryker was here"]'],
      reason: 'A text beside a draft has neither pass nor offset: as if there were none.',
    },
  ),
  ...listed(
    'server/record/receive.ts',
    'const from = new Map(drafts.map((draft, i) => [draft, provenance[i] ?? { pass: null, offset: null }]))',
    {
      mutations: ['ObjectLiteral {}'],
      reason: 'What is not there is read as null further down.',
    },
  ),
  ...listed(
    'server/record/receive.ts',
    'const offsetOf = (draft: unknown) => from.get(draft)?.offset ?? clockOffset',
    {
      mutations: ['OptionalChaining from.get(draft).offset'],
      reason: 'Every draft of the batch is a key of the map.',
    },
  ),
  ...listed(
    'server/record/receive.ts',
    'const { role, isAfterSession } = authorizeDraft(senders, draft, at, from.get(raw)?.pass ?? null)',
    {
      mutations: ['OptionalChaining from.get(raw).pass'],
      reason: 'Every draft of the batch is a key of the map.',
    },
  ),
  ...listed('server/record/receive.ts', 'if (toHold.length === 0) return outcomes', {
    mutations: ['ConditionalExpression false'],
    reason: 'To hold nothing writes nothing and finds nothing.',
  }),
  ...listed(
    'server/record/routes.ts',
    'const passes = request.body.provenance?.flatMap((p) => p.pass ?? []) ?? []',
    {
      mutations: ['ArrayDeclaration ["Stryker was here"]'],
      reason: 'A text that nobody signed opens nothing, as no pass does.',
    },
  ),
]
