<script setup lang="ts">
import { incidentRules, type IncidentState } from '@tadka/core/incident'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import ManyPick from '../pieces/ManyPick.vue'
import TextField from '../pieces/TextField.vue'
import PhotoPick from '../site/PhotoPick.vue'
import { useIncidents } from './incidents.ts'
import PastInstant from './PastInstant.vue'

/** The authority's word, or the plan that it approved beforehand with each of its conditions: who, when, a photo. */
const props = defineProps<{ incident: IncidentState }>()
const { t } = useI18n()
const { plan, record } = useIncidents()

const mayPlan = computed(() => incidentRules[props.incident.kind].stops === 'extended' && plan.value !== null)
const way = ref<'authority' | 'plan'>('authority')
const who = ref('')
const at = ref<number | null>(null)
const photo = ref<string | null>(null)
const conditions = ref<readonly string[]>([])
const isWhole = computed(() => who.value.trim().length > 1 && at.value !== null)
const show = ref(props.incident.approval === null)
function save(): void {
  if (!isWhole.value || at.value === null) return
  record(props.incident.id, 'incident.approved@1', {
    ...{ way: way.value, who: who.value.trim(), at: at.value, photo: photo.value },
    conditions: way.value === 'plan' ? conditions.value : [],
  })
  show.value = false
}
</script>

<template>
  <n-button v-if="!show" @click="show = true">{{ t('incident.change') }}</n-button>
  <form v-else @submit.prevent="save">
    <choice-pick
      v-if="mayPlan"
      v-model="way"
      :label="t('incident.approval.title')"
      :choices="[
        { value: 'authority', text: t('incident.approval.authority') },
        { value: 'plan', text: t('incident.approval.plan') },
      ]"
    />
    <many-pick
      v-if="way === 'plan' && plan"
      v-model="conditions"
      :label="t('incident.approval.conditions')"
      :choices="plan.conditions.map((c) => ({ value: c, text: c }))"
    />
    <text-field
      v-model="who"
      :name="t(way === 'plan' ? 'incident.approval.whoPlan' : 'incident.approval.who')"
      :example="t('incident.approval.whoLike')"
      :most="120"
    />
    <past-instant v-model="at" :label="t('incident.approval.at')" />
    <photo-pick
      v-model="photo"
      :text="t('incident.approval.photo')"
      :again="t('incident.approval.photoTaken')"
    />
    <n-button size="large" type="primary" attr-type="submit" :disabled="!isWhole">{{
      t('incident.approval.save')
    }}</n-button>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
  justify-items: start;
  width: 100%;
}
</style>
