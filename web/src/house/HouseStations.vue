<script setup lang="ts">
import type { StationState } from '@tadka/core/procedure'
import { coldStore, type StationSet } from '@tadka/core/house'
import { NButton, NInput } from 'naive-ui'
import { computed, nextTick, onMounted, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { useTimes } from '../site/times.ts'
import { useNames } from '../site/names.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import DataPlate from './DataPlate.vue'
import { useSession } from '../rights/session.ts'
import StationDuties from './StationDuties.vue'
import MachinePick from './MachinePick.vue'
import StationForm from './StationForm.vue'
import StationPlace from './StationPlace.vue'
import StationNotes from './StationNotes.vue'

const { t } = useI18n()
const site = useSite()
const procedures = useProcedures()
const names = useNames()
const route = useRoute()
const router = useRouter()
const { clock, day } = useTimes()

const session = useSession()
const query = ref('')
const input = useTemplateRef<InstanceType<typeof NInput>>('input')
onMounted(async () => {
  await nextTick()
  if (route.query['find']) input.value?.focus()
})
const open = ref<string | null>(null)
const adding = ref(route.query['add'] !== undefined)
const found = computed(() => {
  const q = query.value.trim().toLowerCase()
  const all = site.all('station').filter((s) => s.plate !== null)
  return q === '' ? all : all.filter((s) => s.plate?.tag === q || s.plate?.name.toLowerCase().includes(q))
})
/** What was just entered stands open, alone: its numbers and duties come next. */
function show(id: string): void {
  query.value = site.one('station', id)?.plate?.name ?? ''
  open.value = id
  // Its entry stands below the field, the form far beneath it.
  void nextTick(() => input.value?.focus())
}
const retired = computed(() => site.every('station').filter((s) => s.plate?.retired))
function putBack({ id, plate }: StationState): void {
  if (!plate) return
  const { retired: _, ...set } = plate
  site.record('station.set@1', { kind: 'station', id }, set)
}
const whereOf = (plate: StationSet | null) =>
  [plate?.place, plate?.model, plate?.tag ? t('common.tag', { tag: plate.tag }) : '']
    .filter(Boolean)
    .join(' · ')
const picking = computed(
  () => session.mayDo('set-up-house') && (adding.value || site.all('station').length === 0),
)
/** Whoever came here from the set-up goes on there. */
function leave(): void {
  adding.value = false
  if (route.query['add'] !== undefined) void router.push('/house/start')
}

const lastDone = (runs: Record<string, { finishedAt: number; by: string }>) =>
  Object.entries(runs).map(
    ([id, r]) => `${names.procedure(id)} ${day(r.finishedAt)} ${clock(r.finishedAt)}, ${names.person(r.by)}`,
  )
</script>

<template>
  <section v-if="picking">
    <machine-pick :may-leave="site.all('station').length > 0" @added="leave" @close="leave" />
  </section>
  <section v-else>
    <n-input
      ref="input"
      v-model:value="query"
      size="large"
      clearable
      :placeholder="t('house.find')"
      :input-props="{ 'aria-label': t('house.find') }"
    />
    <p v-if="found.length === 0 && query !== ''" class="quiet none">{{ t('house.nothingFound') }}</p>
    <router-link v-if="found.length > 0" to="/house/tags" class="tags">{{
      t('machine.printTags')
    }}</router-link>
    <ul>
      <li v-for="s in found" :key="s.id">
        <button
          type="button"
          class="head"
          :aria-expanded="open === s.id"
          @click="open = open === s.id ? null : s.id"
        >
          <span>
            <b>{{ s.plate?.name }}</b>
            <span v-if="s.plate?.typical" class="typical small">{{ t('machines.typical') }}</span>
            <span class="quiet small">{{ whereOf(s.plate) }}</span>
          </span>
          <span v-if="s.plate?.family === coldStore" class="quiet">
            {{ s.cold ? `${s.cold.last.read.value} ${s.cold.last.read.unit}` : t('cold.notRead') }}
          </span>
          <span v-else class="quiet">
            {{ t(`run.contents.${s.facets.contents}`) }}, {{ t(`run.assembly.${s.facets.assembly}`)
            }}<template v-if="s.sanitizedAt"
              >, {{ t('house.sanitizedAt', { time: clock(s.sanitizedAt) }) }}</template
            >
          </span>
        </button>
        <div v-if="open === s.id && s.plate" class="body">
          <router-link :to="`/run/at/${s.id}`" class="tags">{{ t('machine.open') }}</router-link>
          <h2 class="label">{{ t('house.lastRuns') }}</h2>
          <p v-for="line in lastDone(s.lastRuns)" :key="line">{{ line }}</p>
          <h2 class="label">{{ t('house.procedures') }}</h2>
          <p>
            {{
              procedures
                .of(s.plate.family)
                .map((p) => p.name)
                .join(', ')
            }}
          </p>
          <station-notes :station="s" />
          <station-duties :id="s.id" :plate="s.plate" />
          <data-plate :id="s.id" :plate="s.plate" />
          <station-place :id="s.id" :plate="s.plate" />
        </div>
      </li>
    </ul>
    <template v-if="session.mayDo('set-up-house')">
      <n-button type="primary" size="large" class="add" @click="adding = true">{{
        t('machines.open')
      }}</n-button>
      <station-form @entered="show" />
      <template v-if="retired.length > 0">
        <h2 class="label">{{ t('house.station.retired') }}</h2>
        <p v-for="s in retired" :key="s.id" class="retired">
          <span>{{ s.plate?.name }}</span>
          <n-button @click="putBack(s)">{{ t('house.station.putBack') }}</n-button>
        </p>
      </template>
    </template>
  </section>
</template>

<style scoped>
.tags {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
ul {
  margin-top: 12px;
}
li {
  border-bottom: 1px solid var(--line);
}
.head {
  width: 100%;
  min-height: 72px;
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 20px;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
  padding: 0;
}
b {
  display: block;
  font-size: 20px;
}
.body {
  padding: 4px 0 22px;
}
.label {
  margin: 12px 0 4px;
}
.typical {
  display: block;
  border-left: 4px solid var(--close);
  padding-left: 8px;
}
.add {
  margin-top: 18px;
}
.retired {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 60px;
  border-bottom: 1px solid var(--line-soft);
}
.none {
  padding: 20px 0;
}
</style>
