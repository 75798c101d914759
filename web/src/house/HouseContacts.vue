<script setup lang="ts">
import { type Contact, contactKinds } from '@tadka/core/house'
import { NButton, NInput, NSelect } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import DraftRow from './DraftRow.vue'
import { useSiteSet } from '../site/site-set.ts'

/** Whom to call when a machine is stopped: shown there, with the number. */
const { t } = useI18n()
const { kept, may, set } = useSiteSet()
type Row = { -readonly [K in keyof Contact]: Contact[K] }
const rows = ref<Row[]>([])
const emergency = ref('')
const eyeWash = ref('')
const putBack = () => {
  rows.value = (kept.value?.contacts ?? []).map((c) => ({ ...c }))
  emergency.value = kept.value?.emergencyNumber ?? ''
  eyeWash.value = kept.value?.eyeWash ?? ''
}
watch(() => kept.value !== null, putBack, { immediate: true })
const kinds = computed(() => contactKinds.map((k) => ({ value: k, label: t(`calls.kind.${k}`) })))
const typed = computed(() => rows.value.map((c) => ({ ...c, name: c.name.trim(), phone: c.phone.trim() })))
const whole = computed(() => typed.value.every((c) => c.name !== '' && c.phone.length > 1))
const changed = computed(
  () =>
    kept.value !== null &&
    (JSON.stringify(typed.value) !== JSON.stringify(kept.value.contacts ?? []) ||
      emergency.value.trim() !== kept.value.emergencyNumber ||
      eyeWash.value.trim() !== (kept.value.eyeWash ?? '')),
)
function save(): void {
  if (!whole.value) return
  set({
    contacts: typed.value,
    emergencyNumber: emergency.value.trim(),
    eyeWash: eyeWash.value.trim(),
  })
  putBack()
}
</script>

<template>
  <form v-if="kept" class="calls" @submit.prevent="save">
    <h2>{{ t('calls.title') }}</h2>
    <p class="quiet small">{{ t('calls.how') }}</p>
    <label for="emergency">{{ t('calls.emergency') }}</label>
    <n-input
      v-model:value="emergency"
      :disabled="!may"
      placeholder="112"
      :input-props="{ id: 'emergency' }"
      class="number"
      maxlength="40"
    />
    <label for="eye-wash">{{ t('calls.eyeWash') }}</label>
    <n-input
      v-model:value="eyeWash"
      :disabled="!may"
      :placeholder="t('calls.eyeWashLike')"
      :input-props="{ id: 'eye-wash' }"
      maxlength="200"
    />
    <ul>
      <draft-row
        v-for="(c, i) in rows"
        :key="i"
        :may="may"
        columns="190px 1fr 190px"
        :remove="t('calls.remove', { name: c.name })"
        @remove="rows.splice(i, 1)"
      >
        <n-select v-model:value="c.kind" :options="kinds" :disabled="!may" :aria-label="t('calls.who')" />
        <n-input
          v-model:value="c.name"
          :disabled="!may"
          :placeholder="t('calls.name')"
          :input-props="{ 'aria-label': t('calls.name') }"
          maxlength="80"
        />
        <n-input
          v-model:value="c.phone"
          :disabled="!may"
          :placeholder="t('calls.phone')"
          :input-props="{ 'aria-label': t('calls.phone'), inputmode: 'tel' }"
          maxlength="40"
        />
      </draft-row>
    </ul>
    <div v-if="may" class="acts">
      <n-button size="large" @click="rows.push({ kind: 'technician', name: '', phone: '' })">{{
        t('calls.add')
      }}</n-button>
      <template v-if="changed">
        <n-button type="primary" size="large" attr-type="submit" :disabled="!whole">{{
          t('common.save')
        }}</n-button>
        <p v-if="!whole" class="fault" role="alert">{{ t('calls.incomplete') }}</p>
      </template>
    </div>
  </form>
</template>

<style scoped>
.calls {
  margin-top: 34px;
  padding-top: 10px;
  border-top: 2px solid var(--line);
  display: grid;
  gap: 8px;
}
h2 {
  font-size: 20px;
}
label {
  font-weight: 600;
}
.number {
  max-width: 220px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}
.fault {
  color: var(--out);
  font-weight: 600;
}
</style>
