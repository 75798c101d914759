<script setup lang="ts">
import { foodTask, type IncidentState } from '@tadka/core/incident'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import TextField from '../pieces/TextField.vue'
import { useIncidents } from './incidents.ts'

/** Food that the log does not follow, by its name: it is judged like the rest. */
const props = defineProps<{ incident: IncidentState }>()
const { t } = useI18n()
const { did } = useIncidents()
const name = ref('')
const said = computed(() => name.value.trim())
const next = computed(() => {
  const taken = Object.keys(props.incident.done).filter((k) => k.startsWith(foodTask))
  return `${foodTask}${taken.length + 1}`
})
function add(): void {
  if (said.value.length < 3) return
  did(props.incident, { task: next.value, food: said.value })
  name.value = ''
}
</script>

<template>
  <form class="food" @submit.prevent="add">
    <text-field
      v-model="name"
      :name="t('incident.cold.name')"
      :example="t('incident.cold.nameLike')"
      :most="80"
    />
    <n-button size="large" attr-type="submit" :disabled="said.length < 3">{{
      t('incident.cold.add')
    }}</n-button>
  </form>
</template>

<style scoped>
.food {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: end;
  padding: 10px 0 10px 42px;
}
.food > :first-child {
  flex: 1 1 260px;
}
</style>
