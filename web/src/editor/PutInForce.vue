<script setup lang="ts">
import { dateAfter } from '@tadka/core/calendar'
import type { Procedure } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import TextField from '../pieces/TextField.vue'
import { useProcedures } from '../site/procedures.ts'
import DialogCard from '../pieces/DialogCard.vue'

/** From which day on it is worked to, and what that means for runs under way. */
const props = defineProps<{ procedure: Procedure; title: string; says: string; act: string }>()
const emit = defineEmits<{ put: [from: string]; close: [] }>()
const { t } = useI18n()
const { today } = useProcedures()

const when = ref<'today' | 'tomorrow' | 'other' | null>('today')
const other = ref('')
const from = computed(() =>
  when.value === 'today' ? today.value : when.value === 'tomorrow' ? dateAfter(today.value, 1) : other.value,
)
const fault = computed(() => {
  if (when.value !== 'other' || (/^\d{4}-\d\d-\d\d$/.test(other.value) && other.value >= today.value))
    return ''
  return t('editor.put.dayFault')
})
const put = () => fault.value === '' && emit('put', from.value)
</script>

<template>
  <dialog-card :show="true" :title="title" :closable="false" class="putting" @update:show="emit('close')">
    <form @submit.prevent="put">
      <p>{{ says }}</p>
      <choice-pick
        v-model="when"
        named
        :label="t('editor.put.from')"
        :choices="
          (['today', 'tomorrow', 'other'] as const).map((value) => ({
            value,
            text: t(`editor.put.${value}`),
          }))
        "
      />
      <text-field
        v-if="when === 'other'"
        v-model="other"
        type="date"
        :name="t('editor.put.day')"
        :fault="other === '' ? '' : fault"
      />
      <p class="quiet small">{{ t('editor.put.runs', { name: props.procedure.name }) }}</p>
      <div class="acts">
        <n-button type="primary" attr-type="submit" :disabled="fault !== ''">{{ act }}</n-button>
        <n-button @click="emit('close')">{{ t('common.cancel') }}</n-button>
      </div>
    </form>
  </dialog-card>
</template>

<style scoped>
form {
  display: grid;
  gap: 16px;
}
.acts {
  display: flex;
  gap: 12px;
}
</style>

<style>
.putting.n-card {
  width: min(560px, 96vw);
}
</style>
