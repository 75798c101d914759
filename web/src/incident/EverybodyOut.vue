<script setup lang="ts">
import type { SiteSet } from '@tadka/core/house'
import type { IncidentState } from '@tadka/core/incident'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import TextField from '../pieces/TextField.vue'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { useStandings } from '../training/standings.ts'
import { useIncidents } from './incidents.ts'

/** Fire or gas: out, call, and who is outside. Nothing else before everybody is counted. */
const props = defineProps<{ incident: IncidentState }>()
const { t } = useI18n()
const site = useSite()
const session = useSession()
const standings = useStandings()
const { record } = useIncidents()

const set = computed(() => site.set as Partial<SiteSet> | null)
const number = computed(() => set.value?.emergencyNumber ?? '')
const said = ref<Record<string, 'out' | 'not-here'>>({})
const others = ref('')
/** Who works now first. */
const people = computed(() =>
  session.everyone.toSorted(
    (a, b) => Number(standings.isOnShiftNow(b.id)) - Number(standings.isOnShiftNow(a.id)),
  ),
)
const missing = computed(() => people.value.filter((p) => said.value[p.id] === undefined).length)
const of = (what: 'out' | 'not-here') =>
  people.value.filter((p) => said.value[p.id] === what).map((p) => p.id)
const say = (id: string, what: 'out' | 'not-here') => {
  const { [id]: was, ...rest } = said.value
  said.value = was === what ? rest : { ...rest, [id]: what }
}
const counted = () =>
  record(props.incident.id, 'incident.counted@1', {
    out: of('out'),
    notHere: of('not-here'),
    others: others.value.trim(),
  })
</script>

<template>
  <div class="out">
    <section class="now" role="alert">
      <h1>{{ t('incident.outNow') }}</h1>
      <p>{{ t(incident.kind === 'gas' ? 'incident.outGas' : 'incident.outFire') }}</p>
      <a v-if="number" class="number" :href="`tel:${number.replaceAll(' ', '')}`">{{ number }}</a>
      <p v-else>{{ t('incident.noNumber') }}</p>
      <p class="meet">
        {{ set?.meetingPoint ? t('incident.meet', { place: set.meetingPoint }) : t('incident.meetUnknown') }}
      </p>
    </section>
    <section class="count">
      <h2>{{ t('incident.count') }}</h2>
      <p>{{ t('incident.countHow') }}</p>
      <ul>
        <li v-for="p in people" :key="p.id">
          <b>{{ p.name }}</b>
          <button type="button" :aria-pressed="said[p.id] === 'out'" @click="say(p.id, 'out')">
            {{ t('incident.isOut') }}
          </button>
          <button type="button" :aria-pressed="said[p.id] === 'not-here'" @click="say(p.id, 'not-here')">
            {{ t('incident.notHere') }}
          </button>
        </li>
      </ul>
      <text-field
        v-model="others"
        :name="t('incident.others')"
        :most="200"
        :example="t('incident.othersLike')"
      />
      <p v-if="missing > 0" class="missing">{{ t('incident.missing', missing) }}</p>
      <n-button
        type="primary"
        class="all"
        :disabled="missing > 0 || of('out').length === 0"
        @click="counted"
        >{{ t('incident.allCounted') }}</n-button
      >
      <p class="quiet">{{ t('incident.rest') }}</p>
    </section>
  </div>
</template>

<style scoped>
.out {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 32px;
  padding: 8px var(--gutter) 32px;
}
.now {
  border-left: 12px solid var(--out);
  padding: 8px 0 8px 22px;
  display: grid;
  gap: 16px;
  align-content: start;
}
h1 {
  font-size: clamp(44px, 6vw, 76px);
  line-height: 1;
}
.now p {
  font-size: 24px;
  line-height: 1.3;
  font-weight: 600;
}
.number {
  font-size: clamp(64px, 9vw, 120px);
  font-weight: 750;
  line-height: 1.1;
  color: var(--out);
}
.count {
  display: grid;
  gap: 10px;
  align-content: start;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 8px;
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 6px 0;
}
li b {
  font-size: 19px;
}
li button {
  min-height: 52px;
  padding: 0 14px;
  border: 2px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  color: var(--ink);
  font-weight: 600;
  cursor: pointer;
}
li button[aria-pressed='true'] {
  border-color: var(--in);
  background: var(--in-wash);
}
li button[aria-pressed='true']::before {
  content: '✓ ';
}
.missing {
  color: var(--out);
  font-weight: 650;
  font-size: 19px;
}
.all {
  min-height: 72px;
  font-size: 22px;
}
@media (max-width: 760px) {
  .out {
    grid-template-columns: 1fr;
  }
}
</style>
