<script setup lang="ts">
import { amendmentOf, amendReading, type AnyRecord } from '@tadka/core/record'
import type { StripPick } from '@tadka/core/rules'
import { NButton, NInput, NModal } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useKit } from '../house/kit.ts'
import FigureField from '../pieces/FigureField.vue'
import StripPicker from '../pieces/StripPicker.vue'
import JudgementView from '../solution/JudgementView.vue'
import { parseField } from '../solution/field.ts'
import { useSite } from './site.ts'

/** A mistyped reading put right: a new record beside the old, with the reason. */
const props = defineProps<{ record: AnyRecord }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const site = useSite()
const kit = useKit()

const taken = computed(() => (props.record.type === 'reading.taken@1' ? props.record.payload : null))
const pick = ref<StripPick | null>(taken.value?.what === 'sanitizer' ? taken.value.picks.strength : null)
const degrees = ref(taken.value?.what === 'cold-product' ? String(taken.value.reading.value) : '')
const reason = ref('')
const strip = computed(() =>
  taken.value?.what === 'sanitizer' ? kit.stripFor(taken.value.reading.agent) : null,
)
const value = computed(() => parseField(degrees.value))

const instead = computed(() => {
  if (!taken.value) return null
  if (taken.value.what === 'sanitizer')
    return strip.value && pick.value
      ? amendReading(taken.value, { strip: strip.value, pick: pick.value })
      : null
  return value.value.value === null ? null : amendReading(taken.value, { value: value.value.value })
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
  <n-modal
    :show="true"
    preset="card"
    :title="t('log.amendTitle')"
    style="width: min(860px, 96vw)"
    @update:show="emit('close')"
  >
    <strip-picker v-if="strip" v-model="pick" v-bind="strip" />
    <figure-field
      v-else
      id="amend"
      v-model="degrees"
      :label="t('run.temperature')"
      unit=""
      :fault="value.fault ? t(`bench.${value.fault}`) : undefined"
      active
    />
    <judgement-view v-if="instead" :judgement="instead.judgement" />
    <label for="amend-why" class="why">{{ t('log.amendWhy') }}</label>
    <n-input v-model:value="reason" :input-props="{ id: 'amend-why' }" placeholder="" />
    <div class="act">
      <n-button type="primary" :disabled="!instead || reason.trim().length < 3" @click="keep">{{
        t('log.amendKeep')
      }}</n-button>
      <n-button @click="emit('close')">{{ t('common.cancel') }}</n-button>
    </div>
  </n-modal>
</template>

<style scoped>
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
