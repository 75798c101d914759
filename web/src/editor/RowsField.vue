<script setup lang="ts">
import { freeId } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import FieldRow from './FieldRow.vue'
import type { FieldSpec } from './fields.ts'

/** A list of like things: parts, choices, lanes. One is added beneath, each can be taken out while enough are left. */
const props = defineProps<{ label: string; spec: FieldSpec & { is: 'rows' }; kind: string }>()
const value = defineModel<readonly Readonly<Record<string, unknown>>[] | undefined>({ required: true })
const { t } = useI18n()

const rows = () => value.value ?? []
function add(): void {
  const ids = rows().map((r) => String(r['id'] ?? ''))
  const id = props.spec.hasId ? { id: freeId(ids, props.spec.name) } : {}
  value.value = [...rows(), { ...id, ...props.spec.fresh, ...firstText() }]
}
const firstText = () => ({ [props.spec.fields[0]?.name ?? 'name']: '' })
const remove = (i: number) => (value.value = rows().toSpliced(i, 1))
function change(i: number, name: string, to: unknown): void {
  value.value = rows().map((row, at) => {
    if (at !== i) return row
    const { [name]: _, ...rest } = row
    return to === undefined ? rest : { ...row, [name]: to }
  })
}
const nameOf = (row: Readonly<Record<string, unknown>>) => String(row[props.spec.fields[0]?.name ?? ''] ?? '')
</script>

<template>
  <div role="group" :aria-label="label">
    <details v-for="(row, i) in rows()" :key="String(row['id'] ?? i)" :open="nameOf(row) === '' || undefined">
      <summary>
        <b>{{ nameOf(row) || t('editor.unnamed') }}</b>
      </summary>
      <div class="fields">
        <field-row
          v-for="f in spec.fields"
          :key="f.name"
          :spec="f"
          :kind="kind + spec.name.charAt(0).toUpperCase() + spec.name.slice(1)"
          :model-value="row[f.name]"
          @update:model-value="(to) => change(i, f.name, to)"
        />
        <div>
          <n-button
            v-if="rows().length > spec.least"
            :aria-label="t('editor.removeRow', { name: nameOf(row) })"
            @click="remove(i)"
            >{{ t('editor.remove') }}</n-button
          >
        </div>
      </div>
    </details>
    <n-button class="add" @click="add">{{ t(`editor.add.${spec.name}`) }}</n-button>
  </div>
</template>

<style scoped>
details {
  border-bottom: 1px solid var(--line-soft);
}
summary {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  min-height: 48px;
  cursor: pointer;
}
summary::before {
  content: '+';
  width: 1ch;
  font-weight: 650;
  color: var(--ink-2);
}
details[open] > summary::before {
  content: '–';
}
summary b {
  flex: 1;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 12px 18px;
  padding: 4px 0 14px 2ch;
}
.fields > :not(.short) {
  grid-column: 1 / -1;
}
.add {
  margin-top: 10px;
}
</style>
