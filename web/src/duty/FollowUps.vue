<script setup lang="ts">
import type { FollowUp, StationState } from '@tadka/core/procedure'
import { NButton, NInput, NSelect } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useSpares } from '../site/spares.ts'

/** What inspections asked for: replaced, regreased, a technician called; each closed with a word on what was done. */
defineProps<{ stations: readonly StationState[] }>()
const { t } = useI18n()
const site = useSite()
const names = useNames()
const { day, clock } = useTimes()
const note = ref<Record<string, string>>({})
/** The spare to draw, by follow-up. */
const drawn = ref<Record<string, string | null>>({})
const { optionsFor, drawn: drawnDraft } = useSpares()
const nameOf = (f: FollowUp) => `${f.run} ${f.step}`

function close(station: StationState, f: FollowUp): void {
  const said = (note.value[nameOf(f)] ?? '').trim()
  const spare = drawn.value[nameOf(f)]
  const closed = { run: f.run, station: station.id, step: f.step, note: said }
  site.commit(
    ...(spare ? [drawnDraft(spare, station.id, 1)] : []),
    site.draftOf('follow-up.closed@1', { kind: 'station', id: station.id }, closed),
  )
}
</script>

<template>
  <h2 class="label">{{ t('shift.followUps') }}</h2>
  <ul>
    <template v-for="s in stations" :key="s.id">
      <li v-for="f in s.followUps" :key="nameOf(f)">
        <b>{{ t(`run.choice.${f.outcome}`) }}: {{ names.station(s.id) }}</b>
        <p>{{ names.step(f.run, f.step) }}. {{ day(f.at) }} {{ clock(f.at) }}, {{ names.person(f.by) }}</p>
        <n-select
          v-if="f.outcome === 'replace' && optionsFor(s).length > 0"
          :value="drawn[nameOf(f)] ?? null"
          :options="optionsFor(s)"
          :placeholder="t('shift.spare')"
          :aria-label="t('shift.spare')"
          clearable
          @update:value="(v: string | null) => (drawn = { ...drawn, [nameOf(f)]: v })"
        />
        <n-input
          :value="note[nameOf(f)] ?? ''"
          :placeholder="t('shift.followUpNote')"
          :input-props="{ 'aria-label': t('shift.followUpNote') }"
          @update:value="(v: string) => (note = { ...note, [nameOf(f)]: v })"
        />
        <n-button block @click="close(s, f)">{{ t('shift.followUpDone') }}</n-button>
      </li>
    </template>
  </ul>
</template>

<style scoped>
ul {
  margin: 8px 0 20px;
}
li {
  border-top: 3px solid var(--close);
  padding: 12px 0 14px;
  display: grid;
  gap: 8px;
}
p {
  color: var(--ink-2);
  font-size: 15px;
}
</style>
