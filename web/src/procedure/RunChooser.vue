<script setup lang="ts">
import { baseOf } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import FamilyMark from '../site/FamilyMark.vue'
import MachineFind from '../site/MachineFind.vue'
import RunningNow from './RunningNow.vue'
import PlaceBar from '../frame/PlaceBar.vue'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useProcedures } from '../site/procedures.ts'
import { useStartRun } from './start.ts'

/** What runs now, and every station with what can be started on it. */
const { t } = useI18n()
const site = useSite()
const router = useRouter()
const { start } = useStartRun()
const names = useNames()
const procedures = useProcedures()

const running = computed(() => site.all('run').filter((r) => r.status === 'running' || r.status === 'parked'))
const query = ref('')
const stations = computed(() => {
  const q = query.value.trim().toLowerCase()
  return site
    .all('station')
    .filter((s) => s.plate !== null && procedures.of(s.plate.family).length > 0)
    .filter(
      ({ plate }) => q === '' || plate?.tag.toLowerCase() === q || plate?.name.toLowerCase().includes(q),
    )
})
const open = (run: string | null) => run && void router.push(`/run/${run}`)
</script>

<template>
  <div>
    <place-bar :title="t('place.run')" />
    <div class="chooser">
      <running-now v-if="running.length > 0" :runs="running" @go-on="open" />
      <div v-else>
        <h2>{{ t('run.none') }}</h2>
        <p class="quiet">{{ t('run.noneHow') }}</p>
      </div>
      <machine-find v-model="query" class="find" :named="stations.map((s) => s.id)" />
      <p v-if="stations.length === 0" class="quiet">{{ t('house.nothingFound') }}</p>
      <ul>
        <li v-for="s in stations" :key="s.id">
          <router-link :to="`/run/at/${s.id}`" class="which">
            <family-mark :family="s.plate?.family ?? ''" />
            <span>
              <b>{{ s.plate?.name }}</b>
              <span class="quiet small">{{
                [names.where(s.id), s.plate?.model].filter(Boolean).join(' · ')
              }}</span>
            </span>
          </router-link>
          <div class="acts">
            <n-button
              v-for="p in procedures.of(s.plate?.family ?? '')"
              :key="p.id"
              :disabled="s.currentRun !== null && s.currentRun.procedure !== baseOf(p.id)"
              @click="start(s.id, p.id)"
            >
              {{
                s.currentRun?.procedure === baseOf(p.id) ? t('shift.goOn') : t('run.start', { name: p.name })
              }}
            </n-button>
          </div>
        </li>
      </ul>
    </div>
  </div>
</template>

<style scoped>
.chooser {
  padding: 8px var(--gutter) 24px;
  max-width: 1000px;
}
ul {
  margin-top: 12px;
}
.find {
  margin-top: 24px;
}
.which {
  display: flex;
  gap: 16px;
  align-items: center;
  color: inherit;
  text-decoration: none;
}
.which span {
  display: block;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 20px;
  flex-wrap: wrap;
  padding: 14px 0;
  border-top: 1px solid var(--line);
}
b {
  font-size: 20px;
}
.acts {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
}
</style>
