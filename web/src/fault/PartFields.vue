<script setup lang="ts">
import { NButton, NSelect } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { listRows } from '../pieces/list-rows.ts'
import NumberField from '../pieces/NumberField.vue'
import TextField from '../pieces/TextField.vue'
import { useSite } from '../site/site.ts'
import { useSpares } from '../site/spares.ts'
import type { PartTyped } from './part.ts'

/** The parts that were built in: the site's own spares, or what somebody brought, with its price. */
const model = defineModel<PartTyped[]>({ required: true })
const props = defineProps<{ station: string }>()
const { t } = useI18n()
const site = useSite()
const { optionsFor } = useSpares()
const options = computed(() => optionsFor({ plate: site.one('station', props.station)?.plate ?? null }))
const { change, add, drop } = listRows(model)
const nothing: PartTyped = { spare: null, name: '', count: 1, price: null }
</script>

<template>
  <fieldset>
    <legend>{{ t('fault.mend.parts') }}</legend>
    <div v-for="(p, i) in model" :key="i" class="part">
      <n-select
        v-if="options.length > 0"
        :value="p.spare"
        :options="options"
        clearable
        size="large"
        :placeholder="t('fault.mend.theirs')"
        :aria-label="t('fault.mend.spare')"
        @update:value="(spare: string | null) => change(i, { spare })"
      />
      <text-field
        v-if="p.spare === null"
        :model-value="p.name"
        large
        :name="t('fault.mend.part')"
        :most="80"
        @update:model-value="(name) => change(i, { name })"
      />
      <label>
        {{ t('fault.mend.count') }}
        <number-field
          :model-value="p.count"
          whole
          :min="1"
          :max="1000"
          :label="t('fault.mend.count')"
          @update:model-value="(count) => change(i, { count })"
        />
      </label>
      <label v-if="p.spare === null">
        {{ t('fault.mend.price') }}
        <number-field
          :model-value="p.price"
          :min="0"
          :max="999999"
          :label="t('fault.mend.price')"
          @update:model-value="(price) => change(i, { price })"
        />
      </label>
      <n-button :aria-label="t('fault.mend.drop', { n: i + 1 })" @click="drop(i)">×</n-button>
    </div>
    <n-button v-if="model.length < 20" @click="add(nothing)">{{ t('fault.mend.more') }}</n-button>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  display: grid;
  gap: 10px;
  justify-items: start;
}
legend {
  font-weight: 600;
  margin-bottom: 6px;
}
.part {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 10px;
  align-items: end;
  width: 100%;
  padding-bottom: 10px;
  border-bottom: 1px solid var(--line-soft);
}
.part > button {
  justify-self: start;
}
label {
  font-weight: 600;
}
</style>
