<script setup lang="ts">
import { bathHours } from '@tadka/core/bath'
import { mostDays } from '@tadka/core/rerun'
import { chosenPractice, modelCode, practices } from '@tadka/core/rules'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { parseField } from '../pieces/field.ts'
import ChoicePick from '../pieces/ChoicePick.vue'
import { useUnits } from '../site/units.ts'
import NumberField from '../pieces/NumberField.vue'
import { useSiteSet } from '../site/site-set.ts'

/** Where good kitchens differ: what this site does, what is usual, and why. */
const { t } = useI18n()
const { kept, may, set } = useSiteSet()
const units = useUnits()
const { dishMachine, washWater } = modelCode
/** Common practice, no source. */
const warmChlorine = 21
const limits = computed(() => ({
  warm: units.temperature(warmChlorine),
  manifold: units.limit(dishMachine.rinse.leastOther.c),
  surface: units.limit(dishMachine.surface.pair.c),
  wash: units.limit(washWater.pair.c),
}))
const words = (practice: string, key: string) => t(`practices.${practice}.${key}`, limits.value)
const chosen = (id: string) => chosenPractice(id, kept.value?.schools ?? {})
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
/** Days that leftover mix is kept here; null: as long as the code and its maker allow. */
const rerunDays = ref<number | null>(kept.value?.rerunDays ?? null)
function keepRerun(): void {
  // Seven is what the code allows of any mix: it asks for nothing more.
  if (!Number.isNaN(rerunDays.value)) set({ rerunDays: rerunDays.value ?? mostDays })
}
</script>

<template>
  <section>
    <p class="quiet">{{ t('practices.how') }}</p>
    <fieldset v-for="p in practices" :key="p.id">
      <legend>{{ words(p.id, 'question') }}</legend>
      <choice-pick
        class="choices"
        :model-value="chosen(p.id)"
        :label="words(p.id, 'question')"
        :choices="
          p.choices.map((c) => ({
            value: c,
            text: words(p.id, c),
            note: c === p.fallback ? t('practices.default') : undefined,
          }))
        "
        :disabled="!may"
        @update:model-value="(choice) => choice && choose(p.id, choice)"
      />
      <p class="quiet small">{{ words(p.id, 'why') }}</p>
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
    <fieldset>
      <legend>{{ t('house.rerunDays') }}</legend>
      <form class="hours" @submit.prevent="keepRerun">
        <label>
          {{ t('house.rerunAtMost') }}
          <number-field
            v-model="rerunDays"
            :min="1"
            :max="7"
            whole
            :disabled="!may"
            :empty="t('house.rerunAsAllowed')"
          />
        </label>
        <n-button v-if="may" attr-type="submit" :disabled="Number.isNaN(rerunDays)">{{
          t('house.save')
        }}</n-button>
      </form>
      <p class="quiet small">{{ t('house.rerunWhy') }}</p>
    </fieldset>
    <fieldset>
      <legend>{{ t('house.milk', { most: units.degree.value === '°F' ? '45 °F' : '7 °C' }) }}</legend>
      <choice-pick
        class="choices"
        :model-value="kept?.milkAt7 ?? false"
        :label="t('house.milk', { most: units.degree.value === '°F' ? '45 °F' : '7 °C' })"
        :choices="[
          { value: false, text: t('house.milkNo') },
          { value: true, text: t('house.milkYes') },
        ]"
        :disabled="!may"
        @update:model-value="(v) => set({ milkAt7: v ? true : undefined })"
      />
      <p class="quiet small">{{ t('house.milkWhy') }}</p>
    </fieldset>
    <p v-if="!may" class="quiet">{{ t('house.mayNot') }}</p>
  </section>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 18px 0;
  margin: 0;
  border-bottom: 1px solid var(--line-soft);
}
legend {
  font-size: 20px;
  font-weight: 650;
  padding: 14px 0 0;
}
.choices {
  margin: 4px 0 8px;
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
