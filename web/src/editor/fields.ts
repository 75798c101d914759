import { productUses, recipeSides, sharedPlaces } from '@tadka/core/house'
import {
  acts,
  assemblies,
  compartments,
  fastenings,
  hygienes,
  isolations,
  parameterUnits,
  powers,
  touches,
  waitKinds,
  type Node,
  type ParameterUnit,
} from '@tadka/core/procedure'

interface Named {
  readonly name: string
  /** May be left out. */
  readonly optional?: true
}

/** One thing that is entered of a node: its name in the file, and how it is typed. */
export type FieldSpec =
  | (Named & { readonly is: 'line' | 'text' | 'flag' | 'lines' | 'water' | 'pictures' | 'picture' | 'when' })
  /** `unit`: its own, or the one that the step names. */
  | (Named & { readonly is: 'amount'; readonly unit: ParameterUnit | 'own' })
  | (Named & { readonly is: 'whole'; readonly min: number; readonly max: number })
  | (Named & { readonly is: 'plate'; readonly unit: ParameterUnit })
  /** `words`: where their names stand, each under its own key. */
  | (Named & { readonly is: 'choice'; readonly of: readonly string[]; readonly words: string })
  /** Which of the step's own parts stay where they are. */
  | (Named & { readonly is: 'leave' })
  /** After which findings a branch is gone into. */
  | (Named & { readonly is: 'findings' })
  | (Named & { readonly is: 'state'; readonly of: readonly Facet[] })
  /** `fresh`: what a new one has beside its fields; an id of its own is given where it needs one. */
  | (Named & {
      readonly is: 'rows'
      readonly least: number
      readonly fields: readonly FieldSpec[]
      readonly fresh: Readonly<Record<string, unknown>>
      readonly hasId?: true
    })

export interface Facet {
  readonly name: string
  readonly of: readonly (string | boolean)[]
}

/** Sides of a machine that a step may change, each with what it may become. */
export const facets: readonly Facet[] = [
  { name: 'contents', of: ['product', 'empty', 'rinse', 'detergent', 'sanitizer', 'descaler'] },
  { name: 'assembly', of: assemblies },
  { name: 'power', of: powers },
  { name: 'hygiene', of: hygienes.filter((h) => h !== 'unknown') },
  { name: 'primed', of: [true, false] },
  { name: 'feeds', of: ['on', 'off'] },
  { name: 'ice', of: ['food', 'cleaning', 'none'] },
  { name: 'heat', of: ['hot', 'cooled'] },
]

const outcomes = ['fine', 'watch', 'regrease', 'replace', 'technician'] as const
const uses = productUses.map((u) => u.id)

/** What a step of any kind says. */
const said: readonly FieldSpec[] = [
  { is: 'line', name: 'title' },
  { is: 'text', name: 'text', optional: true },
  { is: 'text', name: 'caution', optional: true },
  { is: 'text', name: 'right', optional: true },
  { is: 'pictures', name: 'pictures', optional: true },
]
/** Who does it, where, when, and what the machine is after it. */
const held: readonly FieldSpec[] = [
  { is: 'state', name: 'effects', of: facets, optional: true },
  { is: 'choice', name: 'act', of: acts, words: 'editor.act', optional: true },
  { is: 'choice', name: 'sameAgent', of: uses, words: 'uses', optional: true },
  { is: 'amount', name: 'minutes', unit: 'min', optional: true },
  { is: 'whole', name: 'hands', min: 1, max: 2, optional: true },
  { is: 'choice', name: 'touches', of: touches, words: 'editor.touches', optional: true },
  { is: 'flag', name: 'handover', optional: true },
  { is: 'choice', name: 'who', of: ['lead', 'technician'], words: 'editor.who', optional: true },
  { is: 'choice', name: 'fills', of: compartments, words: 'editor.compartment', optional: true },
  { is: 'flag', name: 'spare', optional: true },
  { is: 'choice', name: 'at', of: sharedPlaces, words: 'editor.place', optional: true },
  { is: 'when', name: 'when', optional: true },
]
const timed: readonly FieldSpec[] = [
  { is: 'choice', name: 'of', of: waitKinds, words: 'editor.waitKind' },
  { is: 'amount', name: 'length', unit: 'min' },
]
const during: FieldSpec = { is: 'state', name: 'during', of: facets, optional: true }

const own: Readonly<Record<Node['kind'], readonly FieldSpec[]>> = {
  do: [],
  gate: [
    { is: 'flag', name: 'hazardous' },
    { is: 'choice', name: 'by', of: isolations, words: 'editor.isolation', optional: true },
    { is: 'lines', name: 'wear', optional: true },
  ],
  mix: [
    { is: 'choice', name: 'use', of: uses, words: 'uses' },
    { is: 'amount', name: 'volume', unit: 'mL' },
    { is: 'line', name: 'vessel' },
    { is: 'amount', name: 'capacity', unit: 'mL' },
    { is: 'water', name: 'water' },
    { is: 'amount', name: 'amount', unit: 'mL', optional: true },
    { is: 'flag', name: 'acid', optional: true },
  ],
  wait: [
    ...timed,
    { is: 'amount', name: 'most', unit: 'min', optional: true },
    { is: 'flag', name: 'attended' },
    { is: 'line', name: 'watch', optional: true },
    during,
  ],
  tend: [
    ...timed,
    { is: 'amount', name: 'every', unit: 'min' },
    { is: 'line', name: 'duty' },
    { is: 'line', name: 'late' },
    { is: 'amount', name: 'uses', unit: 'mL', optional: true },
    during,
  ],
  check: [
    {
      is: 'choice',
      name: 'what',
      of: ['sanitizer', 'cold-product', 'wash-water', 'dish-machine', 'hot-water'],
      words: 'editor.check',
    },
    { is: 'choice', name: 'use', of: uses, words: 'uses', optional: true },
    { is: 'amount', name: 'from', unit: 'ppm', optional: true },
    { is: 'amount', name: 'to', unit: 'ppm', optional: true },
  ],
  parts: [
    { is: 'choice', name: 'direction', of: ['out', 'in'], words: 'editor.direction' },
    {
      is: 'rows',
      name: 'parts',
      least: 1,
      hasId: true,
      fresh: { count: 1 },
      fields: [
        { is: 'line', name: 'name' },
        { is: 'whole', name: 'count', min: 1, max: 200 },
        { is: 'plate', name: 'of', unit: 'count', optional: true },
        { is: 'plate', name: 'per', unit: 'count', optional: true },
        { is: 'when', name: 'when', optional: true },
        { is: 'picture', name: 'picture', optional: true },
      ],
    },
    { is: 'leave', name: 'leave', optional: true },
  ],
  inspect: [
    {
      is: 'rows',
      name: 'choices',
      least: 2,
      hasId: true,
      fresh: { outcome: 'fine' },
      fields: [
        { is: 'line', name: 'name' },
        { is: 'choice', name: 'outcome', of: outcomes, words: 'run.choice' },
      ],
    },
  ],
  lubricate: [
    {
      is: 'rows',
      name: 'yes',
      least: 1,
      fresh: { amount: 'film' },
      fields: [
        { is: 'line', name: 'part' },
        { is: 'choice', name: 'amount', of: ['film', 'pea', 'generous', 'packed'], words: 'run.amount' },
        { is: 'when', name: 'when', optional: true },
      ],
    },
    { is: 'lines', name: 'never' },
  ],
  fasten: [
    { is: 'choice', name: 'how', of: fastenings, words: 'run.fasten' },
    { is: 'line', name: 'what' },
    { is: 'whole', name: 'count', min: 1, max: 24 },
    { is: 'plate', name: 'of', unit: 'count', optional: true },
    { is: 'plate', name: 'each', unit: 'count', optional: true },
    { is: 'text', name: 'why' },
  ],
  product: [],
  read: [
    { is: 'line', name: 'what' },
    { is: 'choice', name: 'unit', of: parameterUnits, words: 'editor.unit' },
    { is: 'amount', name: 'from', unit: 'own', optional: true },
    { is: 'amount', name: 'to', unit: 'own', optional: true },
    { is: 'amount', name: 'portion', unit: 'own', optional: true },
    { is: 'choice', name: 'recipe', of: recipeSides, words: 'editor.recipe', optional: true },
  ],
  until: [
    { is: 'line', name: 'title' },
    { is: 'line', name: 'sign' },
    { is: 'whole', name: 'usualRounds', min: 1, max: 50 },
    { is: 'whole', name: 'expected', min: 1, max: 50, optional: true },
  ],
  each: [
    { is: 'line', name: 'unit' },
    { is: 'amount', name: 'count', unit: 'count' },
  ],
  together: [
    {
      is: 'rows',
      name: 'lanes',
      least: 2,
      hasId: true,
      fresh: { steps: [] },
      fields: [{ is: 'line', name: 'title' }],
    },
  ],
  branch: [
    { is: 'findings', name: 'on' },
    { is: 'flag', name: 'expected', optional: true },
  ],
}

const groups: readonly Node['kind'][] = ['until', 'each', 'together', 'branch']
const when: FieldSpec = { is: 'when', name: 'when', optional: true }

/** Every kind of step and group that can be put in. */
export const nodeKinds = Object.keys(own) as Node['kind'][]

/** What is entered of a node of a kind, in the order in which it is read. */
export const fieldsFor = (kind: Node['kind']): readonly FieldSpec[] =>
  groups.includes(kind) ? [...own[kind], when] : [...said, ...own[kind], ...held]
