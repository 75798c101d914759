<script setup lang="ts">
import { NButton, NInput, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import { useFamilyName } from '../site/family-name.ts'
import './form.css'
import { emptyStation, familiesFrom, stationFrom, type StationFault } from './station-draft.ts'

/** A station that is new here: its name, tag and place, and of which family it is; its numbers and duties follow below its entry. */
const emit = defineEmits<{ entered: [id: string] }>()
const { t } = useI18n()
const site = useSite()
const procedures = useProcedures()
const draft = ref(emptyStation())
const names = useFamilyName()
const fault = ref<StationFault | null>(null)
const families = computed(() =>
  familiesFrom(procedures.families()).map((value) => ({ value, label: names.one(value) })),
)
function enter(): void {
  const made = stationFrom(
    draft.value,
    site.all('station').map((s) => s.id),
  )
  fault.value = typeof made === 'string' ? made : null
  if (typeof made === 'string') return
  site.record('station.set@1', { kind: 'station', id: made.id }, made.set)
  draft.value = emptyStation()
  emit('entered', made.id)
}
</script>

<template>
  <form class="house-form" @submit.prevent="enter">
    <h2>{{ t('house.station.new') }}</h2>
    <div class="fields">
      <label
        >{{ t('house.station.name') }}
        <n-input v-model:value="draft.name" placeholder="" maxlength="80" size="large" />
      </label>
      <label
        >{{ t('house.station.family') }}
        <n-select v-model:value="draft.family" :options="families" filterable size="large" placeholder="" />
      </label>
      <label
        >{{ t('house.station.place') }}
        <n-input v-model:value="draft.place" placeholder="" maxlength="80" size="large" />
      </label>
      <label
        >{{ t('house.station.tag') }}
        <n-input v-model:value="draft.tag" placeholder="" maxlength="8" size="large" />
      </label>
      <label
        >{{ t('house.station.model') }}
        <n-input v-model:value="draft.model" placeholder="" maxlength="80" size="large" />
      </label>
    </div>
    <p v-if="fault" class="fault" role="alert">{{ t(`house.station.fault.${fault}`) }}</p>
    <n-button type="primary" size="large" attr-type="submit">{{ t('house.station.enter') }}</n-button>
  </form>
</template>
