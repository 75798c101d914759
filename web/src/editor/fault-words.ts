import type { ProcedureFault } from '@tadka/contract/procedure'
import { idOf, keyed, keyIn, listsIn, type Node, type NodeKey, type Procedure } from '@tadka/core/procedure'
import { useI18n } from 'vue-i18n'

/** What is wrong, where, and how it is mended. */
export interface ToldFault {
  /** The step; none where all of the procedure is meant. */
  readonly at: NodeKey | null
  /** The field, by its name in the file; none where the step itself is meant. */
  readonly field: string | null
  readonly says: string
  readonly mend: string
}

/** The step and the field that a path inside the file leads to: "nodes.3.steps.1.title". */
export function fieldAt(procedure: Procedure, path: string): { at: NodeKey | null; field: string | null } {
  const [root, ...rest] = path.split('.')
  if (root !== 'nodes' || rest.length === 0) return { at: null, field: root ?? null }
  let list: readonly Node[] = procedure.nodes
  let at: NodeKey | null = null
  let here = ''
  while (rest.length > 0) {
    const node = list[Number(rest[0])]
    if (!node) return { at, field: rest[0] ?? null }
    at = keyIn(here, node.id)
    rest.shift()
    const lists = listsIn(node, at)
    const into =
      node.kind === 'together' && rest[0] === 'lanes' && rest[2] === 'steps'
        ? { next: lists[Number(rest[1])], taken: 3 }
        : rest[0] === 'steps'
          ? { next: lists[0], taken: 1 }
          : null
    if (!into?.next || rest.length <= into.taken) return { at, field: rest[0] ?? null }
    list = into.next.nodes
    here = into.next.key
    rest.splice(0, into.taken)
  }
  return { at, field: null }
}

/** Faults of a procedure as its editor tells them. */
export function useFaultWords() {
  const { t, te } = useI18n()
  /** The first step with this id, or key. */
  const keyOfId = (procedure: Procedure, id: string): NodeKey | null =>
    keyed(procedure.nodes).find((k) => k.key === id || k.node.id === id)?.key ?? null
  const label = (field: string | null) =>
    field !== null && te(`editor.field.any.${field}`) ? t(`editor.field.any.${field}`) : (field ?? '')
  return (procedure: Procedure, fault: ProcedureFault): ToldFault => {
    if (fault.kind === 'safety')
      return {
        at: fault.at || null,
        field: null,
        says: t(`house.rules_.${fault.rule}`),
        mend: t(`editor.mendRule.${fault.rule}`),
      }
    if (fault.kind === 'shape') {
      const { at, field } = fieldAt(procedure, fault.at)
      return { at, field, says: t('editor.incomplete', { field: label(field) }), mend: t('editor.fillIn') }
    }
    const at = keyOfId(procedure, fault.at) ?? keyOfId(procedure, idOf(fault.at))
    return { at, field: null, says: t('editor.wrongName', { why: fault.why }), mend: '' }
  }
}
