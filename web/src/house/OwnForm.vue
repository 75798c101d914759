<script setup lang="ts">
import { ownNumbers, withNumbers, type Procedure } from '@tadka/core/procedure'
import { NButton, NInput, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { parseField } from '../pieces/field.ts'
import { useContactCheck } from './contact-check.ts'
import './form.css'

/** A site's own copy of a procedure: its name, its fixed numbers, its default choices. Its steps stay as they are. */
const props = defineProps<{ procedure: Procedure }>()
const emit = defineEmits<{ keep: [procedure: Procedure]; close: [] }>()
const { t } = useI18n()
const contactFaults = useContactCheck()

const name = ref(props.procedure.name)
const numbers = ownNumbers(props.procedure.nodes)
const typed = ref(Object.fromEntries(numbers.map((n) => [`${n.key} ${n.what}`, String(n.value)])))
const choices = ref(Object.fromEntries((props.procedure.options ?? []).map((o) => [o.id, o.fallback])))
const parsed = computed(() =>
  Object.fromEntries(Object.entries(typed.value).map(([k, v]) => [k, parseField(v, { positive: true })])),
)
const whole = computed(
  () => name.value.trim() !== '' && Object.values(parsed.value).every((p) => p.fault === null),
)
const values = computed(() =>
  Object.fromEntries(Object.entries(parsed.value).map(([k, p]) => [k, p.value ?? 0])),
)
const tooShort = computed(() =>
  whole.value
    ? contactFaults({ ...props.procedure, nodes: withNumbers(props.procedure.nodes, values.value) }, {})
    : [],
)
const sound = computed(() => whole.value && tooShort.value.length === 0)

function keep(): void {
  if (!sound.value) return
  const { options, ...rest } = props.procedure
  const chosen = options?.map((o) => ({ ...o, fallback: choices.value[o.id] ?? o.fallback }))
  emit('keep', {
    ...rest,
    ...(chosen ? { options: chosen } : {}),
    name: name.value.trim(),
    nodes: withNumbers(props.procedure.nodes, values.value),
  })
}
</script>

<template>
  <form class="house-form" @submit.prevent="keep">
    <div class="fields">
      <label class="wide">
        {{ t('house.label.name') }}
        <n-input v-model:value="name" placeholder="" />
      </label>
      <label v-for="n in numbers" :key="n.key + n.what">
        {{ n.title }}, {{ t(`house.ownNumber.${n.what}`) }}
        <n-input
          :value="typed[`${n.key} ${n.what}`] ?? ''"
          placeholder=""
          @update:value="(v: string) => (typed[`${n.key} ${n.what}`] = v)"
        />
        <span class="fault">{{
          parsed[`${n.key} ${n.what}`]?.fault ? t(`bench.${parsed[`${n.key} ${n.what}`]?.fault}`) : ''
        }}</span>
      </label>
      <div v-for="o in procedure.options ?? []" :key="o.id">
        <span class="name">{{ o.question }}</span>
        <n-select
          :value="choices[o.id] ?? null"
          :options="o.choices.map((c) => ({ label: c.says, value: c.id }))"
          :aria-label="o.question"
          @update:value="(v: string) => (choices = { ...choices, [o.id]: v })"
        />
      </div>
    </div>
    <p v-for="s in tooShort" :key="s" class="fault" role="alert">{{ s }}</p>
    <div class="act">
      <n-button type="primary" attr-type="submit" :disabled="!sound">{{ t('house.keepOwn') }}</n-button>
      <n-button @click="emit('close')">{{ t('common.cancel') }}</n-button>
    </div>
  </form>
</template>
