<script setup lang="ts">
import { freeId, isolations, type Option, type Procedure } from '@tadka/core/procedure'
import { NButton, NInput, NSelect } from 'naive-ui'
import { inject, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import LinesField from './LinesField.vue'
import StateField from './StateField.vue'
import { facets } from './fields.ts'
import { mayEdit } from './editing.ts'

/** What holds for all of a procedure: its name, how the machine is cut off, how it begins and ends, what to have ready, its options. */
const props = defineProps<{ procedure: Procedure }>()
/** `what`: the field that was changed. */
const emit = defineEmits<{ change: [procedure: Procedure, what: string] }>()
const { t } = useI18n()
const may = inject(mayEdit, ref(true))

function change<K extends keyof Procedure>(name: K, to: Procedure[K] | undefined): void {
  const { [name]: _, ...rest } = props.procedure
  emit('change', (to === undefined ? rest : { ...rest, [name]: to }) as Procedure, name)
}
const options = () => props.procedure.options ?? []
const setOptions = (all: readonly Option[]) => change('options', all.length > 0 ? all : undefined)
function addOption(): void {
  const id = freeId(
    options().map((o) => o.id),
    'option',
  )
  const choices = ['a', 'b'].map((c) => ({ id: c, says: '' }))
  setOptions([...options(), { id, question: '', choices, fallback: 'a', why: '' }])
}
const withOption = (i: number, to: Partial<Option>) =>
  setOptions(options().map((o, at) => (at === i ? { ...o, ...to } : o)))
const says = (i: number, choice: string, text: string) =>
  withOption(i, {
    choices: (options()[i]?.choices ?? []).map((c) => (c.id === choice ? { ...c, says: text } : c)),
  })
function addChoice(i: number): void {
  const choices = options()[i]?.choices ?? []
  const id = freeId(
    choices.map((c) => c.id),
    'c',
  )
  withOption(i, { choices: [...choices, { id, says: '' }] })
}
</script>

<template>
  <form class="head" @submit.prevent>
    <label>
      <span class="name">{{ t('editor.field.any.name') }}</span>
      <n-input
        :value="procedure.name"
        placeholder=""
        :maxlength="80"
        @update:value="(v: string) => change('name', v)"
      />
    </label>
    <div>
      <span class="name">{{ t('editor.field.any.isolation') }}</span>
      <n-select
        :disabled="!may"
        :value="procedure.isolation ?? null"
        :options="[...isolations, 'none'].map((value) => ({ value, label: t(`editor.isolation.${value}`) }))"
        :aria-label="t('editor.field.any.isolation')"
        :placeholder="t('editor.unnamed')"
        @update:value="(v: NonNullable<Procedure['isolation']>) => change('isolation', v)"
      />
    </div>
    <div>
      <span class="name">{{ t('editor.field.any.begins') }}</span>
      <state-field
        :label="t('editor.field.any.begins')"
        :facets="facets"
        unsaid="notAsked"
        :model-value="procedure.begins"
        @update:model-value="(v) => change('begins', v)"
      />
    </div>
    <div>
      <span class="name">{{ t('editor.field.any.ends') }}</span>
      <state-field
        :label="t('editor.field.any.ends')"
        :facets="facets"
        unsaid="anything"
        :model-value="procedure.ends"
        @update:model-value="(v) => change('ends', v)"
      />
    </div>
    <div v-for="which in ['materials', 'cautions'] as const" :key="which">
      <span class="name">{{ t(`editor.field.any.${which}`) }}</span>
      <lines-field
        :label="t(`editor.field.any.${which}`)"
        :model-value="procedure[which]"
        @update:model-value="(all) => change(which, all ?? [])"
      />
    </div>
    <fieldset v-for="(o, i) in options()" :key="o.id">
      <legend>{{ t('editor.option') }}</legend>
      <n-input
        v-for="field in ['question', 'why'] as const"
        :key="field"
        :value="o[field]"
        :placeholder="t(`editor.field.option.${field}`)"
        :input-props="{ 'aria-label': t(`editor.field.option.${field}`) }"
        @update:value="(v: string) => withOption(i, { [field]: v })"
      />
      <div v-for="c in o.choices" :key="c.id" class="choice">
        <n-input
          :value="c.says"
          :placeholder="t('editor.field.option.choice')"
          :input-props="{ 'aria-label': t('editor.field.option.choice') }"
          @update:value="(v: string) => says(i, c.id, v)"
        />
        <n-button
          :type="o.fallback === c.id ? 'primary' : 'default'"
          :aria-pressed="o.fallback === c.id"
          @click="withOption(i, { fallback: c.id })"
          >{{ t(o.fallback === c.id ? 'editor.isDefault' : 'editor.makeDefault') }}</n-button
        >
      </div>
      <div class="acts">
        <n-button @click="addChoice(i)">{{ t('editor.add.choices') }}</n-button>
        <n-button @click="setOptions(options().toSpliced(i, 1))">{{ t('editor.removeOption') }}</n-button>
      </div>
    </fieldset>
    <div>
      <n-button @click="addOption">{{ t('editor.add.option') }}</n-button>
      <p class="quiet small">{{ t('editor.optionHow') }}</p>
    </div>
  </form>
</template>

<style scoped>
.head {
  display: grid;
  gap: 16px;
  max-width: 900px;
  padding-bottom: 40px;
}
.name {
  display: block;
  font-weight: 600;
  color: var(--ink-2);
}
fieldset {
  border: 0;
  border-left: 3px solid var(--line);
  padding: 4px 0 8px 18px;
  margin: 0;
  display: grid;
  gap: 10px;
}
legend {
  font-weight: 650;
  padding: 0;
}
.choice {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 10px;
}
.acts {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
}
</style>
