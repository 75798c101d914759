<script setup lang="ts">
import { inspectionDays, inspectionHours } from '@tadka/contract/people'
import type { FaultOpen } from '@tadka/core/fault'
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import { useRefusalText } from '../rights/refusal-text.ts'
import { useSession } from '../rights/session.ts'
import LinkMade from '../site/LinkMade.vue'
import { ask } from '../wire/api.ts'

/** A link for who comes to mend a machine: its own log, read only, for a time. */
const props = defineProps<{ fault: FaultOpen }>()
const { t } = useI18n()
const session = useSession()
const refusalText = useRefusalText()
const days = ref<number | null>(90)
const hours = ref<number | null>(12)
const made = ref<{ path: string; endsAt: number } | null>(null)
const refused = ref('')
async function make(): Promise<void> {
  refused.value = ''
  const company = props.fault.calls.at(-1)?.company
  try {
    made.value = await ask('POST', `/api/sites/${session.site}/inspections`, {
      name: (company ? t('fault.link.name', { company }) : t('fault.link.nobody')).slice(0, 40),
      ...{ days: days.value, hours: hours.value, station: props.fault.seen.station },
    })
  } catch (error) {
    refused.value = refusalText(error)
  }
}
</script>

<template>
  <div class="link">
    <p class="quiet">{{ t('fault.link.how') }}</p>
    <link-made v-if="made" :made="made" :title="t('fault.link.made')" @done="made = null" />
    <template v-else>
      <choice-pick
        v-model="days"
        named
        :label="t('fault.link.days')"
        :choices="inspectionDays.map((n) => ({ value: n as number, text: t(`inspect.daysOf.${n}`) }))"
      />
      <choice-pick
        v-model="hours"
        named
        :label="t('fault.link.hours')"
        :choices="inspectionHours.map((n) => ({ value: n as number, text: t(`inspect.hoursOf.${n}`) }))"
      />
      <n-button type="primary" size="large" @click="make">{{ t('fault.link.make') }}</n-button>
    </template>
    <p v-if="refused" class="refused" role="alert">{{ refused }}</p>
  </div>
</template>

<style scoped>
.link {
  display: grid;
  gap: 12px;
  justify-items: start;
  padding-left: 16px;
  border-left: 4px solid var(--sea);
}
.refused {
  color: var(--out);
  font-weight: 600;
}
</style>
