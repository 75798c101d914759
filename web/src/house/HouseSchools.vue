<script setup lang="ts">
import { bathHours } from '@tadka/core/bath'
import { chosenSchool, schools } from '@tadka/core/rules'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { parseField } from '../pieces/field.ts'
import ChoicePick from '../pieces/ChoicePick.vue'
import { useSiteSet } from './site-set.ts'

/** Where the trade's schools differ: what this site does, the default and its reason beside it. */
const { t } = useI18n()
const { kept, may, set } = useSiteSet()
const chosen = (id: string) => chosenSchool(id, kept.value?.schools ?? {})
const choose = (id: string, choice: string) => set({ schools: { ...kept.value?.schools, [id]: choice } })

const test = ref(String(kept.value?.bath?.testHours ?? bathHours.testHours))
const change = ref(String(kept.value?.bath?.changeHours ?? bathHours.changeHours))
const hours = computed(() => {
  const [a, b] = [
    parseField(test.value, { positive: true }).value,
    parseField(change.value, { positive: true }).value,
  ]
  return a === null || b === null || a > b || b > 48 ? null : { testHours: a, changeHours: b }
})
</script>

<template>
  <section>
    <p class="quiet">{{ t('house.schoolsHow') }}</p>
    <fieldset v-for="s in schools" :key="s.id">
      <legend>{{ s.question }}</legend>
      <choice-pick
        class="choices"
        :model-value="chosen(s.id)"
        :label="s.question"
        :choices="
          s.choices.map((c) => ({
            value: c.id,
            text: c.says,
            note: c.id === s.fallback ? t('house.byDefault') : undefined,
          }))
        "
        :disabled="!may"
        @update:model-value="(choice) => choice && choose(s.id, choice)"
      />
      <p class="quiet small">{{ s.why }}</p>
    </fieldset>
    <fieldset>
      <legend>{{ t('house.bathHours') }}</legend>
      <form class="hours" @submit.prevent="hours && set({ bath: hours })">
        <label
          >{{ t('house.testHours') }} <n-input v-model:value="test" placeholder="" :disabled="!may"
        /></label>
        <label
          >{{ t('house.changeHours') }} <n-input v-model:value="change" placeholder="" :disabled="!may"
        /></label>
        <n-button v-if="may" attr-type="submit" :disabled="!hours">{{ t('house.keepHours') }}</n-button>
      </form>
      <p v-if="!hours" class="fault" role="alert">{{ t('house.hoursFault') }}</p>
      <p class="quiet small">{{ t('house.bathHoursWhy') }}</p>
    </fieldset>
    <p v-if="!may" class="quiet">{{ t('house.mayNot') }}</p>
  </section>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 14px 0;
  margin: 0;
  border-bottom: 1px solid var(--line-soft);
}
legend {
  font-size: 20px;
  font-weight: 650;
  padding: 0;
}
.choices {
  margin: 10px 0 6px;
}
.hours {
  display: flex;
  flex-wrap: wrap;
  gap: 20px;
  align-items: end;
  margin: 8px 0;
}
label {
  font-weight: 600;
  color: var(--ink-2);
}
.fault {
  color: var(--out);
  font-weight: 600;
}
</style>
