import {
  acts,
  assemblies,
  compartments,
  fastenings,
  hygienes,
  isolations,
  parameterUnits,
  powers,
  waitKinds,
  type Facets,
  type Node,
  type Procedure,
  touches,
} from '@tadka/core/procedure'
import { recipeSides, sharedPlaces } from '@tadka/core/house'
import { z } from 'zod'
import { freeKey, freeName, sha256 } from '../stream/envelope.ts'

const id = freeName(/^[a-z0-9-]+$/, 40)
const line = z.string().min(1).max(300)
const name = z.string().min(1).max(80)
const plateName = z.string().max(40)
const ofPlate = {
  of: plateName,
  times: z.number().positive().max(100).exactOptional(),
  less: plateName.exactOptional(),
}
const parameter = z.union([
  z.number().min(0),
  z.strictObject({ ...ofPlate, else: z.strictObject(ofPlate).exactOptional() }),
])

/** What a step makes of the station; absent facets stay as they are. What is worked out (contact, residue) cannot be stated. */
export const facets = z.strictObject({
  contents: z
    .enum(['product', 'empty', 'rinse', 'detergent', 'sanitizer', 'descaler', 'unknown'])
    .exactOptional(),
  assembly: z.enum(assemblies).exactOptional(),
  power: z.enum(powers).exactOptional(),
  hygiene: z.enum(hygienes).exactOptional(),
  primed: z.boolean().exactOptional(),
  temperature: z.number().nullable().exactOptional(),
  partsOut: z.number().int().min(0).nullable().exactOptional(),
  feeds: z.enum(['on', 'off']).exactOptional(),
  ice: z.enum(['food', 'cleaning', 'none']).exactOptional(),
  heat: z.enum(['hot', 'cooled']).exactOptional(),
}) satisfies z.ZodType<Partial<Facets>>

const isolation = z.enum(isolations)
const node = {
  id,
  when: z
    .array(z.strictObject({ option: id, is: z.array(id).min(1) }))
    .min(1)
    .exactOptional(),
}
const picture = z.strictObject({
  sha256,
  says: line,
  shows: z.enum(['right', 'wrong']).exactOptional(),
})
const step = {
  ...node,
  pictures: z.array(picture).min(1).max(4).exactOptional(),
  title: line,
  text: line.exactOptional(),
  caution: line.exactOptional(),
  right: line.exactOptional(),
  effects: facets.exactOptional(),
  act: z.enum(acts).exactOptional(),
  minutes: parameter.exactOptional(),
  hands: z.union([z.literal(1), z.literal(2)]).exactOptional(),
  touches: z.enum(touches).exactOptional(),
  handover: z.boolean().exactOptional(),
  who: z.enum(['lead', 'technician']).exactOptional(),
  at: z.enum(sharedPlaces).exactOptional(),
  fills: z.enum(compartments).exactOptional(),
  spare: z.boolean().exactOptional(),
  sameAgent: id.exactOptional(),
}
const during = facets.exactOptional()
const waitKind = z.enum(waitKinds)

const stepSchema = z.union([
  z.strictObject({ ...step, kind: z.literal('do') }),
  z.strictObject({
    ...step,
    kind: z.literal('gate'),
    hazardous: z.boolean(),
    by: isolation.exactOptional(),
    wear: z.array(name).min(1).exactOptional(),
  }),
  z.strictObject({
    ...step,
    kind: z.literal('mix'),
    use: id,
    volume: parameter,
    vessel: name,
    capacity: parameter,
    water: z.strictObject({ lo: z.number(), hi: z.number(), unit: z.literal('°C') }),
    amount: parameter.exactOptional(),
    acid: z.boolean().exactOptional(),
  }),
  z.strictObject({
    ...step,
    kind: z.literal('wait'),
    of: waitKind,
    length: parameter,
    most: parameter.exactOptional(),
    attended: z.boolean(),
    watch: line.exactOptional(),
    during,
  }),
  z.strictObject({
    ...step,
    kind: z.literal('tend'),
    of: waitKind,
    length: parameter,
    every: parameter,
    duty: line,
    late: line,
    uses: parameter.exactOptional(),
    during,
  }),
  z.strictObject({
    ...step,
    kind: z.literal('check'),
    what: z.literal('sanitizer'),
    use: id,
    from: parameter.exactOptional(),
    to: parameter.exactOptional(),
  }),
  z.strictObject({
    ...step,
    kind: z.literal('check'),
    what: z.enum(['cold-product', 'wash-water', 'dish-machine', 'hot-water']),
  }),
  z.strictObject({
    ...step,
    kind: z.literal('parts'),
    direction: z.enum(['out', 'in']),
    parts: z
      .array(
        z.strictObject({
          ...node,
          name,
          count: z.number().int().min(1).max(200),
          of: plateName.exactOptional(),
          per: plateName.exactOptional(),
          picture: picture.exactOptional(),
        }),
      )
      .min(1),
    leave: z.array(id).exactOptional(),
  }),
  z.strictObject({
    ...step,
    kind: z.literal('inspect'),
    choices: z
      .array(
        z.strictObject({
          id,
          name: line,
          outcome: z.enum(['fine', 'watch', 'regrease', 'replace', 'technician']),
        }),
      )
      .min(2),
  }),
  z.strictObject({
    ...step,
    kind: z.literal('lubricate'),
    yes: z
      .array(
        z.strictObject({
          part: name,
          amount: z.enum(['film', 'pea', 'generous', 'packed']),
          when: node.when,
        }),
      )
      .min(1),
    never: z.array(name),
  }),
  z.strictObject({
    ...step,
    kind: z.literal('fasten'),
    how: z.enum(fastenings),
    what: name,
    count: z.number().int().min(1).max(24),
    of: plateName.exactOptional(),
    each: plateName.exactOptional(),
    why: line,
  }),
  z.strictObject({ ...step, kind: z.literal('product') }),
  z.strictObject({
    ...step,
    kind: z.literal('read'),
    what: name,
    unit: z.enum(parameterUnits),
    from: parameter.exactOptional(),
    to: parameter.exactOptional(),
    portion: parameter.exactOptional(),
    recipe: z.enum(recipeSides).exactOptional(),
  }),
])

/** Several times what the library's longest has. */
const most = { nodes: 120, lanes: 6, choices: 12, options: 12 } as const
const nodes = z.lazy(() => z.array(nodeSchema).min(1).max(most.nodes))
const nodeSchema: z.ZodType<Node> = z.lazy(() =>
  z.union([
    stepSchema,
    z.strictObject({
      ...node,
      kind: z.literal('until'),
      title: line,
      sign: line,
      usualRounds: z.number().int().min(1).max(50),
      expected: z.number().int().min(1).max(50).exactOptional(),
      steps: nodes,
    }),
    z.strictObject({ ...node, kind: z.literal('each'), unit: name, count: parameter, steps: nodes }),
    z.strictObject({
      ...node,
      kind: z.literal('together'),
      lanes: z
        .array(z.strictObject({ id, title: line, steps: nodes }))
        .min(2)
        .max(most.lanes),
    }),
    z
      .strictObject({
        ...node,
        kind: z.literal('branch'),
        on: id,
        is: z
          .array(
            z.enum([
              'fine',
              'watch',
              'regrease',
              'replace',
              'technician',
              'in',
              'too-close',
              'out',
              'cannot-tell',
            ]),
          )
          .max(9),
        chose: z.array(id).min(1).exactOptional(),
        expected: z.boolean().exactOptional(),
        steps: nodes,
      })
      .refine((b) => b.is.length > 0 || b.chose !== undefined, 'opens on nothing'),
  ]),
)

/** A procedure as it is exchanged: the file's shape. Its safety is checked apart. */
export const procedureSchema = z.strictObject({
  id: z
    .string()
    .regex(/^[a-z0-9-]+(\.[a-z0-9-]+)*$/)
    .max(60),
  version: z.number().int().min(1),
  name,
  family: z.string().max(60),
  nodes,
  parameters: z.record(freeKey(40), z.enum(parameterUnits)),
  options: z
    .array(
      z.strictObject({
        id,
        question: line,
        choices: z
          .array(z.strictObject({ id, says: line }))
          .min(2)
          .max(most.choices),
        fallback: id,
        why: line,
      }),
    )
    .max(most.options)
    .exactOptional(),
  materials: z.array(line).max(most.nodes),
  cautions: z.array(line).max(most.nodes),
  isolation: z.union([isolation, z.literal('none')]).exactOptional(),
  begins: facets.exactOptional(),
  ends: facets.exactOptional(),
  freezesSolution: z.boolean().exactOptional(),
}) satisfies z.ZodType<Procedure>
