<script setup lang="ts">
import { usualTraining } from '@tadka/core/training'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import NumberField from '../pieces/NumberField.vue'
import { useSiteSet } from '../site/site-set.ts'

/** What the site asks before somebody works alone. */
const { t } = useI18n()
const { kept, may, set } = useSiteSet()
const rule = kept.value?.training ?? usualTraining
const watched = ref<number | null>(rule.watched)
const passPercent = ref<number | null>(rule.passPercent)
const months = ref<number | null>(rule.months)
const isWhole = computed(
  () =>
    watched.value !== null &&
    passPercent.value !== null &&
    ![watched.value, passPercent.value, months.value].some((n) => Number.isNaN(n)),
)
function save(): void {
  if (!isWhole.value || watched.value === null || passPercent.value === null) return
  set({ training: { watched: watched.value, passPercent: passPercent.value, months: months.value } })
}
</script>

<template>
  <form @submit.prevent="save">
    <h2>{{ t('training.rule.title') }}</h2>
    <label>
      {{ t('training.rule.watched') }}
      <number-field v-model="watched" :min="0" :max="20" whole :disabled="!may" />
    </label>
    <label>
      {{ t('training.rule.pass') }}
      <number-field v-model="passPercent" :min="50" :max="100" whole :disabled="!may" />
    </label>
    <label>
      {{ t('training.rule.months') }}
      <number-field
        v-model="months"
        :min="1"
        :max="60"
        whole
        :disabled="!may"
        :empty="t('training.rule.never')"
      />
    </label>
    <p class="quiet small">{{ t('training.rule.why') }}</p>
    <n-button v-if="may" attr-type="submit" size="large" :disabled="!isWhole">{{
      t('common.save')
    }}</n-button>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
  max-width: 420px;
}
label {
  font-weight: 600;
  color: var(--ink-2);
}
</style>
