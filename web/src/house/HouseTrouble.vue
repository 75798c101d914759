<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import TextField from '../pieces/TextField.vue'
import { useUnits } from '../site/units.ts'
import { useSiteSet } from '../site/site-set.ts'

/** What counts when something goes wrong only where it was written down beforehand. */
const { t } = useI18n()
const units = useUnits()
const { kept, may, set } = useSiteSet()
const meeting = ref('')
const hours = ref<0 | 4 | 6>(0)
const written = ref('')
const approvedBy = ref('')
const typed = ref('')
const putBack = () => {
  const { meetingPoint = '', timeOnly, outagePlan } = kept.value ?? {}
  meeting.value = meetingPoint
  hours.value = timeOnly?.hours ?? 0
  written.value = timeOnly?.written ?? ''
  approvedBy.value = outagePlan?.approvedBy ?? ''
  typed.value = (outagePlan?.conditions ?? []).join('\n')
}
watch(() => kept.value !== null, putBack, { immediate: true })
const conditions = computed(() =>
  typed.value
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean),
)
const hasPlan = computed(() => approvedBy.value.trim() !== '' || conditions.value.length > 0)
const drafted = computed(() => ({
  meetingPoint: meeting.value.trim() || undefined,
  timeOnly: hours.value === 0 ? undefined : { hours: hours.value, written: written.value.trim() },
  outagePlan: hasPlan.value
    ? { approvedBy: approvedBy.value.trim(), conditions: conditions.value }
    : undefined,
}))
const fault = computed(() => {
  const { timeOnly, outagePlan } = drafted.value
  if (timeOnly && timeOnly.written.length < 3) return t('calls.trouble.writtenFirst')
  if (!outagePlan) return ''
  const isWhole = outagePlan.approvedBy.length > 1 && outagePlan.conditions.length > 0
  return isWhole && outagePlan.conditions.every((c) => c.length > 2) ? '' : t('calls.trouble.planFirst')
})
const changed = computed(() => {
  if (!kept.value) return false
  const { meetingPoint, timeOnly, outagePlan } = kept.value
  return JSON.stringify(drafted.value) !== JSON.stringify({ meetingPoint, timeOnly, outagePlan })
})
function save(): void {
  if (fault.value) return
  set(drafted.value)
  putBack()
}
</script>

<template>
  <form v-if="kept" class="trouble" @submit.prevent="save">
    <h2>{{ t('calls.trouble.title') }}</h2>
    <p class="quiet small">{{ t('calls.trouble.how') }}</p>
    <fieldset>
      <text-field
        v-model="meeting"
        :name="t('calls.trouble.meeting')"
        :example="t('calls.trouble.meetingLike')"
        :most="200"
        :disabled="!may"
      />
      <choice-pick
        v-model="hours"
        :label="t('calls.trouble.timeOnly')"
        named
        :disabled="!may"
        :choices="[
          { value: 0, text: t('calls.trouble.noTime') },
          { value: 4, text: t('calls.trouble.four') },
          {
            value: 6,
            text: t('calls.trouble.six', { most: units.degree.value === '°F' ? '70 °F' : '21 °C' }),
          },
        ]"
      />
      <text-field
        v-if="hours !== 0"
        v-model="written"
        :name="t('calls.trouble.written')"
        :example="t('calls.trouble.writtenLike')"
        :most="200"
        :disabled="!may"
      />
      <text-field
        v-model="approvedBy"
        :name="t('calls.trouble.plan')"
        :example="t('calls.trouble.planLike')"
        :most="120"
        :disabled="!may"
      />
      <label>
        {{ t('calls.trouble.conditions') }}
        <n-input
          v-model:value="typed"
          type="textarea"
          :disabled="!may"
          :rows="3"
          :placeholder="t('calls.trouble.conditionsLike')"
          :input-props="{ 'aria-label': t('calls.trouble.conditions') }"
          maxlength="4000"
        />
      </label>
    </fieldset>
    <p v-if="changed && fault" class="fault" role="alert">{{ fault }}</p>
    <n-button
      v-if="may && changed"
      type="primary"
      size="large"
      attr-type="submit"
      class="save"
      :disabled="fault !== ''"
      >{{ t('common.save') }}</n-button
    >
  </form>
</template>

<style scoped>
.trouble {
  margin-top: 34px;
  padding-top: 10px;
  border-top: 2px solid var(--line);
  display: grid;
  gap: 10px;
}
h2 {
  font-size: 20px;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 12px;
}
label {
  font-weight: 600;
}
.save {
  justify-self: start;
}
.fault {
  color: var(--out);
  font-weight: 600;
}
</style>
