/** What is mutated: a folder's code, and the tests beside it that must notice. A move of code changes one line here. */
export interface Folder {
  readonly name: string
  readonly mutate: readonly string[]
  readonly tests: readonly string[]
  /** Whether its tests ask for a database. */
  readonly database?: true
}

export const folders: readonly Folder[] = [
  {
    name: 'rules',
    mutate: ['core/rules/*.ts'],
    tests: [
      'core/test/rules/*.test.ts',
      'core/test/{rules,heat,amend}.test.ts',
      'core/test/record/*.test.ts',
    ],
  },
  {
    name: 'solution',
    mutate: ['core/solution/*.ts'],
    tests: [
      'core/test/solution/*.test.ts',
      'core/test/{solution,measure,supplies,weaken,container}.test.ts',
      'core/test/rules/*.test.ts',
    ],
  },
  {
    name: 'procedure',
    mutate: ['core/procedure/{safety,safety-rules,facets,effects,condition}.ts'],
    // Not the walks through whole libraries: each would be walked again for each mutant.
    tests: [
      'core/test/{safety,procedure}.test.ts',
      'core/test/procedure/*.test.ts',
      'core/test/clean/{begin,forged}.test.ts',
    ],
  },
  {
    name: 'append',
    mutate: ['server/stream/{append,judge-draft,as-of,contact-entry}.ts'],
    tests: [
      'server/test/{records,guards,judging,clean,odd-drafts}.test.ts',
      'server/test/{appending,contact-entry,as-of,processes}.test.ts',
    ],
    database: true,
  },
  {
    name: 'log',
    mutate: ['server/record/{routes,receive,log-routes,held,held-routes}.ts'],
    tests: ['server/test/{records,log,rows,roles,held,events,shapes}.test.ts'],
    database: true,
  },
  {
    name: 'senders',
    mutate: ['server/people/{guard,draft-access,passes,pins}.ts'],
    tests: ['server/test/{senders,people,persons,tablets,guards,held,waits}.test.ts'],
    database: true,
  },
]
