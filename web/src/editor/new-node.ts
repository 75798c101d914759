import type { Node } from '@tadka/core/procedure'

/** A step or group of a kind as it is put in: what has to be said of it is said, or is asked for by its form. */
export function newNode(kind: Node['kind'], id: string, title: string): Node {
  const step = { id, title }
  const inside = (text: string): Node[] => [{ id: 'step', kind: 'do', title: text }]
  switch (kind) {
    case 'gate':
      return { ...step, kind, hazardous: true }
    case 'mix':
      return {
        ...step,
        kind,
        use: 'machine-wash',
        volume: 1000,
        vessel: 'pail',
        capacity: 10_000,
        water: { lo: 40, hi: 50, unit: '°C' },
      }
    case 'wait':
      return { ...step, kind, of: 'contact', length: 5, attended: false }
    case 'tend':
      return { ...step, kind, of: 'run', length: 20, every: 5, duty: title, late: title }
    case 'check':
      return { ...step, kind, what: 'sanitizer', use: 'frozen-dessert' }
    case 'parts':
      return { ...step, kind, direction: 'out', parts: [{ id: 'part', name: title, count: 1 }] }
    case 'inspect':
      return {
        ...step,
        kind,
        choices: [
          { id: 'fine', name: '', outcome: 'fine' },
          { id: 'replace', name: '', outcome: 'replace' },
        ],
      }
    case 'lubricate':
      return { ...step, kind, yes: [{ part: '', amount: 'film' }], never: [] }
    case 'fasten':
      return { ...step, kind, how: 'crosswise', what: '', count: 4, why: '' }
    case 'read':
      return { ...step, kind, what: '', unit: 'count' }
    case 'until':
      return { id, kind, title, sign: '', usualRounds: 3, steps: inside(title) }
    case 'each':
      return { id, kind, unit: '', count: 2, steps: inside(title) }
    case 'together':
      return {
        id,
        kind,
        lanes: ['a', 'b'].map((lane) => ({ id: lane, title: '', steps: inside(title) })),
      }
    case 'branch':
      return { id, kind, on: '', is: [], steps: inside(title) }
    default:
      return { ...step, kind }
  }
}
