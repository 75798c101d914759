<script setup lang="ts">
import { trapKinds, type TrapKind, type TrapSet } from '@tadka/core/pest'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import TextField from '../pieces/TextField.vue'
import AreaField from '../site/AreaField.vue'

/** A device, as it stands: its number, what it is, where on the plan. */
const props = defineProps<{ trap: TrapSet | null }>()
const emit = defineEmits<{ keep: [trap: TrapSet]; cancel: [] }>()
const { t, tm } = useI18n()
const number = ref(props.trap?.number ?? '')
const kind = ref<TrapKind | null>(props.trap?.kind ?? null)
const area = ref(props.trap?.area ?? '')
const cell = ref<number | null>(props.trap?.cell ?? null)
const enclosed = ref<boolean | null>(props.trap?.enclosed ?? null)
const cells = computed(() => (tm('pest.device.cells') as string[]).map((text, value) => ({ value, text })))
const isBait = computed(() => kind.value === 'bait-station')
const made = computed((): TrapSet | null => {
  if (!kind.value || cell.value === null || number.value.trim() === '' || area.value.trim() === '')
    return null
  if (isBait.value && enclosed.value !== true) return null
  return {
    ...{ number: number.value.trim(), kind: kind.value, area: area.value.trim(), cell: cell.value },
    enclosed: isBait.value,
  }
})
</script>

<template>
  <form @submit.prevent="made && emit('keep', made)">
    <text-field v-model="number" large :name="t('pest.device.number')" :most="12" />
    <choice-pick
      v-model="kind"
      named
      :label="t('pest.device.kind')"
      :choices="trapKinds.map((k) => ({ value: k, text: t(`pest.trap.${k}`) }))"
    />
    <choice-pick
      v-if="isBait"
      v-model="enclosed"
      named
      :label="t('pest.device.enclosed')"
      :choices="[
        { value: true, text: t('pest.device.yes') },
        { value: false, text: t('pest.device.no') },
      ]"
    />
    <p v-if="isBait && enclosed === false" class="fault" role="alert">{{ t('pest.device.open') }}</p>
    <area-field v-model="area" :label="t('pest.area')" />
    <choice-pick
      v-model="cell"
      named
      class="nine"
      :label="t('pest.device.cell', { area: area || '…' })"
      :choices="cells"
    />
    <div class="acts">
      <n-button type="primary" size="large" attr-type="submit" :disabled="!made">{{
        t('pest.device.save')
      }}</n-button>
      <n-button size="large" @click="emit('cancel')">{{ t('common.cancel') }}</n-button>
      <n-button v-if="trap" size="large" @click="emit('keep', { ...trap, ended: true })">{{
        t('pest.device.remove')
      }}</n-button>
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 14px;
  max-width: 560px;
}
label {
  font-weight: 600;
}
.nine {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
}
.nine :deep(.name) {
  grid-column: 1 / -1;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
.fault {
  color: var(--out);
  font-weight: 600;
}
</style>
