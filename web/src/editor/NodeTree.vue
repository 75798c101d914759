<script setup lang="ts">
import { isStep, keyIn, listsIn, type Node } from '@tadka/core/procedure'
import Sortable from 'sortablejs'
import { inject, onBeforeUnmount, onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { editing } from './editing.ts'
import { useStateWords } from '../site/state-words.ts'

/** A list of steps and groups as it runs; each is chosen by a tap and moved by its grip, into groups and out of them. */
const props = defineProps<{
  nodes: readonly Node[]
  /** The key of this list. */
  at: string
  chosen: string | null
  /** What is wrong, by the key of the step. */
  faults: ReadonlyMap<string, readonly string[]>
  may: boolean
}>()
const emit = defineEmits<{
  choose: [key: string]
  move: [key: string, at: string, index: number]
}>()
const { t } = useI18n()
const procedure = inject(editing, null)
const { changeOf, titleOf } = useStateWords()

const keyOf = (node: Node) => keyIn(props.at, node.id)
const faultsOf = (node: Node) => props.faults.get(keyOf(node)) ?? []
/** For which answers only it is there, as people answered. */
const onlyFor = (node: Node) =>
  (node.when ?? []).map((w) => {
    const option = procedure?.value?.options?.find((o) => o.id === w.option)
    const says = w.is.map((id) => option?.choices.find((c) => c.id === id)?.says ?? id)
    return t('editor.onlyFor', { says: says.join(' / ') })
  })
const list = ref<HTMLOListElement | null>(null)
let sortable: Sortable | null = null
onMounted(() => {
  if (!list.value || !props.may) return
  sortable = Sortable.create(list.value, {
    group: 'steps',
    handle: '.grip',
    animation: 120,
    onEnd({ item, from, to, oldIndex, newIndex }) {
      const { key } = item.dataset
      const where = to.dataset['at']
      // The page is drawn from the procedure: what was dragged goes back, and comes where the procedure has it.
      const beside =
        from.children[(oldIndex ?? 0) + (from === to && (newIndex ?? 0) < (oldIndex ?? 0) ? 1 : 0)]
      from.insertBefore(item, beside ?? null)
      if (key !== undefined && where !== undefined && newIndex !== undefined)
        emit('move', key, where, newIndex)
    },
  })
})
onBeforeUnmount(() => sortable?.destroy())
</script>

<template>
  <ol ref="list" :data-at="at" :class="{ bare: nodes.length === 0 }">
    <li v-for="node in nodes" :key="node.id" :data-key="keyOf(node)">
      <div class="row" :class="{ group: !isStep(node), wrong: faultsOf(node).length > 0 }">
        <button
          type="button"
          class="name"
          :aria-pressed="chosen === keyOf(node)"
          @click="emit('choose', keyOf(node))"
        >
          <b>{{ titleOf(node) }}</b>
          <span class="small quiet">{{
            [isStep(node) ? t(`editor.kind.${node.kind}`) : '', changeOf(node)].filter(Boolean).join(' · ')
          }}</span>
          <span v-for="o in onlyFor(node)" :key="o" class="only small">{{ o }}</span>
          <span v-for="f in faultsOf(node)" :key="f" class="fault small">{{ f }}</span>
        </button>
        <span v-if="may" class="grip" :title="t('editor.drag')" aria-hidden="true">
          <svg width="20" height="20" viewBox="0 0 20 20"><path d="M4 6h12M4 10h12M4 14h12" /></svg>
        </span>
      </div>
      <div v-for="inside in listsIn(node, keyOf(node))" :key="inside.key" class="inside">
        <p v-if="node.kind === 'together'" class="lane small">
          {{ node.lanes.find((l) => inside.key.endsWith(`.${l.id}`))?.title }}
        </p>
        <node-tree
          :nodes="inside.nodes"
          :at="inside.key"
          :chosen="chosen"
          :faults="faults"
          :may="may"
          @choose="(key: string) => emit('choose', key)"
          @move="(key: string, where: string, index: number) => emit('move', key, where, index)"
        />
      </div>
    </li>
  </ol>
</template>

<style scoped>
ol.bare {
  min-height: 44px;
  border: 1.5px dashed var(--line);
  border-radius: var(--r);
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  border-bottom: 1px solid var(--line-soft);
}
.name {
  display: grid;
  gap: 1px;
  min-height: 52px;
  padding: 7px 10px;
  border: 0;
  border-left: 4px solid transparent;
  background: none;
  text-align: left;
  cursor: pointer;
}
.name[aria-pressed='true'] {
  background: var(--sea-wash);
  border-left-color: var(--sea);
}
.wrong .name {
  border-left-color: var(--out);
}
.group b {
  color: var(--ink-2);
}
.only {
  color: var(--sea);
}
.fault {
  color: var(--out);
  font-weight: 600;
}
.grip {
  width: 48px;
  display: grid;
  place-items: center;
  cursor: grab;
  touch-action: none;
}
.grip path {
  stroke: var(--ink-2);
  stroke-width: 2;
}
.inside {
  margin-left: 18px;
  border-left: 2px solid var(--line);
}
.lane {
  padding: 6px 10px 0;
  font-weight: 600;
  color: var(--ink-2);
}
</style>
