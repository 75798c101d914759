<script setup lang="ts">
import type { StationSet } from '@tadka/core/house'
import { NButton, NInput, NSelect, useMessage } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import DraftRow from './DraftRow.vue'
import DutyWhen from './DutyWhen.vue'
import { dutiesFrom, dutyFault, emptyDuty, rowsOf, triggerKinds, type DutyRow } from './duty-draft.ts'

/** What falls due on a station, when, and by which rule; and when the station must be up. */
const props = defineProps<{ id: string; plate: StationSet }>()
const { t } = useI18n()
const site = useSite()
const session = useSession()
const procedures = useProcedures()
const message = useMessage()
const may = computed(() => session.mayDo('set-up-house'))

const rows = ref<DutyRow[]>([])
const up = ref<'rush' | 'trading' | 'free'>('free')
function putBack(): void {
  rows.value = rowsOf(props.plate.duties)
  up.value = props.plate.up ?? 'free'
}
watch(() => props.plate, putBack, { immediate: true })
const fault = computed(() => dutyFault(rows.value))
const changed = computed(
  () =>
    up.value !== (props.plate.up ?? 'free') ||
    JSON.stringify(rows.value) !== JSON.stringify(rowsOf(props.plate.duties)),
)
const procedureOptions = computed(() => {
  const named = rows.value.flatMap((r) => r.procedure ?? [])
  const ids = [...procedures.of(props.plate.family).map((p) => p.id), ...named]
  return [...new Set(ids)].map((id) => ({ label: procedures.nameOf(id), value: id }))
})
const kindOptions = triggerKinds.map((k) => ({ label: t(`shift.trigger.${k}`), value: k }))
const upOptions = (['free', 'rush', 'trading'] as const).map((u) => ({
  label: t(`house.duty.up.${u}`),
  value: u,
}))

function save(): void {
  if (fault.value) return
  const { up: _, ...kept } = props.plate
  const set = { ...kept, duties: dutiesFrom(rows.value), ...(up.value === 'free' ? {} : { up: up.value }) }
  site.record('station.set@1', { kind: 'station', id: props.id }, set)
  message.success(t('house.saved'))
}
</script>

<template>
  <form @submit.prevent="save">
    <h2 class="label">{{ t('house.duty.title') }}</h2>
    <p v-if="rows.length === 0" class="quiet">{{ t('house.duty.none') }}</p>
    <ul>
      <draft-row
        v-for="(row, i) in rows"
        :key="i"
        :may="may"
        columns="minmax(170px, 1.4fr) minmax(140px, 1fr) minmax(160px, 1fr) minmax(170px, 2fr)"
        :remove="`${t('house.trading.remove')}: ${row.procedure ? procedures.nameOf(row.procedure) : ''}`"
        @remove="rows.splice(i, 1)"
      >
        <n-select
          v-model:value="row.procedure"
          :options="procedureOptions"
          :disabled="!may"
          :placeholder="t('house.duty.procedure')"
          :aria-label="t('house.duty.procedure')"
        />
        <n-select
          v-model:value="row.kind"
          :options="kindOptions"
          :disabled="!may"
          :aria-label="t('house.duty.when')"
          @update:value="row.word = null"
        />
        <duty-when v-model="rows[i]!" :may="may" :procedures="procedureOptions" />
        <n-input
          v-model:value="row.rule"
          :disabled="!may"
          maxlength="200"
          :placeholder="t('house.duty.rule')"
          :input-props="{ 'aria-label': t('house.duty.rule') }"
        />
      </draft-row>
    </ul>
    <n-button v-if="may" @click="rows.push(emptyDuty())">{{ t('house.duty.add') }}</n-button>
    <label class="up"
      >{{ t('house.duty.mustBeUp') }}
      <n-select v-model:value="up" :options="upOptions" :disabled="!may" />
    </label>
    <p v-if="changed && fault" class="fault" role="alert">
      {{ t(`house.duty.fault.${fault.kind}`, { n: fault.at + 1 }) }}
    </p>
    <div v-if="may && changed" class="acts">
      <n-button type="primary" attr-type="submit" :disabled="fault !== null">{{
        t('house.duty.save')
      }}</n-button>
      <n-button @click="putBack">{{ t('house.trading.putBack') }}</n-button>
    </div>
  </form>
</template>

<style scoped>
.label {
  margin: 14px 0 6px;
}
.up {
  display: grid;
  grid-template-columns: 220px 300px;
  align-items: center;
  gap: 16px;
  margin: 14px 0;
  font-weight: 600;
}
.acts {
  display: flex;
  gap: 12px;
  margin: 8px 0;
}
.fault {
  color: var(--out);
  font-weight: 600;
}
@media (max-width: 900px) {
  .up {
    grid-template-columns: 1fr;
    gap: 4px;
  }
}
</style>
