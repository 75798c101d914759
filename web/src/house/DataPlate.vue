<script setup lang="ts">
import { plateNumber } from '@tadka/core/plate'
import { optionalNames } from '@tadka/core/procedure'
import type { StationSet } from '@tadka/core/house'
import { NButton, NInput, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import MachineQuestion from './MachineQuestion.vue'
import FigureField from '../pieces/FigureField.vue'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import { useUnitSystem } from '../site/unit-system.ts'
import ChoiceField from './ChoiceField.vue'
import { useContactCheck } from '../site/contact-check.ts'
import { parametersFrom, plateAsked, plateFields, plateTyped, type PlateField } from './station-draft.ts'

/** The numbers that procedures take from the model. Managers change them; the log keeps what they were. */
const props = defineProps<{ id: string; plate: StationSet }>()
const { t, te } = useI18n()
const site = useSite()
const { system } = useUnitSystem()
const procedures = useProcedures()
const session = useSession()
const message = useMessage()
const contactFaults = useContactCheck()

const asked = computed(() => plateAsked(props.plate.family, procedures.of(props.plate.family), system.value))
const typed = ref(plateTyped(asked.value, props.plate.parameters))
const parsed = computed(() => plateFields(asked.value, typed.value, props.plate.parameters))
const faultOf = ({ fault }: PlateField) => {
  if (!fault) return undefined
  if (fault.because === 'number') return t('house.notNumber')
  return fault.because === 'range'
    ? t('bench.fieldNonsense', fault)
    : t('house.plateWithin', { other: label(fault.other) })
}
const tooShort = computed(() => {
  const numbers = parametersFrom(parsed.value)
  return [...new Set(procedures.of(props.plate.family).flatMap((p) => contactFaults(p, numbers)))]
})
/** What is only counted: left blank, the first run counts it. */
const countNames = computed(() => {
  const all = procedures.of(props.plate.family)
  return new Set(all.flatMap((p) => [...optionalNames(p)].filter((n) => p.parameters[n] === 'count')))
})
const groups = computed(() =>
  [false, true].map((counted) => ({
    counted,
    fields: parsed.value.filter((p) => countNames.value.has(p.name) === counted),
  })),
)
const countedOf = (name: string) => site.one('station', props.id)?.counted?.[name]
/** Where the manual gives each number: its page. */
const pages = ref<Record<string, string>>({ ...props.plate.pages })
const showsPages = ref(false)
const pagesKept = computed(() =>
  Object.fromEntries(
    Object.entries(pages.value).flatMap(([name, page]) => (page.trim() ? [[name, page.trim()]] : [])),
  ),
)
function noteOf(name: string): string {
  const told = countedOf(name) === undefined ? [] : [t('house.countedAs', { n: countedOf(name) })]
  const page = props.plate.pages?.[name]
  return [...told, ...(page ? [t('house.onPage', { page })] : [])].join(' ')
}
const sound = computed(() => parsed.value.every((p) => !p.fault) && tooShort.value.length === 0)
/** The questions that this family's procedures leave to the model or the site. */
const questions = computed(() => {
  const all = procedures.of(props.plate.family).flatMap((p) => p.options ?? [])
  return all.filter((o, i) => all.findIndex((x) => x.id === o.id) === i)
})
const options = ref<Record<string, string>>({ ...props.plate.options })
const changed = computed(
  () =>
    parsed.value.some((p) => p.value !== (props.plate.parameters[p.name] ?? null)) ||
    JSON.stringify(pagesKept.value) !== JSON.stringify(props.plate.pages ?? {}) ||
    questions.value.some(
      (o) => (options.value[o.id] ?? o.fallback) !== (props.plate.options?.[o.id] ?? o.fallback),
    ),
)
/** A yes or no of the plate is kept as a number: what reads it asks whether it is more than nothing. */
const isYesNo = (name: string) => plateNumber(name)?.unit === 'yes'
const yesNo = [
  { label: t('house.yes'), value: '1' },
  { label: t('house.no'), value: '0' },
]
const label = (name: string) => (te(`plate.${name}`) ? t(`plate.${name}`) : name)

function save(): void {
  const parameters = parametersFrom(parsed.value)
  // Whoever keeps its numbers has compared them with the plate.
  const { typical: _, pages: __, ...plate } = props.plate
  const kept = Object.keys(pagesKept.value).length > 0 ? { pages: pagesKept.value } : {}
  site.record(
    'station.set@1',
    { kind: 'station', id: props.id },
    { ...plate, ...kept, parameters, options: options.value },
  )
  message.success(t('house.saved'))
}
</script>

<template>
  <form class="plate" @submit.prevent="save">
    <h2 class="label">{{ t('house.plate') }}</h2>
    <p v-if="plate.typical" class="typical">{{ t('machines.typical') }}</p>
    <template v-for="g in groups" :key="String(g.counted)">
      <h2 v-if="g.counted && g.fields.length > 0" class="label">{{ t('house.counts') }}</h2>
      <p v-if="g.counted && g.fields.length > 0" class="quiet small how">{{ t('house.countsHow') }}</p>
      <div class="fields">
        <template v-for="p in g.fields" :key="p.name">
          <choice-field
            v-if="isYesNo(p.name)"
            :name="label(p.name)"
            :options="yesNo"
            :model-value="yesNo.find((o) => o.value === typed[p.name])?.value ?? null"
            @update:model-value="(value) => (typed[p.name] = value)"
          />
          <div v-else>
            <figure-field
              :id="`${id}-${p.name}`"
              v-model="typed[p.name]!"
              keys
              :label="label(p.name)"
              :unit="p.unit"
              :fault="faultOf(p)"
              :note="noteOf(p.name)"
            />
            <label v-if="showsPages" class="page">
              <span>{{ t('house.page') }}</span>
              <n-input
                :value="pages[p.name] ?? ''"
                :maxlength="20"
                placeholder=""
                :input-props="{ 'aria-label': `${label(p.name)}: ${t('house.page')}` }"
                @update:value="(typed) => (pages = { ...pages, [p.name]: typed })"
              />
            </label>
          </div>
        </template>
      </div>
    </template>
    <n-button v-if="session.mayDo('set-up-house')" class="pages" @click="showsPages = !showsPages">{{
      t(showsPages ? 'house.pagesHide' : 'house.pages')
    }}</n-button>
    <p v-for="x in tooShort" :key="x" class="tooShort" role="alert">{{ x }}</p>
    <template v-if="questions.length > 0">
      <h2 class="label">{{ t('house.optionsOf') }}</h2>
      <machine-question
        v-for="o in questions"
        :key="o.id"
        :option="o"
        :procedures="procedures.of(plate.family)"
        :may="session.mayDo('set-up-house')"
        :model-value="options[o.id] ?? o.fallback"
        @update:model-value="(choice: string) => (options = { ...options, [o.id]: choice })"
      />
    </template>
    <n-button
      v-if="session.mayDo('set-up-house')"
      type="primary"
      attr-type="submit"
      :disabled="!sound || !(changed || plate.typical)"
      >{{ t(plate.typical && !changed ? 'machines.checked' : 'house.save') }}</n-button
    >
    <p v-else class="quiet small">{{ t('house.mayNot') }}</p>
  </form>
</template>

<style scoped>
.fields :deep(.name) {
  display: block;
  color: var(--ink-2);
  font-size: 15px;
  font-weight: 600;
}
.how {
  margin-bottom: 8px;
}
.typical {
  border-left: 4px solid var(--close);
  padding-left: 12px;
  font-weight: 600;
  margin-bottom: 10px;
}
.tooShort {
  color: var(--out);
  font-weight: 600;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 16px 28px;
  margin-bottom: 16px;
}
.page {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-top: 6px;
  color: var(--ink-2);
}
.pages {
  margin-bottom: 16px;
}
.label {
  margin: 14px 0 6px;
}
</style>
