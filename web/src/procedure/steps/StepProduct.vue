<script setup lang="ts">
import { rerunFit } from '@tadka/core/rules'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useKit } from '../../site/kit.ts'
import { useUnits } from '../../site/units.ts'
import { numberIn } from '../../pieces/field.ts'
import FigureField from '../../pieces/FigureField.vue'
import NumberPad from '../../pieces/NumberPad.vue'

/** Product kept as rerun, with its temperature, or thrown out; how much either way. */
const emit = defineEmits<{
  done: [facts: { kept: boolean; litres: number; temperature: number | null; unit: string | null }]
}>()
const { t } = useI18n()
const kit = useKit()
const units = useUnits()
const large = computed(() => units.typed('litres'))

const kept = ref(false)
const litres = ref('')
const temperature = ref('')
const field = ref<'litres' | 'temperature'>('litres')
const tried = ref(false)
const unit = computed(() => kit.thermometers.value[0]?.unit ?? units.degree.value)
const fit = computed(() => {
  const read = numberIn(temperature.value, true)
  return read === null ? null : rerunFit(read, unit.value)
})
const faults = computed(() => ({
  litres: tried.value && numberIn(litres.value) === null ? t('run.needLitres') : undefined,
  temperature: !kept.value
    ? undefined
    : fit.value && !fit.value.cold
      ? t('run.rerunWarm', { limit: `${fit.value.limit} ${unit.value}` })
      : tried.value && numberIn(temperature.value, true) === null
        ? t('run.needTemperature')
        : undefined,
}))
const padded = computed({
  get: () => (field.value === 'litres' ? litres.value : temperature.value),
  set: (v) => (field.value === 'litres' ? (litres.value = v) : (temperature.value = v)),
})

function done(): void {
  tried.value = true
  const [amount, degrees] = [numberIn(litres.value), numberIn(temperature.value, true)]
  if (amount === null || (kept.value && !fit.value?.cold)) return
  emit('done', {
    kept: kept.value,
    litres: large.value.kept(amount),
    temperature: kept.value ? degrees : null,
    unit: kept.value ? unit.value : null,
  })
}
function choose(keepIt: boolean): void {
  kept.value = keepIt
  field.value = 'litres'
}
</script>

<template>
  <div class="product">
    <div class="words">
      <div class="which" role="group">
        <button type="button" :aria-pressed="!kept" @click="choose(false)">{{ t('run.discarded') }}</button>
        <button type="button" :aria-pressed="kept" @click="choose(true)">{{ t('run.kept') }}</button>
      </div>
      <figure-field
        id="litres"
        v-model="litres"
        :label="t('run.litres')"
        :unit="large.unit"
        :fault="faults.litres"
        :active="field === 'litres'"
        @focus="field = 'litres'"
        @enter="done"
      />
      <figure-field
        v-if="kept"
        id="kept-temperature"
        v-model="temperature"
        :label="t('run.temperature')"
        :unit="unit"
        :fault="faults.temperature"
        :active="field === 'temperature'"
        @focus="field = 'temperature'"
        @enter="done"
      />
      <div class="act">
        <n-button type="primary" class="big" @click="done">{{ t('run.done') }}</n-button>
      </div>
    </div>
    <number-pad v-model="padded" />
  </div>
</template>

<style scoped>
.product {
  flex: 1 0 auto;
  display: grid;
  grid-template-columns: 1fr 300px;
  gap: 44px;
  margin-top: 20px;
}
.words {
  display: flex;
  flex-direction: column;
  gap: 18px;
}
.which {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.which button {
  min-height: 76px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  font-size: 21px;
  font-weight: 600;
  cursor: pointer;
}
.which button[aria-pressed='true'] {
  border: 3px solid var(--sea);
  background: var(--sea-wash);
}
@media (max-width: 760px) {
  .product {
    grid-template-columns: 1fr;
    gap: 18px;
  }
}
</style>
