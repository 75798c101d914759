<script setup lang="ts">
import { doneKey, type IncidentItem, type IncidentState } from '@tadka/core/incident'
import { baseOf } from '@tadka/core/procedure'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ReasonForm from '../pieces/ReasonForm.vue'
import { useStartRun } from '../procedure/start.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import { useTimes } from '../site/times.ts'
import ColdEntry from './ColdEntry.vue'
import ContactTimer from './ContactTimer.vue'
import { useIncidentWords } from './incident-words.ts'
import { useIncidents } from './incidents.ts'

/** One thing of the list: what it is, who did it, or how it is done. */
const props = defineProps<{ incident: IncidentState; item: IncidentItem }>()
const { t } = useI18n()
const site = useSite()
const names = useNames()
const { clock } = useTimes()
const { itemOf } = useIncidentWords()
const { did } = useIncidents()

const isOpen = computed(() => props.incident.status === 'open')
/** What is on record of it, or the run that did it. */
const done = computed(() => {
  if (props.item.is === 'run') {
    const { run } = props.item
    return run && { at: run.finishedAt, by: run.by }
  }
  return props.item.isDone ? (props.incident.done[doneKey(props.item.key, null)] ?? null) : null
})
const { start } = useStartRun()
const isUnderWay = computed(
  () =>
    props.item.is === 'run' &&
    site.one('station', props.item.station)?.currentRun?.procedure === baseOf(props.item.procedure),
)
const made = ref<AnyDraft | null>(null)
const asksWhy = ref(false)
function say(kept?: string): void {
  const said = kept === undefined ? {} : ({ kept: true, note: kept } as const)
  made.value = did(props.incident, { task: props.item.key, station: null, ...said })
  asksWhy.value = false
}
</script>

<template>
  <li :class="{ done: item.isDone }">
    <span class="mark" aria-hidden="true">{{ item.isDone ? '✓' : '' }}</span>
    <div class="what">
      <p>{{ itemOf(item) }}</p>
      <p v-if="done" class="quiet small">
        {{ t('incident.doneBy', { who: names.person(done.by), time: clock(done.at) }) }}
        <span v-if="item.is === 'doubt' && item.kept">{{ t('incident.keptWhy', { why: item.kept }) }}</span>
        <take-back-now v-if="made && isOpen" :draft="made" plain @back="made = null" />
      </p>
      <p v-else-if="item.waits" class="quiet small">{{ t('incident.waitsOver') }}</p>
      <template v-else-if="isOpen && item.is === 'timer' && item.task === 'contact'">
        <contact-timer :incident="incident" :item="item" />
      </template>
      <cold-entry v-if="item.is === 'cold'" :incident="incident" :item="item" />
      <reason-form
        v-if="asksWhy"
        :label="t('incident.notOfItWhy')"
        :like="t('incident.notOfItLike')"
        :act="t('incident.notOfIt')"
        @said="say"
      />
    </div>
    <div v-if="isOpen && !item.isDone && !item.waits" class="acts">
      <n-button v-if="item.is === 'task'" type="primary" ghost class="do" @click="say()">{{
        t('incident.done')
      }}</n-button>
      <template v-else-if="item.is === 'doubt' && !asksWhy">
        <n-button type="primary" ghost class="do" @click="say()">{{
          t(
            item.doubt.what === 'other' || item.doubt.what === 'drinks'
              ? 'incident.gone'
              : 'incident.thrownOut',
          )
        }}</n-button>
        <n-button class="do" @click="asksWhy = true">{{ t('incident.notOfIt') }}</n-button>
      </template>
      <n-button
        v-else-if="item.is === 'run'"
        type="primary"
        ghost
        class="do"
        @click="start(item.station, item.procedure)"
        >{{ t(isUnderWay ? 'shift.goOn' : 'incident.begin') }}</n-button
      >
    </div>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 32px minmax(0, 1fr) auto;
  gap: 10px;
  align-items: start;
  border-top: 1px solid var(--line-soft);
  padding: 10px 0;
  min-height: 60px;
}
.mark {
  width: 28px;
  height: 28px;
  border: 2px solid var(--ink-2);
  border-radius: 6px;
  display: grid;
  place-items: center;
  font-weight: 700;
}
.done .mark {
  border-color: var(--in);
  color: var(--in);
}
.what > p:first-child {
  font-size: 19px;
  font-weight: 600;
  line-height: 1.3;
}
.done .what > p:first-child {
  font-weight: 500;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  justify-content: flex-end;
}
.do {
  min-height: 52px;
}
@media (max-width: 760px) {
  .acts {
    grid-column: 2;
    justify-content: flex-start;
  }
}
</style>
