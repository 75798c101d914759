<script setup lang="ts">
import { fullCleans, type StationState } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useStartRun } from '../procedure/start.ts'
import { useNames } from '../site/names.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { useReruns } from '../rerun/reruns.ts'

/** Machines whose next mix has other allergens: each is cleaned fully first, and nothing goes in before. */
const props = defineProps<{ stations: readonly StationState[] }>()
const { t } = useI18n()
const site = useSite()
const names = useNames()
const procedures = useProcedures()
const { clock } = useTimes()
const { start } = useStartRun()
const { nameOf } = useReruns()

const asked = computed(() =>
  props.stations.flatMap((s) =>
    s.mixChange
      ? [
          {
            id: s.id,
            is: s.mixChange,
            held: s.holds?.mixes ?? [],
            cleans: s.currentRun ? [] : fullCleans(s, procedures.of(s.plate?.family ?? '')),
            isOn: s.currentRun !== null,
          },
        ]
      : [],
  ),
)
const back = (id: string, held: readonly string[]) =>
  site.record('mix.changed@1', { kind: 'station', id }, { station: id, to: held })
</script>

<template>
  <section v-if="asked.length > 0" class="asked">
    <div v-for="a in asked" :key="a.id">
      <b>{{ t('rerun.next.asked', { station: names.station(a.id), name: nameOf(a.is.to) }) }}</b>
      <p class="quiet">{{ t('rerun.next.since', { who: names.person(a.is.by), time: clock(a.is.at) }) }}</p>
      <div class="acts">
        <n-button v-for="p in a.cleans" :key="p.id" type="primary" size="large" @click="start(a.id, p.id)">
          {{ t('rerun.next.start', { name: p.name }) }}
        </n-button>
        <n-button v-if="a.held.length > 0 && !a.isOn" size="large" @click="back(a.id, a.held)">{{
          t('rerun.next.back')
        }}</n-button>
      </div>
      <p v-if="a.cleans.length === 0 && !a.isOn">
        <router-link :to="`/run/at/${a.id}`">{{ t('rerun.next.notFit') }}</router-link>
      </p>
    </div>
  </section>
</template>

<style scoped>
.asked {
  display: grid;
  gap: 14px;
  border-left: 5px solid var(--close);
  padding-left: 14px;
  margin-bottom: 16px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-top: 6px;
}
</style>
