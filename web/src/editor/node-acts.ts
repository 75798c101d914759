import {
  copyOf,
  freeId,
  idOf,
  keyIn,
  listAt,
  listOf,
  nodeAt,
  stepTo,
  withInserted,
  withMoved,
  withNode,
  without,
  type Node,
  type NodeKey,
  type Procedure,
} from '@tadka/core/procedure'
import { computed, ref, type Ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { newNode } from './new-node.ts'

/** The chosen step of a procedure, and what is done with it: changed, moved, copied, taken out, another put after it. */
export function useNodeActs(
  procedure: Readonly<Ref<Procedure | null | undefined>>,
  set: (next: Procedure, what?: string | null) => void,
) {
  const { t } = useI18n()
  const chosen = ref<NodeKey | null>(procedure.value?.nodes[0]?.id ?? null)
  const nodes = computed<readonly Node[]>(() => procedure.value?.nodes ?? [])
  const node = computed(() => (chosen.value === null ? null : nodeAt(nodes.value, chosen.value)))
  const withNodes = (next: readonly Node[], what: string | null = null) =>
    procedure.value && set({ ...procedure.value, nodes: next }, what)

  function move(key: NodeKey, at: NodeKey, index: number): void {
    const moved = withMoved(nodes.value, key, at, index)
    if (!moved) return
    withNodes(moved.nodes)
    chosen.value = moved.key
  }
  const beside = (by: 1 | -1) => (chosen.value === null ? null : stepTo(nodes.value, chosen.value, by))
  function step(by: 1 | -1): void {
    const to = beside(by)
    if (to && chosen.value !== null) move(chosen.value, to.at, to.index)
  }
  /** After the chosen one; at the end where none is. */
  function insert(made: (ids: readonly string[]) => Node | null): void {
    const key = node.value ? chosen.value : null
    const at = key === null ? '' : listOf(key)
    const list = listAt(nodes.value, at) ?? []
    const fresh = made(list.map((n) => n.id))
    if (!fresh) return
    const after = key === null ? list.length : list.findIndex((n) => n.id === idOf(key)) + 1
    withNodes(withInserted(nodes.value, at, after, fresh))
    chosen.value = keyIn(at, fresh.id)
  }
  function remove(): void {
    const key = chosen.value
    if (key === null) return
    const list = listAt(nodes.value, listOf(key)) ?? []
    const i = list.findIndex((n) => n.id === idOf(key))
    const next = list[i + 1] ?? list[i - 1]
    withNodes(without(nodes.value, key))
    chosen.value = next ? keyIn(listOf(key), next.id) : null
  }
  return {
    chosen,
    node,
    beside,
    step,
    move,
    remove,
    /** @param field that was changed. */
    change: (to: Node, field: string) =>
      chosen.value !== null &&
      withNodes(
        withNode(nodes.value, chosen.value, () => to),
        `${chosen.value} ${field}`,
      ),
    add: (kind: Node['kind']) =>
      insert((ids) => newNode(kind, freeId(ids, kind), t(`editor.newTitle.${kind}`))),
    copy: () => insert(() => (chosen.value === null ? null : copyOf(nodes.value, chosen.value))),
  }
}
