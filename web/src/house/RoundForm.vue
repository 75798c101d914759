<script setup lang="ts">
import { staffRoles, type StaffRole } from '@tadka/core/rights'
import { roundTimes, type RoundPoint, type RoundSet, type RoundTime } from '@tadka/core/round'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import TextField from '../pieces/TextField.vue'
import DayChoice from './DayChoice.vue'
import RoundPoints from './RoundPoints.vue'
import './form.css'
import { weekdays } from './week.ts'

/** One round, as it is to be walked. */
const props = defineProps<{ round: RoundSet | null }>()
const emit = defineEmits<{ keep: [round: RoundSet]; cancel: [] }>()
const { t } = useI18n()

const name = ref(props.round?.name ?? '')
const who = ref<StaffRole | null>(props.round?.who ?? 'crew')
const when = ref<RoundTime | null>(props.round?.when ?? 'closing')
const days = ref<number[]>([...(props.round?.days ?? weekdays)])
const points = ref<readonly RoundPoint[]>(props.round?.points ?? [])
const tried = ref(false)
const fault = computed(() => {
  if (name.value.trim() === '') return 'name'
  if (days.value.length === 0) return 'days'
  return points.value.length === 0 ? 'points' : null
})
const made = (): RoundSet => ({
  ...{ name: name.value.trim(), who: who.value ?? 'crew', when: when.value ?? 'closing' },
  days: days.value.toSorted(),
  points: points.value,
})
function keep(): void {
  tried.value = true
  if (!fault.value) emit('keep', made())
}
</script>

<template>
  <form class="house-form" @submit.prevent="keep">
    <h2>{{ t(round ? 'round.set.change' : 'round.set.new') }}</h2>
    <div class="rows">
      <text-field
        v-model="name"
        large
        :name="t('round.set.name')"
        :example="t('round.set.nameLike')"
        :most="60"
      />
      <choice-pick
        v-model="who"
        named
        :label="t('round.set.who')"
        :choices="staffRoles.map((r) => ({ value: r, text: t(`round.set.${r}`) }))"
      />
      <choice-pick
        v-model="when"
        named
        :label="t('round.set.when')"
        :choices="roundTimes.map((w) => ({ value: w, text: t(`round.set.${w}`) }))"
      />
      <day-choice v-model="days" :disabled="false" />
      <round-points v-model="points" />
    </div>
    <p v-if="tried && fault" class="fault" role="alert">{{ t(`round.set.fault.${fault}`) }}</p>
    <div class="act">
      <n-button type="primary" size="large" attr-type="submit">{{ t('round.set.save') }}</n-button>
      <n-button size="large" @click="emit('cancel')">{{ t('common.cancel') }}</n-button>
      <n-button v-if="round" size="large" @click="emit('keep', { ...round, ended: true })">{{
        t('round.set.end')
      }}</n-button>
    </div>
  </form>
</template>

<style scoped>
.rows {
  display: grid;
  gap: 18px;
  margin: 12px 0;
}
</style>
