<script setup lang="ts">
import type { RosterSet } from '@tadka/core/house'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { usePlanner } from './planner.ts'

/** One person of the shift: reported sick, or here after all. The plan is then made anew. */
const props = defineProps<{ person: string; roster: RosterSet }>()
const emit = defineEmits<{ close: [] }>()
const site = useSite()
const planner = usePlanner()
const names = useNames()
const { t } = useI18n()

const shift = computed(() => props.roster.shifts.find((s) => s.person === props.person) ?? null)

function report(away: boolean): void {
  const { day, shifts } = props.roster
  const changed = shifts.map((s) => (s.person === props.person ? { ...s, away } : s))
  site.record('roster.set@1', { kind: 'roster', id: day }, { day, shifts: changed })
  planner.plan()
  emit('close')
}
</script>

<template>
  <div v-if="shift" class="panel">
    <b>{{ names.person(person) }}</b>
    <span class="quiet">{{ shift.from }} – {{ shift.to }}</span>
    <n-button size="large" :type="shift.away ? 'primary' : 'default'" @click="report(!shift.away)">
      {{ t(shift.away ? 'plan.roster.back' : 'plan.roster.sick', { who: names.person(person) }) }}
    </n-button>
    <n-button size="large" @click="emit('close')">{{ t('common.close') }}</n-button>
  </div>
</template>

<style scoped>
.panel {
  display: flex;
  gap: 14px;
  align-items: center;
  padding-bottom: 10px;
  flex-wrap: wrap;
}
</style>
