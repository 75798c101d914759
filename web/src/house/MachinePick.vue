<script setup lang="ts">
import { families, machineGroups } from '@tadka/core/house'
import { NAutoComplete, NButton, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAreas } from '../site/areas.ts'
import { useSite } from '../site/site.ts'
import FamilyMark from '../site/FamilyMark.vue'
import { useFamilyName } from '../site/family-name.ts'
import './form.css'
import { stationsPicked } from './machine-pick.ts'

/** What stands here, picked by its drawing and how many: each comes with what a typical model has. */
defineProps<{ mayLeave: boolean }>()
const emit = defineEmits<{ added: []; close: [] }>()
const { t } = useI18n()
const site = useSite()
const message = useMessage()
const { one, short } = useFamilyName()
const counts = ref<Record<string, number>>({})
const place = ref('')

const groups = machineGroups.map((group) => ({ group, members: families.filter((f) => f.group === group) }))
const picked = computed(() =>
  families.flatMap(({ id: family }) =>
    (counts.value[family] ?? 0) > 0 ? [{ family, count: counts.value[family] ?? 0 }] : [],
  ),
)
const total = computed(() => picked.value.reduce((sum, p) => sum + p.count, 0))
const { areas: places } = useAreas()
const most = 20
function turn(family: string, by: number): void {
  const now = counts.value[family] ?? 0
  counts.value = { ...counts.value, [family]: Math.max(0, Math.min(most, now + by)) }
}

function add(): void {
  const known = site
    .every('station')
    .flatMap((s) => (s.plate ? [{ id: s.id, name: s.plate.name, tag: s.plate.tag }] : []))
  const words = { short, model: t('machines.model') }
  const stations = stationsPicked(picked.value, place.value, site.set?.units ?? 'metric', known, words)
  site.commit(...stations.map(({ id, set }) => site.draftOf('station.set@1', { kind: 'station', id }, set)))
  message.success(t('machines.added', { n: total.value }))
  counts.value = {}
  emit('added')
}
</script>

<template>
  <form class="house-form" @submit.prevent="add">
    <h2>{{ t('machines.title') }}</h2>
    <p class="quiet">{{ t('machines.how') }}</p>
    <section v-for="{ group, members } in groups" :key="group" :aria-label="t(`machines.group.${group}`)">
      <h3 class="label">{{ t(`machines.group.${group}`) }}</h3>
      <ul>
        <li v-for="{ id } in members" :key="id" :class="{ on: (counts[id] ?? 0) > 0 }">
          <family-mark :family="id" />
          <span>{{ one(id) }}</span>
          <span class="count" data-quick-keys>
            <button
              type="button"
              :aria-label="t('machines.fewer', { name: one(id) })"
              :disabled="(counts[id] ?? 0) === 0"
              @click="turn(id, -1)"
            >
              −
            </button>
            <b aria-live="polite">{{ counts[id] ?? 0 }}</b>
            <button type="button" :aria-label="t('machines.more', { name: one(id) })" @click="turn(id, 1)">
              +
            </button>
          </span>
        </li>
      </ul>
    </section>
    <footer>
      <label>
        {{ t('machines.area') }}
        <n-auto-complete
          v-model:value="place"
          size="large"
          :options="places"
          :placeholder="t('machines.areaExample')"
          :input-props="{ maxlength: 80 }"
          :get-show="() => true"
        />
      </label>
      <n-button v-if="mayLeave" size="large" @click="emit('close')">{{ t('first.back') }}</n-button>
      <n-button type="primary" size="large" attr-type="submit" :disabled="total === 0">
        {{ total === 0 ? t('machines.none') : t('machines.add', { n: total }, total) }}
      </n-button>
    </footer>
  </form>
</template>

<style scoped>
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(316px, 1fr));
  gap: 10px;
}
li {
  display: grid;
  grid-template-columns: 52px 1fr auto;
  gap: 12px;
  align-items: center;
  padding: 8px 10px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  font-weight: 600;
}
li.on {
  border-color: var(--sea);
  background: var(--sea-wash);
}
.count {
  display: grid;
  grid-template-columns: 48px 28px 48px;
  align-items: center;
  text-align: center;
}
.count b {
  font-size: 20px;
}
.count button {
  height: 48px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--paper);
  font-size: 24px;
  cursor: pointer;
}
.count button:disabled {
  color: var(--ink-3);
  cursor: default;
}
.label {
  margin: 14px 0 6px;
}
footer {
  position: sticky;
  bottom: 0;
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 20px;
  align-items: end;
  padding: 12px 0;
  margin-top: 16px;
  background: var(--paper);
  border-top: 2px solid var(--line);
}
@media (max-width: 760px) {
  footer {
    grid-template-columns: 1fr;
  }
}
</style>
