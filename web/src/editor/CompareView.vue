<script setup lang="ts">
import { compared, type ComparedLine, type Node, type Procedure } from '@tadka/core/procedure'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import { useChartWords } from '../procedure/chart-words.ts'
import { useStateWords } from '../site/state-words.ts'

/** Two versions side by side, line by line: what is the same is quiet, what differs says in what. */
const props = defineProps<{
  procedure: Procedure
  against: readonly { readonly name: string; readonly procedure: Procedure }[]
}>()
const { t, te } = useI18n()
const { changeOf, titleOf } = useStateWords()
const { detail } = useChartWords(() => ({}))

const which = ref<number | null>(0)
const other = computed(() => props.against[which.value ?? 0] ?? null)
const all = computed(() => (other.value ? compared(other.value.procedure, props.procedure) : null))
const onlyChanges = ref(true)
const lines = computed(() =>
  (all.value?.lines ?? []).filter((l) => !onlyChanges.value || l.change !== 'same'),
)
const field = (name: string, node: Node | null) => {
  const own = `editor.field.${node?.kind}.${name}`
  return te(own) ? t(own) : te(`editor.field.any.${name}`) ? t(`editor.field.any.${name}`) : name
}
/** What a step says beside its title, for who compares: its amounts, what it does to the machine, its words. */
function rest(node: Node): string[] {
  if (node.kind === 'until') return [node.sign]
  if (node.kind === 'each' || node.kind === 'together' || node.kind === 'branch') return []
  const minutes =
    node.kind === 'wait' || node.kind === 'tend'
      ? typeof node.length === 'number'
        ? `${node.length} min`
        : t('editor.fromPlate', { name: t(`plate.${node.length.of}`) })
      : ''
  const pictures = node.pictures ? t('editor.picturesOf', { n: node.pictures.length }) : ''
  return [minutes, detail(node), node.text ?? '', node.caution ?? '', changeOf(node), pictures].filter(
    Boolean,
  )
}
const fields = (l: ComparedLine) => l.fields.map((f) => field(f, l.after)).join(', ')
</script>

<template>
  <div class="compare">
    <div class="which">
      <choice-pick
        v-if="against.length > 1"
        v-model="which"
        :label="t('editor.compare.with')"
        :choices="against.map((a, value) => ({ value, text: a.name }))"
      />
      <choice-pick
        :model-value="onlyChanges"
        :label="t('editor.compare.show')"
        :choices="[
          { value: true, text: t('editor.compare.changes') },
          { value: false, text: t('editor.compare.all') },
        ]"
        @update:model-value="(v) => (onlyChanges = v === true)"
      />
    </div>
    <p v-if="!other" class="quiet">{{ t('editor.compare.none') }}</p>
    <template v-else>
      <p v-if="all?.head.length">
        <b>{{ t('editor.compare.head') }}:</b>
        {{ all.head.map((h) => field(h, null)).join(', ') }}
      </p>
      <p v-if="lines.length === 0 && !all?.head.length" class="quiet">{{ t('editor.compare.same') }}</p>
      <table v-if="lines.length > 0">
        <thead>
          <tr>
            <th scope="col">{{ other.name }}</th>
            <th scope="col">{{ t('editor.compare.draft') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in lines" :key="l.key + l.change" :class="l.change">
            <td>
              <template v-if="l.before">
                <b>{{ titleOf(l.before) }}</b>
                <p v-for="r in rest(l.before)" :key="r" class="small">{{ r }}</p>
              </template>
            </td>
            <td>
              <span v-if="l.change !== 'same'" class="mark small">
                {{ t(`editor.change.${l.change}`)
                }}<template v-if="l.fields.length > 0">: {{ fields(l) }}</template>
              </span>
              <template v-if="l.after">
                <b>{{ titleOf(l.after) }}</b>
                <p v-for="r in rest(l.after)" :key="r" class="small">{{ r }}</p>
              </template>
            </td>
          </tr>
        </tbody>
      </table>
    </template>
  </div>
</template>

<style scoped>
.compare {
  display: grid;
  gap: 14px;
  max-width: 1180px;
  padding-bottom: 40px;
}
.which {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 28px;
}
table {
  border-collapse: collapse;
  width: 100%;
  table-layout: fixed;
}
th {
  text-align: left;
  color: var(--ink-2);
  padding: 4px 12px;
  border-bottom: 2px solid var(--line);
}
td {
  vertical-align: top;
  padding: 9px 12px;
  border-bottom: 1px solid var(--line-soft);
}
td + td,
th + th {
  border-left: 1px solid var(--line);
}
.same td {
  color: var(--ink-2);
}
.same b {
  font-weight: 500;
}
.mark {
  display: inline-block;
  border-left: 4px solid var(--close);
  padding-left: 8px;
  font-weight: 600;
  margin-bottom: 2px;
}
.added .mark {
  border-left-color: var(--in);
}
.removed .mark {
  border-left-color: var(--out);
}
.removed td:first-child b {
  text-decoration: line-through;
}
.mark + b {
  display: block;
}
</style>
