<script setup lang="ts">
import { amendmentOf, amendReading, numbersOf } from '@tadka/core/record'
import { type AnyRecord } from '@tadka/core/stream'
import type { StripPick } from '@tadka/core/rules'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useKit } from '../site/kit.ts'
import FigureField from '../pieces/FigureField.vue'
import StripPicker from '../pieces/StripPicker.vue'
import JudgementView from '../solution/JudgementView.vue'
import { parseField } from '../pieces/field.ts'
import { useSite } from '../site/site.ts'
import DialogCard from '../pieces/DialogCard.vue'

/** A mistyped reading put right: a new record beside the old, with the reason. */
const props = defineProps<{ record: AnyRecord }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const site = useSite()
const kit = useKit()

const taken = computed(() => (props.record.type === 'reading.taken@1' ? props.record.payload : null))
const was = taken.value?.what === 'sanitizer' ? taken.value.picks.strength : null
const counted = was && 'drops' in was ? was.drops : null
const pick = ref<StripPick | null>(was && !('drops' in was) ? was : null)
/** What was typed, by field, for everything that is no strip. */
const typed = ref<Record<string, string>>(
  counted !== null
    ? { drops: String(counted) }
    : taken.value?.what === 'cold-product'
      ? { temperature: String(taken.value.reading.value) }
      : Object.fromEntries(
          Object.entries((taken.value && numbersOf(taken.value)) ?? {}).map(([k, v]) => [k, String(v)]),
        ),
)
const reason = ref('')
const strip = computed(() =>
  taken.value?.what === 'sanitizer' && counted === null ? kit.usedStrip(taken.value.instruments) : null,
)
const values = computed(() =>
  Object.fromEntries(Object.entries(typed.value).map(([k, v]) => [k, parseField(v, { below: true })])),
)
const fault = (name: string) => {
  const code = values.value[name]?.fault
  return code ? t(`bench.${code}`) : undefined
}

const instead = computed(() => {
  if (!taken.value) return null
  if (strip.value)
    return pick.value ? amendReading(taken.value, { strip: strip.value, pick: pick.value }) : null
  const numbers: Record<string, number> = {}
  for (const [name, { value }] of Object.entries(values.value)) {
    if (value === null) return null
    numbers[name] = value
  }
  if (numbers['drops'] !== undefined && taken.value.what === 'sanitizer') {
    const perDrop = kit.usedTitration(taken.value.instruments)?.perDrop
    return perDrop === undefined ? null : amendReading(taken.value, { drops: numbers['drops'], perDrop })
  }
  if (taken.value.what === 'cold-product')
    return amendReading(taken.value, { value: numbers['temperature'] ?? 0 })
  return amendReading(taken.value, { numbers })
})

function keep(): void {
  if (!instead.value || reason.value.trim().length < 3) return
  site.record(
    'record.amended@1',
    props.record.subject,
    amendmentOf(props.record, instead.value, reason.value.trim()),
  )
  emit('close')
}
</script>

<template>
  <dialog-card
    :show="true"
    :title="t('log.amendTitle')"
    width="min(860px, 96vw)"
    @update:show="emit('close')"
  >
    <strip-picker v-if="strip" v-model="pick" v-bind="strip" />
    <div v-else class="fields">
      <figure-field
        v-for="(value, name) in typed"
        :id="`amend-${name}`"
        :key="name"
        keys
        :model-value="value"
        :label="t(`bench.field.${name}`)"
        unit=""
        :fault="fault(name)"
        active
        @update:model-value="(v: string) => (typed[name] = v)"
      />
    </div>
    <judgement-view v-if="instead" :judgement="instead.judgement" />
    <label for="amend-why" class="why">{{ t('log.amendWhy') }}</label>
    <n-input v-model:value="reason" :input-props="{ id: 'amend-why' }" placeholder="" />
    <div class="act">
      <n-button type="primary" :disabled="!instead || reason.trim().length < 3" @click="keep">{{
        t('log.amendKeep')
      }}</n-button>
      <n-button @click="emit('close')">{{ t('common.cancel') }}</n-button>
    </div>
  </dialog-card>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
  gap: 14px 24px;
}
.why {
  display: block;
  font-weight: 600;
  margin: 16px 0 6px;
}
.act {
  display: flex;
  gap: 12px;
  margin-top: 16px;
}
</style>
