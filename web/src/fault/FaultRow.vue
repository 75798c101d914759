<script setup lang="ts">
import { hoursDown, type FaultOpen } from '@tadka/core/fault'
import type { AnyDraft } from '@tadka/core/stream'
import { visitsAhead } from '@tadka/core/visit'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ReasonForm from '../pieces/ReasonForm.vue'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import VisitRow from '../visit/VisitRow.vue'
import { nowByMinute } from '../wire/clock.ts'
import FaultCall from './FaultCall.vue'
import FaultMend from './FaultMend.vue'
import TechnicianLink from './TechnicianLink.vue'
import WarrantySaid from './WarrantySaid.vue'

/** One fault: since when, who was called, who comes; and how it ends. */
const props = defineProps<{ fault: FaultOpen }>()
const emit = defineEmits<{ made: [drafts: AnyDraft[]] }>()
const { t } = useI18n()
const site = useSite()
const session = useSession()
const names = useNames()
const { day, clock } = useTimes()
const { today } = useProcedures()
const seen = computed(() => props.fault.seen)
const to = computed(() => ({ kind: 'fault', id: props.fault.id }) as const)
const when = (ms: number) => `${day(ms)} ${clock(ms)}`
const out = computed(() => site.one('station', seen.value.station)?.outOfService ?? null)
const stands = computed(() => {
  if (out.value && seen.value.works === 'no') {
    const now = nowByMinute()
    const hours = hoursDown([{ from: out.value.since, to: null }], out.value.since, now, now)
    return t('fault.isOut', { when: when(out.value.since), n: Math.floor(hours) })
  }
  return t(seen.value.works === 'yes' ? 'fault.isFine' : 'fault.isCare')
})
const visits = computed(() =>
  visitsAhead(
    site.all('visit').filter((v) => v.visit?.fault === props.fault.id),
    today.value,
  ),
)
const acts = ['call', 'mend', 'link', 'drop'] as const
const open = ref<(typeof acts)[number] | null>(null)
const may = (act: (typeof acts)[number]) =>
  session.mayDo(act === 'drop' ? 'close-case' : act === 'link' ? 'invite-inspector' : 'record')
const actText = (act: (typeof acts)[number]) =>
  t({ call: 'fault.call.title', mend: 'fault.mend.title', link: 'fault.link.open', drop: 'fault.drop' }[act])
function done(drafts: AnyDraft[]): void {
  open.value = null
  emit('made', drafts)
}
const drop = (reason: string) => done([site.record('fault.dropped@1', to.value, { reason })])
const photo = computed(() =>
  seen.value.photo ? `/api/sites/${session.site}/photos/${seen.value.photo}` : null,
)
</script>

<template>
  <li>
    <h3>{{ names.station(seen.station) }}: {{ t(`fault.kind.${seen.kind}`) }}</h3>
    <p>{{ seen.said }}</p>
    <p :class="{ out: seen.works === 'no' }">{{ stands }}</p>
    <p class="quiet small">{{ t('fault.seen', { when: when(seen.at), who: names.person(seen.by) }) }}</p>
    <img v-if="photo" :src="photo" :alt="seen.said" />
    <warranty-said :station="seen.station" />
    <p v-for="c in fault.calls" :key="c.at" class="call">
      {{
        t('fault.call.line', {
          ...{ who: names.person(c.by), company: c.company, when: when(c.at), answer: c.answer },
        })
      }}
      <a v-if="c.phone" :href="`tel:${c.phone.replaceAll(' ', '')}`">{{ c.phone }}</a>
    </p>
    <ul v-if="visits.length > 0">
      <visit-row v-for="v in visits" :key="v.id" :visit="v" @made="(draft) => emit('made', [draft])" />
    </ul>
    <div class="acts">
      <n-button
        v-for="a in acts.filter(may)"
        :key="a"
        :type="open === a ? 'primary' : 'default'"
        :aria-expanded="open === a"
        @click="open = open === a ? null : a"
        >{{ actText(a) }}</n-button
      >
    </div>
    <fault-call v-if="open === 'call'" :fault="fault" @made="done" />
    <fault-mend v-else-if="open === 'mend'" :fault="fault" @made="done" />
    <technician-link v-else-if="open === 'link'" :fault="fault" />
    <reason-form
      v-else-if="open === 'drop'"
      :label="t('fault.dropWhy')"
      :like="t('fault.dropLike')"
      :act="t('fault.drop')"
      @said="drop"
    />
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  padding: 14px 0 18px;
  border-bottom: 1px solid var(--line);
}
h3 {
  font-size: 20px;
}
img {
  max-width: 320px;
  border-radius: var(--r);
}
.out {
  color: var(--out);
  font-weight: 650;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.acts > *,
.call a {
  min-height: 48px;
}
.call a {
  display: inline-flex;
  align-items: center;
  font-weight: 650;
}
</style>
